/**
 * The work left for a wheel at a thing of which there is one: a bench that is the only one, or the
 * stand.
 */
export interface Load {
  visit: number;
  /** Not before, since other work of it comes first. */
  from: number;
  minutes: number;
  /** Work of it that follows. */
  after: number;
}

/** A lower bound on the cost of any order at one machine. */
interface MachineBound {
  /** The sum of the ends of all these wheels. */
  doneMin: number;
  /** The lateness of all visits together; 0 if none has to be late. */
  lateMin: number;
  /** Each promise with the work that is left for it here, what follows taken off its due. */
  promised: { visit: number; work: number; dueMin: number }[];
}

/**
 * The least that promises are late together where the first, second and so on of them is done no
 * sooner than `ends` says; both are sorted here. Source: Chu 1992, a bound of total tardiness.
 */
export const lateTogether = (ends: readonly number[], dues: readonly number[]): number => {
  const byEnd = [...ends].sort((a, b) => a - b);
  const byDue = [...dues].sort((a, b) => a - b);
  let late = 0;
  for (let i = 0; i < byEnd.length; i++) late += Math.max(0, byEnd[i]! - byDue[i]!);
  return late;
};

/** The loads of each promised visit as one: its last end is no sooner. */
const ofVisits = (loads: readonly Load[], visits: readonly { dueMin: number | null }[]): Load[] => {
  const byVisit = new Map<number, Load>();
  for (const load of loads) {
    // One that needs the machine no more ends as it does alone: nothing is said of it here.
    if (visits[load.visit]!.dueMin === null || load.minutes === 0) continue;
    const one = byVisit.get(load.visit);
    if (!one) byVisit.set(load.visit, { ...load });
    else {
      one.from = Math.min(one.from, load.from);
      one.minutes += load.minutes;
      one.after = Math.min(one.after, load.after);
    }
  }
  return [...byVisit.values()];
};

/**
 * Runs loads on one machine that may break off at any time, always the one that `isBefore` puts
 * first; their ends.
 */
const ends = (
  loads: readonly Load[],
  free: number,
  isBefore: (a: number, b: number, left: number[]) => boolean,
) => {
  const left = loads.map((l) => l.minutes);
  const end = loads.map((l) => Math.max(free, l.from));
  let now = free;
  for (;;) {
    let chosen = -1;
    let next = Infinity;
    for (let i = 0; i < loads.length; i++) {
      if (left[i] === 0) continue;
      const { from } = loads[i]!;
      if (from > now) next = Math.min(next, from);
      else if (chosen < 0 || isBefore(i, chosen, left)) chosen = i;
    }
    if (chosen < 0) {
      if (next === Infinity) return end;
      now = next;
      continue;
    }
    const run = Math.min(left[chosen]!, next - now);
    now += run;
    left[chosen]! -= run;
    if (left[chosen] === 0) end[chosen] = now;
  }
};

/**
 * The least that loads at one machine cost: the shortest remaining time first ends them soonest
 * together, the earliest promise first keeps the latest least late, where work may break off at any
 * time.
 *
 * Source: Schrage 1968 (shortest remaining time), Jackson 1955 and Horn 1974 (earliest due date).
 */
export const machineBound = (
  loads: readonly Load[],
  free: number,
  visits: readonly { dueMin: number | null }[],
): MachineBound => {
  const soonest = ends(loads, free, (a, b, left) => left[a]! < left[b]!);
  let doneMin = 0;
  for (let i = 0; i < loads.length; i++) doneMin += soonest[i]! + loads[i]!.after;
  const promised = ofVisits(loads, visits);
  if (promised.length === 0) return { doneMin, lateMin: 0, promised: [] };
  const dueOf = ({ visit, after }: Load) => (visits[visit]!.dueMin ?? Infinity) - after;
  const byPromise = ends(loads, free, (a, b) => dueOf(loads[a]!) < dueOf(loads[b]!));
  let latest = 0;
  for (let i = 0; i < loads.length; i++)
    latest = Math.max(latest, byPromise[i]! - dueOf(loads[i]!));
  const firstDone = ends(promised, free, (a, b, left) => left[a]! < left[b]!);
  const works = promised.map((l) => ({ visit: l.visit, work: l.minutes, dueMin: dueOf(l) }));
  return {
    doneMin,
    promised: works,
    lateMin: Math.max(latest, lateTogether(firstDone, promised.map(dueOf))),
  };
};
