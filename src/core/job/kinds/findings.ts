import { InputError } from '../../base/errors';
import { angle, listOf, oneOf, record, text } from '../../base/fields';
import { placeText } from '../../base/units';
import {
  FINDINGS,
  type FindingPlace,
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
  /** Where on the wheel, for those that have a place there. */
  places?: FindingPlace[];
}

const PLACE = record(
  { finding: text(40, 'A finding'), deg: angle('Its place') },
  'The place of a finding',
);

export const findingsEntry = defineEntry<
  FindingsData,
  {
    findings: Partial<Record<Inspected, string[]>>;
    findingPlaces: Partial<Record<Inspected, FindingPlace[]>>;
  }
>({
  ...WHEEL_WORK,
  schema: () => ({
    part: oneOf(INSPECTED, 'What was inspected'),
    found: listOf(text(40, 'A finding'), 20, 'What was found'),
    places: listOf(PLACE, 20, 'Where it was found').optional(),
  }),
  check: ({ part, found, places = [] }) => {
    inspectionOf(part).run({ found });
    const stray = places.findIndex((p) => !found.includes(p.finding));
    if (stray >= 0)
      throw new InputError(
        `places[${stray}].finding`,
        'A place was given for a finding that was not found.',
        'Name one of the findings, or leave the place out',
      );
  },
  text: ({ part, found, places = [] }) => {
    const seen = FINDINGS[part]
      .filter((f) => found.includes(f.id))
      .map((f) => {
        const at = places.filter((p) => p.finding === f.id).map((p) => placeText(p.deg));
        return [f.sees.toLowerCase(), ...at].join(' at ');
      });
    return `${INSPECTED_WORDS[part]}: ${listed(seen) || 'nothing found'}`;
  },
  initial: { findings: {}, findingPlaces: {} },
  apply: ({ findings, findingPlaces }, { data: { part, found, places = [] } }) => ({
    findings: { ...findings, [part]: found },
    findingPlaces: { ...findingPlaces, [part]: places },
  }),
});
