/** A block of a wheel: not before `from`, and part of the `of` minutes that the wheel has left. */
export interface Piece {
  from: number;
  minutes: number;
  of: number;
}

/** What is left of a piece below this is an error of rounding. */
const NOTHING = 1e-9;

/** Who can work at `now`, and until when it stays like that. */
const handsAt = (free: readonly number[], now: number): { hands: number; until: number } => {
  let hands = 0;
  let until = Infinity;
  for (const at of free) {
    if (at <= now) hands++;
    else until = Math.min(until, at);
  }
  return { hands, until };
};

/**
 * The least sum of ends of all wheels where only hands are scarce, all of them may work on one thing at once, and what
 * is not there yet is waited for. `free` says from when each person works; whole minutes.
 *
 * A wheel ends no sooner than half its work after the mean time at which it is worked on, and the sum of those means is
 * least where at any time the wheel with the least work goes first. Source: Goemans 1997, mean busy times.
 */
export const doneByMiddles = (free: readonly number[], pieces: readonly Piece[]): number => {
  const left = pieces.map((p) => p.minutes);
  let now = Math.min(...free);
  let done = pieces.reduce((sum, p) => sum + p.minutes / 2, 0);
  for (;;) {
    let chosen = -1;
    let next = Infinity;
    for (let i = 0; i < pieces.length; i++) {
      if (left[i] === 0) continue;
      const { from, of } = pieces[i]!;
      if (from > now) next = Math.min(next, from);
      else if (chosen < 0 || of < pieces[chosen]!.of) chosen = i;
    }
    if (chosen < 0) {
      if (next === Infinity) return Math.ceil(done - NOTHING * pieces.length);
      now = next;
      continue;
    }
    const { hands, until } = handsAt(free, now);
    const run = Math.min(left[chosen]! / hands, Math.min(until, next) - now);
    const worked = run * hands;
    done += ((now + run / 2) * worked) / pieces[chosen]!.of;
    left[chosen] = left[chosen]! - worked < NOTHING ? 0 : left[chosen]! - worked;
    now += run;
  }
};
