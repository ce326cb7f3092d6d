import { angleBetween, normalDeg } from '../../base/units';
import { believe, type Belief, type Known } from './belief';
import { arcOf } from './last-readings';
import { isLopsided, levelTestsOf } from './level-check';
import { sumParts, sumVectors, type MassVector } from './mass-vector';
import type { Observation, Settle } from './observation';

/** Slips that are looked for by name: each explains many readings at once. */
export const STORIES = [
  'weights mirrored',
  'weights opposite',
  'rest mirrored',
  'heavier than entered',
  'lighter than entered',
  'level swapped',
  'same answer',
  'stand not level',
  'something changed',
] as const;
export type Story = (typeof STORIES)[number];

/** A contradiction in the readings. */
export interface Doubt {
  /** The reading that goes least with the others, counted from 0. */
  reading: number;
  /** The story that explains it; null if nothing does better than a slip of that one reading. */
  story: Story | null;
  says: string;
}

/** Less probable than this that all readings are right, and there is a doubt. */
const LIKELY = 0.5;
/** Less likely to be wrong than this a reading is not looked at as a slip of its own. */
const SUSPECT = 0.1;
/** A reading that is as surely wrong is outvoted: the others are believed. */
const OUTVOTED = 0.9;
/**
 * A slip that is looked for by name has to explain so much more than single slips do. Basis:
 * memory.
 */
const TELLS = 25;
/** The frequency of each slip, beside the commonest. Basis: memory. */
const ODDS: Record<Story, number> = {
  'weights mirrored': 1,
  'rest mirrored': 1,
  'heavier than entered': 1,
  'lighter than entered': 1,
  'something changed': 0.5,
  'level swapped': 0.5,
  'same answer': 0.5,
  'stand not level': 0.5,
  'weights opposite': 0.2,
};
/** A slip whose own sign shows is asked about sooner. Basis: memory. */
const TELLS_BY_SIGN = 6;
const GRAMS_PER_OUNCE = 28.35;
/** Moments of a stand that is not level, grams at the weight radius, either way. Basis: memory. */
const TILTS_G = [-14, -9, -5, 5, 9, 14];
/** Resting places that a change of weights did not move. */
const UNMOVED_DEG = 8;
/** Resting places that the weights carried along with them. */
const CARRIED_DEG = 30;
/** A change of weights of so much should have moved them. */
const CHANGED_G = 10;
/** So many level tests with one and the same answer are worth a question. */
const MANY_TESTS = 6;

const OPPOSITE = { rises: 'sinks', sinks: 'rises', stays: 'stays' } as const;

const keyOf = (weights: readonly MassVector[]): string =>
  sumParts(weights)
    .map((v) => v.toFixed(2))
    .join();

type Change = (weights: readonly MassVector[]) => MassVector[];
const mirrored: Change = (weights) => weights.map((w) => ({ ...w, deg: normalDeg(-w.deg) }));
const opposite: Change = (weights) => weights.map((w) => ({ ...w, deg: normalDeg(w.deg + 180) }));
const times =
  (by: number): Change =>
  (weights) =>
    weights.map((w) => ({ ...w, massG: w.massG * by }));

/** The same readings as they would be if a slip had not been made. */
interface Retold {
  is: Story;
  reading: number;
  /** Parts that are judged on their own: a wheel that changed in between is two wheels. */
  parts: readonly (readonly Observation[])[];
  tiltG?: number;
}

const weighted = (o: Observation) => o.weights.length > 0;

/** All weights, or those of one set, written down otherwise than they were. */
const weightStories = (seen: readonly Observation[]): Retold[] => {
  const groups = [...new Set(seen.filter(weighted).map((o) => keyOf(o.weights)))];
  const retold = (is: Story, change: Change, of: (o: Observation) => boolean): Retold => ({
    is,
    reading: seen.findIndex((o) => weighted(o) && of(o)),
    parts: [seen.map((o) => (weighted(o) && of(o) ? { ...o, weights: change(o.weights) } : o))],
  });
  if (groups.length === 0) return [];
  const last = groups.at(-1)!;
  return [
    retold('weights mirrored', mirrored, () => true),
    ...(groups.length > 1
      ? [
          ...groups.map((key) =>
            retold('weights mirrored', mirrored, (o) => keyOf(o.weights) === key),
          ),
          ...(groups.length > 2
            ? [retold('weights mirrored', mirrored, (o) => keyOf(o.weights) !== groups[0])]
            : []),
          retold('weights opposite', opposite, (o) => keyOf(o.weights) === last),
        ]
      : []),
    retold('weights opposite', opposite, () => true),
  ];
};

