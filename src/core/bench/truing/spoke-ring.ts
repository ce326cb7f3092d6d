import { InputError } from '../../base/errors';
import { count, listOf, oneOf, quantity, record, ruleValues } from '../../base/fields';
import { ruleNumber, type RuleValues } from '../../base/rules';
import { counted } from '../../base/units';
import { defineWorking, reason, worstOf, type Reason } from '../../base/working';

/** A spoke that was rung: by ear, or with its tone. Counted from the valve, clockwise, 1 first. */
export interface RungSpoke {
  spoke: number;
  sounds?: 'clear' | 'dull';
  toneHz?: number;
}

/** A spoke that stands out against its own group. */
interface LooseSpoke {
  spoke: number;
  group: string;
  /** The sound beside its group. */
  way: 'dull' | 'lower' | 'higher';
  reason: Reason;
}

interface Input {
  spokes: RungSpoke[];
  total: number;
  rules?: RuleValues;
}

interface SpokeRing {
  loose: LooseSpoke[];
  /** Spokes that were not rung, or whose group has too few tones to compare them. */
  unknown: number;
  reasons: Reason[];
}

/** Spokes by turns: disc side and other side, heads out and heads in. */
const GROUPS = [
  'disc side, outer',
  'other side, outer',
  'disc side, inner',
  'other side, inner',
] as const;
export const groupOf = (spoke: number): string => GROUPS[(spoke - 1) % 4]!;

const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  const mid = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[mid]! : (sorted[mid - 1]! + sorted[mid]!) / 2;
};

/** Arithmetic of fractions, not of the tone. */
const NEARLY = 1e-9;
const DULL = (spoke: number) =>
  `Spoke ${spoke} is dull: loose, or its nipple is seized. Bring it up to its neighbors.`;
const LOWER = (spoke: number) =>
  `Spoke ${spoke} rings lower than its group: looser. Bring it up to its neighbors.`;
const HIGHER = (spoke: number) =>
  `Spoke ${spoke} rings higher than its group: it carries for a loose one. Check its neighbors.`;

/** Fewer tones of a group than this have no middle to speak of. */
const MIN_IN_GROUP = 3;

/**
 * The change of a thick, short spoke's tone against that of its tension: 4 mm with 150 mm free and
 * clamped ends, at half its tension, rings at 0.908 of its tone. A thinner one changes more, so
 * none that is as loose goes unseen. Source: beam under tension, vibration textbooks.
 */
const TONE_FOR_TENSION = (1 - 0.908) / (1 - 0.5);

/**
 * The tone, as a share of its group's, at which a spoke may have so much of its group's tension.
 */
const toneAt = (tensionPct: number): number => 1 + TONE_FOR_TENSION * (tensionPct / 100 - 1);

/**
 * The difference of each spoke's tension from the middle of its group, percent; zero if its tone or
 * its group is not known.
 */
