import { count, quantity } from '../../base/fields';
import { counted } from '../../base/units';
import type { Wheel } from '../../fit/wheels';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { maybe } from '../entry-fields';

/** Bolts of a ring or of a split rim, and their torque by the maker. The wheel keeps them. */
interface RingSetData {
  bolts: number;
  torqueNm: number | null;
}

const withBolts = (wheel: Wheel | null, { bolts, torqueNm }: RingSetData): Wheel | null =>
  wheel &&
  (wheel.build === 'split'
    ? { ...wheel, rimBolts: bolts, rimBoltTorqueNm: torqueNm }
    : { ...wheel, ringBolts: bolts, ringTorqueNm: torqueNm });

export const ringSetEntry = defineEntry<RingSetData, object, { wheel: Wheel | null }>({
  ...WHEEL_WORK,
  schema: () => ({
    bolts: count(3, 36, 'Bolts'),
    torqueNm: maybe(quantity('Nm', 0.5, 200, 'Torque by the maker')),
  }),
  text: ({ bolts, torqueNm }, { q }) =>
    `${counted(bolts, 'bolt')}, ${torqueNm === null ? 'torque by the maker not known' : `${q(torqueNm, 'Nm')} by the maker`}`,
  initial: {},
  apply: ({ wheel }, { data }) => ({ wheel: withBolts(wheel, data) }),
});
