import { listOf, oneOf, text } from '../../base/fields';
import {
  FINDINGS,
  type Inspected,
  INSPECTED,
  INSPECTED_WORDS,
  inspectionOf,
} from '../../bench/inspect';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { listed } from '../entry-words';

/** The findings on a part; an empty list means inspected, nothing found. */
interface FindingsData {
  part: Inspected;
  found: string[];
}

export const findingsEntry = defineEntry<
  FindingsData,
  { findings: Partial<Record<Inspected, string[]>> }
>({
  ...WHEEL_WORK,
  schema: () => ({
    part: oneOf(INSPECTED, 'What was inspected'),
    found: listOf(text(40, 'A finding'), 20, 'What was found'),
  }),
  check: ({ part, found }) => void inspectionOf(part).run({ found }),
  text: ({ part, found }) => {
    const seen = FINDINGS[part]
      .filter((f) => found.includes(f.id))
      .map((f) => f.sees.toLowerCase());
    return `${INSPECTED_WORDS[part]}: ${listed(seen) || 'nothing found'}`;
  },
  initial: { findings: {} },
  apply: ({ findings }, { data }) => ({ findings: { ...findings, [data.part]: data.found } }),
});
