/** A promise by the work that is left for it. */
export interface Promised {
  work: number;
  dueMin: number;
}

/**
 * A lower bound on each promise's lateness if it is the only one that is not kept. `promised` in
 * the order of their dues; `doneAt` says when so much work is done.
 *
 * All others are in time, so whatever is due by a time, and this one where it is done by then, fits
 * before it: the work of the earliest dues first decides (Jackson 1955).
 */
export const singleLateBound = (
  promised: readonly Promised[],
  doneAt: (work: number) => number,
): number[] =>
  promised.map(({ work, dueMin }, v) => {
    let before = 0;
    for (let i = 0; i < promised.length; i++) if (i !== v) before += promised[i]!.work;
    // From the last due on down: it may be done before one that leaves room for it.
    for (let i = promised.length - 1; i >= 0; i--) {
      if (i === v) continue;
      if (doneAt(before + work) > promised[i]!.dueMin) break;
      before -= promised[i]!.work;
    }
    return Math.max(0, Math.ceil(doneAt(before + work)) - dueMin);
  });
