import { normalDeg } from '../units';
import { believe, type Belief, type Known } from './belief';
import { sumParts, type MassVector } from './mass-vector';
import type { Observation } from './observation';

/** What was seen contradicts itself. */
export interface Doubt {
  /** The reading that goes least with the others, counted from 0. */
  reading: number;
  /** What would explain it; null where nothing does better than a slip of that one reading. */
  story: 'weights mirrored' | 'rest mirrored' | null;
  says: string;
}

/** Less probable than this that all readings are right, and there is a doubt. */
const LIKELY = 0.5;
/** Less likely to be wrong than this a reading is not looked at as a slip of its own. */
const SUSPECT = 0.1;
/** A reading that is as surely wrong is outvoted: the others are believed. */
const OUTVOTED = 0.9;
/** A slip that is looked for by name has to explain so much more than single slips do. Basis: memory. */
const TELLS = 25;

const mirroredWeights = (weights: readonly MassVector[]): MassVector[] =>
  weights.map((w) => ({ ...w, deg: normalDeg(-w.deg) }));

const keyOf = (weights: readonly MassVector[]): string =>
  sumParts(weights)
    .map((v) => v.toFixed(2))
    .join();

interface Story {
  is: Exclude<Doubt['story'], null>;
  reading: number;
  seen: Observation[];
}

/** The slips that are made most: weights, or a single rest, written down as seen from the other side. */
const storiesOf = (seen: readonly Observation[], wrong: readonly number[]): Story[] => {
  const weighted = seen.filter((o) => o.weights.length > 0);
  const groups = [...new Set(weighted.map((o) => keyOf(o.weights)))];
  const withMirrored = (of: (o: Observation) => boolean): Observation[] =>
    seen.map((o) => (of(o) ? { ...o, weights: mirroredWeights(o.weights) } : o));
  const weights = groups.map((key): Story => ({
    is: 'weights mirrored',
    reading: seen.findIndex((o) => keyOf(o.weights) === key),
    seen: withMirrored((o) => keyOf(o.weights) === key),
  }));
  const all: Story[] =
    groups.length > 1
      ? [
          {
            is: 'weights mirrored',
            reading: seen.findIndex((o) => o.weights.length > 0),
            seen: withMirrored((o) => o.weights.length > 0),
          },
        ]
      : [];
  const rests = seen.flatMap((o, reading): Story[] =>
    o.kind === 'settle' && (wrong[reading] ?? 0) > SUSPECT
      ? [
          {
            is: 'rest mirrored',
            reading,
            seen: seen.map((other) => (other === o ? { ...o, restDeg: normalDeg(-o.restDeg) } : other)),
          },
        ]
      : [],
  );
  return [...weights, ...all, ...rests];
};

const worstOf = (wrong: readonly number[]): number =>
  wrong.reduce((best, w, i) => (w > (wrong[best] ?? 0) ? i : best), 0);

const SAYS: Record<Exclude<Doubt['story'], null>, (reading: number) => string> = {
  'weights mirrored': () =>
    'It looks as if the weights were entered from the other side. Look where they lie, and enter them again.',
  'rest mirrored': (n) => `Reading ${n} looks as if it was taken from the other side: take it again.`,
};

/** Stories are gone through only where there is time for it: each is a belief of its own. */
const MOST_STORIES = 8;
const ROUGH_BANDS = 4;

/**
 * Whether what was seen contradicts itself, and what explains it best; null while all of it goes together. Source:
 * Bayes' rule, the same readings under each story.
 */
export const doubtOf = (belief: Belief, seen: readonly Observation[], known: Known): Doubt | null => {
  if (seen.length < 2 || belief.allRight >= LIKELY) return null;
  // Roughly is enough to tell a story that explains it from one that does not.
  const rough = { ...known, bandSteps: ROUGH_BANDS };
  const asSeen = believe(seen, rough).evidence;
  const best = storiesOf(seen, belief.wrong)
    .slice(0, MOST_STORIES)
    .map((story) => ({ ...story, times: believe(story.seen, rough).evidence / asSeen }))
    .reduce<(Story & { times: number }) | null>((top, s) => (s.times > (top?.times ?? TELLS) ? s : top), null);
  if (best) return { reading: best.reading, story: best.is, says: SAYS[best.is](best.reading + 1) };
  const reading = worstOf(belief.wrong);
  return { reading, story: null, says: `Reading ${reading + 1} does not go with the others: take it again.` };
};

/** Whether the others have settled it: the readings in doubt are so surely wrong that the rest goes together. */
export const isOutvoted = (belief: Belief, seen: readonly Observation[], known: Known): boolean => {
  const right = seen.filter((_, i) => belief.wrong[i]! < OUTVOTED);
  if (right.length === seen.length) return false;
  return believe(right, known).allRight >= LIKELY;
};

/** A story that is so much less probable than what was written down is ruled out. Basis: memory. */
const RULED_OUT = 0.03;
/**
 * Whether what was seen speaks against the slip that deceives most: weights entered from the other side. A belief from
 * which it is ruled out needs no more proof. Pieces that are all lighter or heavier than they say do no such harm: then
 * the heavy spot is so too, and what is left is as small.
 */
export const slipsRuledOut = (seen: readonly Observation[], known: Known): boolean => {
  const rough = { ...known, bandSteps: ROUGH_BANDS };
  const asSeen = believe(seen, rough).evidence;
  return storiesOf(seen, [])
    .filter((story) => story.is === 'weights mirrored')
    .every((story) => believe(story.seen, rough).evidence < RULED_OUT * asSeen);
};