/** Ounces entered as grams, or grams as ounces. */
const unitStories = (seen: readonly Observation[]): Retold[] => {
  const reading = seen.findIndex(weighted);
  const all = (by: number) => seen.map((o) => ({ ...o, weights: times(by)(o.weights) }));
  return [
    { is: 'heavier than entered', reading, parts: [all(GRAMS_PER_OUNCE)] },
    { is: 'lighter than entered', reading, parts: [all(1 / GRAMS_PER_OUNCE)] },
  ];
};

/** Resting places that were read from the other side, one at a time. */
const restStories = (seen: readonly Observation[], wrong: readonly number[]): Retold[] =>
  seen.flatMap((o, reading): Retold[] =>
    o.kind === 'settle' && (wrong[reading] ?? 0) > SUSPECT
      ? [
          {
            is: 'rest mirrored',
            reading,
            parts: [
              seen.map((other) => (other === o ? { ...o, restDeg: normalDeg(-o.restDeg) } : other)),
            ],
          },
        ]
      : [],
  );

/** Level tests that were answered the other way round, or always alike. */
const levelStories = (seen: readonly Observation[]): Retold[] => {
  const tests = levelTestsOf(seen);
  if (tests.length < 3) return [];
  const reading = seen.findIndex((o) => o.kind === 'level');
  const swapped = seen.map((o): Observation =>
    o.kind === 'level' ? { ...o, moved: OPPOSITE[o.moved] } : o,
  );
  const withoutTests = seen.filter((o) => o.kind !== 'level');
  const isSame = tests.length >= MANY_TESTS && tests.every((t) => t.moved === tests[0]!.moved);
  return [
    ...(tests.some((t) => t.moved !== 'stays')
      ? [{ is: 'level swapped' as const, reading, parts: [swapped] }]
      : []),
    ...(isSame ? [{ is: 'same answer' as const, reading, parts: [withoutTests] }] : []),
  ];
};

/** The stand turns the wheel; or wheel or stand changed when weights went on. */
const standStories = (seen: readonly Observation[]): Retold[] => {
  const key = keyOf(seen.at(-1)!.weights);
  const from = seen.findLastIndex((o) => keyOf(o.weights) !== key) + 1;
  const [before, after] = [seen.slice(0, from), seen.slice(from)];
  return [
    ...TILTS_G.map((tiltG): Retold => ({
      is: 'stand not level',
      reading: 0,
      parts: [seen],
      tiltG,
    })),
    ...(before.length > 0 && after.filter((o) => o.kind === 'settle').length > 1
      ? [{ is: 'something changed' as const, reading: from, parts: [before, after] }]
      : []),
  ];
};

const worstOf = (wrong: readonly number[]): number =>
  wrong.reduce((best, w, i) => (w > (wrong[best] ?? 0) ? i : best), 0);

const SAYS: Record<Story, (reading: number) => string> = {
  'weights mirrored': () =>
    'The weights look as if they were entered from the other side. Check where they are and enter them again.',
  'weights opposite': () =>
    'The weights look as if they were entered opposite to where they are. Check where they are and enter them again.',
  'rest mirrored': (n) =>
    `Reading ${n} looks as if it was read from the other side. Take it again.`,
  'heavier than entered': () =>
    'The weights do far more than they should. Grams or ounces? Check the unit and enter them again.',
  'lighter than entered': () =>
    'The weights do almost nothing. Grams or ounces? Check the unit and enter them again.',
  'level swapped': () =>
    'Rises and sinks look swapped in the level tests. Repeat the last one and watch the place itself.',
  'same answer': () =>
    'Every level test has the same answer, and the resting places disagree. Repeat one at the opposite place.',
  'stand not level': () =>
    'The stand turns the wheel by itself. Level the stand, remove the weights and start over.',
  'something changed': () =>
    'These readings disagree with those before. Did the tire creep, a weight come off or the stand move? Check, then start over.',
};

const doubtAs = (story: Story, reading: number): Doubt => ({
  reading,
  story,
  says: SAYS[story](reading + 1),
});

/** Roughly is enough to tell a story that explains it from one that does not. */
const evidenceOf = (parts: readonly (readonly Observation[])[], known: Known): number =>
  parts.reduce((product, part) => product * believe(part, { ...known, isRough: true }).evidence, 1);

/** The story that explains the readings best, if it does so much better than single slips. */
const bestStory = (
  seen: readonly Observation[],
  stories: readonly Retold[],
  known: Known,
  tells = TELLS,
): Retold | null => {
  if (stories.length === 0) return null;
  const asSeen = evidenceOf([seen], known);
  let best: { story: Retold; times: number } | null = null;
  for (const story of stories) {
    const { tiltG } = story;
    const ratio =
      (ODDS[story.is] *
        evidenceOf(story.parts, tiltG === undefined ? known : { ...known, tiltG })) /
      asSeen;
    if (ratio > (best?.times ?? tells)) best = { story, times: ratio };
  }
  return best?.story ?? null;
};

