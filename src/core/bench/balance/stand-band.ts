import { counted } from '../../base/units';
import { listOf, record } from '../../base/fields';
import { defineWorking, reason, type Reason } from '../../base/working';
import { believe } from './belief';
import { OBSERVATIONS, type Observation } from './observation';

interface Input {
  wheels: readonly { seen: readonly Observation[] }[];
}

export interface StandBand {
  bandG: number;
  /** Nine of ten lie between. */
  lowG: number;
  highG: number;
  /** Narrow enough to be written down as the stand's own. */
  known: boolean;
  reason: Reason;
}

/** Known to within so much of itself either way. Basis: memory. */
const NARROW = 0.5;
/** Dead bands that are told apart. */
const STEPS = 25;
const grams = (value: number) => ({ value, unit: 'g' as const, digits: 1 });

/**
 * The dead band of a stand, from all wheels that were balanced on it: what each says of the dead
 * band, taken together.
 *
 * `wheels` at most 16, each with what was seen of it. Source: Bayes' rule; the stand is the same, the wheels are not.
 */
export const standBand = defineWorking<Input, StandBand>({
  name: 'stand-band',
  title: 'Stand dead band',
  input: () => ({
    wheels: listOf(record({ seen: OBSERVATIONS }, 'A wheel'), 16, 'Wheels balanced on this stand'),
  }),
  example: {
    wheels: [
      {
        seen: [
          { kind: 'settle', restDeg: 215, from: 'left', weights: [] },
          { kind: 'settle', restDeg: 205, from: 'right', weights: [] },
          { kind: 'settle', restDeg: 211, from: 'left', weights: [{ massG: 20, deg: 30 }] },
        ],
      },
      {
        seen: [
          { kind: 'settle', restDeg: 88, from: 'left', weights: [] },
          { kind: 'settle', restDeg: 97, from: 'right', weights: [] },
          { kind: 'level', deg: 272, moved: 'stays', weights: [{ massG: 30, deg: 272 }] },
        ],
      },
    ],
  },
  work({ wheels }, show) {
    let shares: { f: number; log: number }[] | null = null;
    for (const { seen } of wheels) {
      const { bands } = believe(seen, { bandSteps: STEPS });
      // What this wheel alone adds: after against before.
      shares = bands.map((b, i) => ({
        f: b.f,
        log: (shares?.[i]?.log ?? Math.log(b.before)) + Math.log(Math.max(1e-12, b.p / b.before)),
      }));
    }
    const logs =
      shares ??
      believe([], { bandSteps: STEPS }).bands.map((b) => ({ f: b.f, log: Math.log(b.before) }));
    const most = Math.max(...logs.map((s) => s.log));
    const raw = logs.map((s) => ({ f: s.f, p: Math.exp(s.log - most) }));
    const sum = raw.reduce((t, b) => t + b.p, 0);
    const bandG = raw.reduce((t, b) => t + (b.f * b.p) / sum, 0);
    // Each band stands for those up to halfway to its neighbors.
    const at = (share: number): number => {
      let before = 0;
      for (const [i, { f, p }] of raw.entries()) {
        const [from, to] = [
          Math.sqrt(f * (raw[i - 1]?.f ?? f)),
          Math.sqrt(f * (raw[i + 1]?.f ?? f)),
        ];
        if (before + p / sum >= share) return from + ((to - from) * (share - before)) / (p / sum);
        before += p / sum;
      }
      return raw.at(-1)!.f;
    };
    const [lowG, highG] = [at(0.05), at(0.95)];
    show.line('wheels', 'balanced on this stand', wheels.length);
    show.line('dead band', 'mean of what all wheels say together', bandG, 'g');
    show.line('at least', '5% lie below', lowG, 'g');
    show.line('at most', '5% lie above', highG, 'g');
    show.basis('published', 'Bayes’ rule');
    show.basis('memory', 'a dead band of 0.5 to 7.5 g until readings tell more');
    const known = (highG - lowG) / 2 <= NARROW * bandG;
    const why = known
      ? reason('good', `About {0}, by ${counted(wheels.length, 'wheel')}: {1} to {2}.`, [
          grams(bandG),
          grams(lowG),
          grams(highG),
        ])
      : reason(
          'check',
          '{1} to {2}: not known well enough yet. Balance more wheels, settling from both sides.',
          [grams(bandG), grams(lowG), grams(highG)],
        );
    show.verdict(why.verdict);
    return { bandG, lowG, highG, known, reason: why };
  },
});
