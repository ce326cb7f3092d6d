import { InputError } from '../errors';
import { count, listOf, oneOf, quantity, record, ruleValues } from '../fields';
import { ruleNumber, type RuleValues } from '../rules';
import { defineWorking, reason, worstOf, type Reason } from '../working';

/** A spoke that was rung: by ear, or with its tone. Counted from the valve, clockwise, 1 first. */
export interface RungSpoke {
  spoke: number;
  sounds?: 'clear' | 'dull';
  toneHz?: number;
}

/** A spoke that stands out against its own group. */
export interface LooseSpoke {
  spoke: number;
  group: string;
  /** Tension in percent of the middle of its group; null where it was rung by ear. */
  tensionPct: number | null;
  reason: Reason;
}

interface Input {
  spokes: RungSpoke[];
  total: number;
  /** Free length and mass of a length, for tension in newtons. */
  lengthMm?: number;
  gramsPerMetre?: number;
  rules?: RuleValues;
}

export interface SpokeRing {
  loose: LooseSpoke[];
  /** Tension of the middle spoke, N; null without length and mass. */
  medianTensionN: number | null;
  reasons: Reason[];
}

/** Spokes by turns: disc side and other side, heads out and heads in. */
const GROUPS = ['disc side, outer', 'other side, outer', 'disc side, inner', 'other side, inner'] as const;
export const groupOf = (spoke: number): string => GROUPS[(spoke - 1) % 4]!;

const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  const mid = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[mid]! : (sorted[mid - 1]! + sorted[mid]!) / 2;
};

/** Fewer tones of a group than this have no middle to speak of. */
const LEAST_IN_GROUP = 3;

/**
 * Tension of a string from its tone, N. `lengthM` free length, `kgPerM` mass of a metre.
 * Source: f = √(T/μ) / 2L, OpenStax University Physics volume 1, chapter 16 (standing waves on a string), so T = 4 L²
 * f² μ.
 */
export const stringTensionN = (lengthM: number, toneHz: number, kgPerM: number): number =>
  4 * lengthM ** 2 * toneHz ** 2 * kgPerM;

/** What each spoke's tension is off the middle of its group, percent; nought where its tone or its group is not known. */
export const tensionsOffPct = (rung: readonly RungSpoke[], total: number): number[] => {
  const toneOf = (spoke: number) => rung.find((s) => s.spoke === spoke)?.toneHz;
  return Array.from({ length: total }, (_, i) => {
    const tones = rung.flatMap((s) => (groupOf(s.spoke) === groupOf(i + 1) && s.toneHz ? [s.toneHz] : []));
    const tone = toneOf(i + 1);
    return tone === undefined || tones.length < LEAST_IN_GROUP ? 0 : 100 * (tone / median(tones)) ** 2 - 100;
  });
};

/** Rung spokes, as workings and entries take them. */
export const SPOKES_FIELD = listOf(
  record(
    {
      spoke: count(1, 80, 'Number of the spoke'),
      sounds: oneOf(['clear', 'dull'], 'By ear').optional(),
      toneHz: quantity('Hz', 50, 5000, 'Its tone').optional(),
    },
    'A spoke',
  ),
  80,
  'Spokes that were rung',
);

/**
 * Spokes that stand out against their own group, by ear or by tone.
 *
 * `total` 8 to 80 spokes; tones 50 to 5000 Hz. Tension goes with the square of the tone. A spoke is compared with its
 * own
 * group only, since inner and outer, left and right differ. Throws `InputError` for a spoke that does not exist or
 * stands twice.
 * Source of the square: string tension, OpenStax University Physics volume 1, chapter 16; limits are rules.
 */
