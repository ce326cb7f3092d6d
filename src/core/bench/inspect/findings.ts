import { InputError } from '../../base/errors';
import { listOf, oneOf } from '../../base/fields';
import { defineWorking, reason, worstOf, type Reason, type Verdict } from '../../base/working';

/** The parts to look at with the tire off. */
export const INSPECTED = ['tube', 'bead', 'bearing'] as const;
export type Inspected = (typeof INSPECTED)[number];
export const INSPECTED_WORDS: Record<Inspected, string> = {
  tube: 'The old tube',
  bead: 'Bead, seat and rim',
  bearing: 'Bearings and seals',
};

/** A thing that may be found. */
export interface Finding {
  id: string;
  /** As the fitter sees it. */
  sees: string;
  severity: Verdict;
  advice: string;
  /** Its word on the dial, if it has a place on the wheel. */
  mark?: string;
}

/** The place of a finding, clockwise from the valve, seen from the disc side. */
export interface FindingPlace {
  finding: string;
  deg: number;
}

/** The possible findings, and what each means. Common practice throughout. */
export const FINDINGS: Readonly<Record<Inspected, readonly Finding[]>> = {
  tube: [
    {
      id: 'pinch',
      sees: 'Two slits side by side',
      severity: 'stop',
      advice: 'Pinched: new tube, more pressure or a heavier wall, and watch the first bites.',
      mark: 'pinched',
    },
    {
      id: 'chafe',
      sees: 'Marks along the inside, where nipples rub',
      severity: 'stop',
      advice: 'A new tube, and a snug strip under it.',
    },
    {
      id: 'valve-torn',
      sees: 'Torn at the valve',
      severity: 'stop',
      advice: 'The tire creeps: a new tube, then look at rim lock, pressure and a wet bead seat.',
    },
    {
      id: 'thin',
      sees: 'Thin and stretched',
      severity: 'stop',
      advice: 'Too small for this tire: it ran hot. Choose by label and by measuring.',
    },
    {
      id: 'fold',
      sees: 'Creased from a fold',
      severity: 'stop',
      advice: 'Too large, or too little air when it went in: a fold pinches.',
    },
    {
      id: 'valve-leans',
      sees: 'The valve stood at a slant',
      severity: 'check',
      advice: 'It sat twisted or crept: powder it, and set the nut so creep shows.',
    },
    {
      id: 'patched',
      sees: 'Patched',
      severity: 'check',
      advice: 'Count the patches against the shop’s rule.',
    },
    {
      id: 'grit',
      sees: 'Grit or powder caked on it',
      severity: 'good',
      advice: 'Wash it off before reuse.',
    },
  ],
  bead: [
    {
      id: 'rim-crack',
      sees: 'A crack in the rim',
      severity: 'stop',
      advice: 'The rim is scrap. Do not fit a tire.',
      mark: 'crack',
    },
    {
      id: 'rim-dent',
      sees: 'A dent at the seat or flange',
      severity: 'check',
      advice: 'Measure the runout. A tubeless bead may not seal there: the maker decides.',
      mark: 'dent',
    },
    {
      id: 'corrosion',
      sees: 'Corrosion, often at the valve hole',
      severity: 'check',
      advice: 'Back to bare metal. Pitted where it seals: do not run it tubeless.',
      mark: 'corrosion',
    },
    {
      id: 'wet',
      sees: 'Water or oil inside',
      severity: 'check',
      advice: 'Dry and clean: a wet seat lets the tire creep and shears the valve.',
    },
    {
      id: 'hole-edge',
      sees: 'A sharp edge at valve or lock hole',
      severity: 'check',
      advice: 'Break the edge: it cuts stem and tube.',
    },
    {
      id: 'bead-torn',
      sees: 'The tire’s bead is torn, or its wire shows',
      severity: 'stop',
      advice: 'The tire is done: the bead holds it on the rim.',
      mark: 'bead torn',
    },
    {
      id: 'cracks',
      sees: 'Cracks in the sidewall',
      severity: 'stop',
      advice: 'The tire is done.',
      mark: 'cracks',
    },
    {
      id: 'plug',
      sees: 'A plug in the tire',
      severity: 'check',
      advice: 'A plug gets a rider home. It is not a repair.',
      mark: 'plug',
    },
    {
      id: 'residue',
      sees: 'Residue from old weights',
      severity: 'good',
      advice: 'Scrape with plastic, solvent with ventilation, then alcohol and water.',
    },
  ],
  bearing: [
    { id: 'play', sees: 'Play', severity: 'stop', advice: 'New bearings before it rolls.' },
    {
      id: 'rough',
      sees: 'Rough or notched when turned',
      severity: 'stop',
      advice: 'New bearings: a notch becomes play.',
    },
    {
      id: 'dry',
      sees: 'Dry, but smooth',
      severity: 'check',
      advice: 'Grease what you can reach; check again at the next change.',
    },
    {
      id: 'seal',
      sees: 'Seal torn or hard',
      severity: 'check',
      advice: 'A new seal: water is what ends a bearing. Grease its lip.',
    },
    {
      id: 'spacer',
      sees: 'A groove in the spacer',
      severity: 'check',
      advice: 'The seal runs in it and leaks: a new spacer.',
    },
  ],
};

