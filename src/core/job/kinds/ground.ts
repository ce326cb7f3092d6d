import { oneOf } from '../../base/fields';
import { type Ground, GROUND_WORDS, GROUNDS } from '../../bench/pressure';
import { defineEntry, WHEEL_WORK } from '../define-entry';

/** The ground the tire is set for. */
interface GroundData {
  ground: Ground;
}

export const groundEntry = defineEntry<GroundData, { ground: GroundData['ground'] | null }>({
  ...WHEEL_WORK,
  schema: () => ({ ground: oneOf(GROUNDS, 'The ground') }),
  text: ({ ground }) => `Ground: ${GROUND_WORDS[ground]}`,
  initial: { ground: null },
  apply: (_, { data }) => ({ ground: data.ground }),
});