export const tensionsOffPct = (rung: readonly RungSpoke[], total: number): number[] => {
  const toneOf = (spoke: number) => rung.find((s) => s.spoke === spoke)?.toneHz;
  return Array.from({ length: total }, (_, i) => {
    const tones = rung.flatMap((s) =>
      groupOf(s.spoke) === groupOf(i + 1) && s.toneHz ? [s.toneHz] : [],
    );
    const tone = toneOf(i + 1);
    return tone === undefined || tones.length < MIN_IN_GROUP
      ? 0
      : 100 * (tone / median(tones)) ** 2 - 100;
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
 * `total` 8 to 80 spokes; tones 50 to 5000 Hz. A spoke is compared with its own group only, since inner and outer, left
 * and right differ, and it is said to be looser or tighter, never by how much: a spoke is a stiff
 * string, and how stiff its ends are is not known. Good only once all are rung. Throws `InputError`
 * for a spoke that does not exist or stands twice. Source: beam under tension, vibration textbooks;
 * limits are rules.
 */
export const spokeRing = defineWorking<Input, SpokeRing>({
  name: 'spoke-ring',
  title: 'Loose spokes by sound',
  input: () => ({
    spokes: SPOKES_FIELD,
    total: count(8, 80, 'Spokes in the wheel'),
    rules: ruleValues(),
  }),
  example: {
    total: 36,
    spokes: [400, 395, 410, 402, 404, 398, 405, 399, 300, 401, 396, 403].map((toneHz, i) => ({
      spoke: i + 1,
      toneHz,
    })),
  },
  work({ spokes, total, rules }, show) {
    if (spokes.length === 0)
      throw new InputError(
        'spokes',
        'No spoke was rung.',
        'Enter at least one spoke, clear or dull, or its tone',
      );
    const seen = new Set<number>();
    spokes.forEach(({ spoke, sounds, toneHz }, i) => {
      if (spoke > total)
        throw new InputError(
          `spokes[${i}].spoke`,
          `There is no spoke ${spoke}.`,
          `Enter a number from 1 to ${total}`,
        );
      if (seen.has(spoke))
        throw new InputError(
          `spokes[${i}].spoke`,
          `Spoke ${spoke} is listed twice.`,
          'Enter each spoke once',
        );
      if (sounds === undefined && toneHz === undefined)
        throw new InputError(
          `spokes[${i}].sounds`,
          `Spoke ${spoke} was not rung.`,
          'Choose clear or dull, or enter a tone in hertz',
        );
      seen.add(spoke);
    });
    const lowPct = ruleNumber('spoke.lowPct', rules, show);
    const highPct = ruleNumber('spoke.highPct', rules, show);
    const loose: LooseSpoke[] = [];
    let unknown = 0;
    for (const group of GROUPS) {
      const its = spokes.filter((s) => groupOf(s.spoke) === group);
      const tones = its.flatMap((s) => (s.toneHz === undefined ? [] : [s.toneHz]));
      const middle =
        tones.length >= MIN_IN_GROUP
          ? show.line(group, `median of ${tones.length} tones`, median(tones), 'Hz')
          : null;
      for (const { spoke, sounds, toneHz } of its) {
        const share = toneHz !== undefined && middle !== null ? toneHz / middle : null;
        if (sounds === 'dull')
          loose.push({ spoke, group, way: 'dull', reason: reason('check', DULL(spoke)) });
        else if (share === null) {
          if (sounds === undefined) unknown++;
        } else if (share < toneAt(lowPct) - NEARLY)
          loose.push({ spoke, group, way: 'lower', reason: reason('check', LOWER(spoke)) });
        else if (share > toneAt(highPct) + NEARLY)
          loose.push({ spoke, group, way: 'higher', reason: reason('check', HIGHER(spoke)) });
      }
    }
    show.basis('practice', 'a dull spoke is loose');
    const allTones = spokes.flatMap((s) => (s.toneHz === undefined ? [] : [s.toneHz]));
    if (allTones.length > 0) {
      show.basis('published', 'beam under tension, vibration textbooks');
      show.basis('memory', 'a tone is taken as that of a thick, short spoke, which changes least');
    }
    if (allTones.length === 0) show.line('rung', 'by ear', spokes.length);
    unknown += total - spokes.length;
    const rest =
      unknown > 0
        ? [
            reason(
              'check',
              `${counted(unknown, 'spoke')} of ${total} still unknown: ring ${unknown === 1 ? 'it' : 'them'} too.`,
            ),
          ]
        : [];
    const reasons =
      loose.length > 0
        ? [...loose.map((l) => l.reason), ...rest]
        : rest.length > 0
          ? rest
          : [reason('good', `All ${total} rung, none stands out.`)];
    show.verdict(worstOf(reasons));
    if (loose.length > 0)
      show.caution(
        'Spoke work is a skilled job: the maker’s tension, small turns, and the runout measured again.',
      );
    return { loose, unknown, reasons };
  },
});