export interface InspectionResult {
  /** Whether the job may go on as it is. */
  goOn: boolean;
  reasons: Reason[];
}

const judge = (part: Inspected, found: readonly string[]): InspectionResult => {
  const unknown = found.find((id) => !FINDINGS[part].some((f) => f.id === id));
  if (unknown !== undefined)
    throw new InputError(
      'found',
      `${unknown.slice(0, 30)} is not a finding at this station.`,
      `Choose ${FINDINGS[part].map((f) => f.id).join(', ')}`,
    );
  const reasons = FINDINGS[part]
    .filter((f) => found.includes(f.id))
    .map((f) => reason(f.severity, `${f.sees}. ${f.advice}`));
  if (reasons.length === 0)
    return { goOn: true, reasons: [reason('good', `${INSPECTED_WORDS[part]}: nothing found.`)] };
  return { goOn: worstOf(reasons) !== 'stop', reasons };
};

const inspection = (
  part: Inspected,
  name: string,
  says: string,
  example: string[],
  caution: string,
) =>
  defineWorking<{ found: string[] }, InspectionResult>({
    name,
    title: says,
    input: () => ({
      found: listOf(
        oneOf(
          FINDINGS[part].map((f) => f.id),
          'A finding',
        ),
        FINDINGS[part].length,
        'What was found',
      ),
    }),
    example: { found: example },
    work({ found }, show) {
      const result = judge(part, found);
      for (const r of result.reasons) show.line(INSPECTED_WORDS[part], r.says, r.verdict);
      show.basis('practice', 'what to look for with the tire off');
      show.verdict(worstOf(result.reasons));
      if (!result.goOn) show.caution(caution);
      return result;
    },
  });

/**
 * The findings on the old tube, and whether it may go in again. Throws `InputError` for an unknown
 * finding. Common practice.
 */
export const tubeInspect = inspection(
  'tube',
  'tube-inspect',
  'Old tube findings',
  ['chafe', 'grit'],
  'Do not reuse this tube.',
);

/**
 * The findings on bead, seat and rim. Throws `InputError` for an unknown finding. Common practice.
 */
export const beadInspect = inspection(
  'bead',
  'bead-inspect',
  'Bead, seat and rim findings',
  ['corrosion'],
  'Stop until it is replaced. For a rim, the maker decides.',
);

/**
 * The findings of a finger in the bearing. Throws `InputError` for an unknown finding. Common
 * practice: smooth, no play.
 */
export const bearingCheck = inspection(
  'bearing',
  'bearing-check',
  'Bearing and seal findings',
  ['dry'],
  'Replace the bearings before the wheel goes back on.',
);

const BY_PART = { tube: tubeInspect, bead: beadInspect, bearing: bearingCheck } as const;

/** The working of a part. */
export const inspectionOf = (part: Inspected) => BY_PART[part];