/** The middle of each set's resting places, in the order the sets went on. */
const restsBySet = (
  seen: readonly Observation[],
): { restDeg: number; arcDeg: number; weights: readonly MassVector[] }[] => {
  const sets = new Map<string, Settle[]>();
  for (const o of seen) {
    if (o.kind !== 'settle' || o.turned) continue;
    const key = keyOf(o.weights);
    sets.set(key, [...(sets.get(key) ?? []), o]);
  }
  return [...sets.values()].map((rests) => {
    const degs = rests.map((r) => r.restDeg);
    return {
      restDeg: sumVectors(degs.map((deg) => ({ massG: 1, deg }))).deg,
      arcDeg: arcOf(degs),
      weights: rests[0]!.weights,
    };
  });
};

/**
 * Whether two changes of weights in a row moved the resting place far less than they should, or
 * each time carried it all the way to the weights: worth asking for the unit.
 */
const asksForUnit = (seen: readonly Observation[]): boolean => {
  const sets = restsBySet(seen);
  if (sets.length < 3) return false;
  const recent = sets.slice(-3);
  const moved = (i: number) => Math.abs(angleBetween(recent[i - 1]!.restDeg, recent[i]!.restDeg));
  const changed = (i: number) => {
    const [a, b] = [sumParts(recent[i - 1]!.weights), sumParts(recent[i]!.weights)];
    return Math.hypot(a[0] - b[0], a[1] - b[1]);
  };
  const nothing = [1, 2].every((i) => changed(i) >= CHANGED_G && moved(i) <= UNMOVED_DEG);
  const everything = recent
    .slice(1)
    .every(
      (set) => Math.abs(angleBetween(set.restDeg, sumVectors(set.weights).deg)) <= CARRIED_DEG,
    );
  return nothing || everything;
};

/** Readings with the wheel turned around that tell of a stand that is not level. */
const isTurned = (o: Observation) => o.kind === 'settle' && o.turned === true;

/**
 * Whether what was seen contradicts itself, and what explains it best; null while all of it goes
 * together. Source: Bayes factors, the same readings under each story.
 */
export const doubtOf = (
  belief: Belief,
  seen: readonly Observation[],
  known: Known,
): Doubt | null => {
  if (seen.length < 2) return null;
  const isDoubtful = belief.allRight < LIKELY;
  if (!isDoubtful) {
    // Slips that a belief can be bent to fit are asked for when their own sign shows.
    const signs = [
      ...(asksForUnit(seen) ? unitStories(seen) : []),
      ...(seen.some(isTurned) ? standStories(seen).filter((s) => s.is === 'stand not level') : []),
    ];
    const sign = bestStory(seen, signs, known, TELLS_BY_SIGN);
    return sign && doubtAs(sign.is, sign.reading);
  }
  const best = bestStory(
    seen,
    [
      ...weightStories(seen),
      ...(seen.some(weighted) ? unitStories(seen) : []),
      ...restStories(seen, belief.wrong),
      ...levelStories(seen),
      ...standStories(seen),
    ],
    known,
  );
  if (best) return doubtAs(best.is, best.reading);
  const reading = worstOf(belief.wrong);
  return {
    reading,
    story: null,
    says: `Reading ${reading + 1} doesn’t agree with the others. Take it again.`,
  };
};

/**
 * Whether turning the wheel around on its stand would tell a tilt from a slip, and has not been
 * done.
 */
export const asksToTurn = (
  doubt: Pick<Doubt, 'story'> | null,
  now: readonly Observation[],
): boolean =>
  (doubt?.story === 'stand not level' || isLopsided(now)) && now.filter(isTurned).length < 2;

/** Stories of which no level test can be trusted. */
export const deceivesTests = (doubt: Pick<Doubt, 'story'> | null): boolean =>
  doubt?.story === 'level swapped' ||
  doubt?.story === 'same answer' ||
  doubt?.story === 'stand not level';

/**
 * Whether the others have settled it: the readings in doubt are so surely wrong that the rest goes
 * together.
 */
export const isOutvoted = (belief: Belief, seen: readonly Observation[], known: Known): boolean => {
  const right = seen.filter((_, i) => belief.wrong[i]! < OUTVOTED);
  if (right.length === seen.length) return false;
  return believe(right, known).allRight >= LIKELY;
};