export const spokeRing = defineWorking<Input, SpokeRing>({
  name: 'spoke-ring',
  says: 'Which spokes are loose, by their ring',
  input: () => ({
    spokes: SPOKES_FIELD,
    total: count(8, 80, 'Spokes in the wheel'),
    lengthMm: quantity('mm', 30, 400, 'Free length of a spoke').optional(),
    gramsPerMetre: quantity('g', 5, 300, 'Mass of a metre of spoke').optional(),
    rules: ruleValues(),
  }),
  example: {
    total: 36,
    spokes: [400, 395, 410, 402, 404, 398, 405, 399, 300, 401, 396, 403].map((toneHz, i) => ({ spoke: i + 1, toneHz })),
  },
  work({ spokes, total, lengthMm, gramsPerMetre, rules }, show) {
    if (spokes.length === 0)
      throw new InputError('spokes', 'No spoke was rung.', 'at least one spoke, clear or dull, or its tone');
    const seen = new Set<number>();
    spokes.forEach(({ spoke, sounds, toneHz }, i) => {
      if (spoke > total)
        throw new InputError(`spokes[${i}].spoke`, `There is no spoke ${spoke}.`, `a number from 1 to ${total}`);
      if (seen.has(spoke))
        throw new InputError(`spokes[${i}].spoke`, `Spoke ${spoke} stands twice.`, 'each spoke once');
      if (sounds === undefined && toneHz === undefined)
        throw new InputError(
          `spokes[${i}].sounds`,
          `Spoke ${spoke} was not rung.`,
          'clear or dull, or a tone in hertz',
        );
      seen.add(spoke);
    });
    const lowPct = ruleNumber('spoke.lowPct', rules, show);
    const highPct = ruleNumber('spoke.highPct', rules, show);
    const loose: LooseSpoke[] = [];
    for (const group of GROUPS) {
      const its = spokes.filter((s) => groupOf(s.spoke) === group);
      const tones = its.flatMap((s) => (s.toneHz === undefined ? [] : [s.toneHz]));
      const middle =
        tones.length >= LEAST_IN_GROUP
          ? show.line(group, `median of ${tones.length} tones`, median(tones), 'Hz')
          : null;
      for (const s of its) {
        const tensionPct = s.toneHz !== undefined && middle !== null ? 100 * (s.toneHz / middle) ** 2 : null;
        const by = tensionPct === null ? [] : [{ value: tensionPct, unit: 'pct' as const, digits: 0 }];
        if (s.sounds === 'dull')
          loose.push({
            spoke: s.spoke,
            group,
            tensionPct,
            reason: reason(
              'check',
              `Spoke ${s.spoke} is dull: loose, or its nipple is seized. Bring it up to its neighbors.`,
            ),
          });
        else if (tensionPct !== null && tensionPct < lowPct)
          loose.push({
            spoke: s.spoke,
            group,
            tensionPct,
            reason: reason('check', `Spoke ${s.spoke} has {0} of the tension of its group: loose.`, by),
          });
        else if (tensionPct !== null && tensionPct > highPct)
          loose.push({
            spoke: s.spoke,
            group,
            tensionPct,
            reason: reason(
              'check',
              `Spoke ${s.spoke} has {0} of the tension of its group: it carries for a loose one. Look at its neighbors.`,
              by,
            ),
          });
      }
    }
    show.basis('practice', 'a dull spoke is loose');
    const allTones = spokes.flatMap((s) => (s.toneHz === undefined ? [] : [s.toneHz]));
    if (allTones.length > 0)
      show.basis(
        'published',
        'tension goes with the square of the tone: OpenStax University Physics volume 1, chapter 16',
      );
    const medianTensionN =
      lengthMm !== undefined && gramsPerMetre !== undefined && allTones.length > 0
        ? show.line(
            'tension of the middle spoke',
            '4 × L² × f² × μ',
            stringTensionN(lengthMm / 1000, median(allTones), gramsPerMetre / 1000),
            'N',
          )
        : null;
    if (allTones.length === 0) show.line('rung', 'by ear', spokes.length);
    const reasons =
      loose.length === 0 ? [reason('good', `${spokes.length} rung, none stands out.`)] : loose.map((l) => l.reason);
    show.verdict(worstOf(reasons));
    if (loose.length > 0)
      show.caution('Spoke work is a skilled job: the maker’s tension, small turns, and the runout measured again.');
    return { loose, medianTensionN, reasons };
  },
});
