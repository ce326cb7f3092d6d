import { randomUUID } from 'node:crypto';
import {
  definitionOf,
  effectiveEntries,
  stepsOf,
  type EntryBody,
  type FoldedLog,
} from '../../core/job';
import { MACHINE_STEPS } from '../../core/job/procedure';
import type { Db } from './open-db';

/** The entries for the log of another wheel. */
interface SisterEntries {
  jobId: string;
  bodies: EntryBody[];
}

/** The steps that an entry ticks. */
const ticksOf = (body: EntryBody): readonly string[] =>
  body.kind === 'step'
    ? [(body as EntryBody<'step'>).data.stepId]
    : body.kind === 'steps'
      ? (body as EntryBody<'steps'>).data.stepIds
      : [];

/**
 * Whether an entry may belong to other logs as well: most are of their own wheel alone, and cost
 * nothing here.
 */
const isOfMachine = (body: EntryBody): boolean =>
  body.kind === 'undo' ||
  definitionOf(body.kind).scope === 'machine' ||
  ticksOf(body).some((stepId) => MACHINE_STEPS.includes(stepId));

/**
 * A step of the machine that is ticked, its test ride or what it was taught, written or undone at
 * one wheel, stands, or is undone, at the visit's other wheels that are still on the bench.
 */
export const machineSteps = (db: Db, logOf: (jobId: string) => FoldedLog) => {
  const sisters = db.prepare<[string, string], { id: string }>(
    `SELECT other.id FROM jobs AS mine JOIN jobs AS other ON other.visit_id = mine.visit_id
     WHERE mine.id = ? AND other.id <> ? AND other.handed_over = 0 ORDER BY other.number`,
  );
  const common = ({ who, station }: EntryBody) => ({ id: randomUUID(), who, station });

  const forSister = ({ entries, state }: FoldedLog, written: readonly EntryBody[]): EntryBody[] => {
    const standing = effectiveEntries(entries);
    return written.flatMap((body): EntryBody[] => {
      const own = new Set(stepsOf(state).map((s) => s.id));
      const stepIds = ticksOf(body).filter(
        (id) => MACHINE_STEPS.includes(id) && own.has(id) && !state.steps[id],
      );
      if (stepIds.length > 1)
        return [{ ...common(body), kind: 'steps', data: { stepIds, of: body.id } }];
      if (stepIds.length === 1)
        return [{ ...common(body), kind: 'step', data: { stepId: stepIds[0]!, of: body.id } }];
      if (definitionOf(body.kind).scope === 'machine')
        return [
          { ...common(body), kind: body.kind, data: { ...body.data, of: body.id } } as EntryBody,
        ];
      if (body.kind !== 'undo') return [];
      const { entryId } = (body as EntryBody<'undo'>).data;
      const copy = standing.find((e) => 'of' in e.data && e.data.of === entryId);
      return copy ? [{ ...common(body), kind: 'undo', data: { entryId: copy.id } }] : [];
    });
  };
  /** The entries for the logs of the other wheels after an append to one. */
  return (jobId: string, written: readonly EntryBody[]): SisterEntries[] =>
    written.some(isOfMachine)
      ? sisters
          .all(jobId, jobId)
          .map(({ id }) => ({ jobId: id, bodies: forSister(logOf(id), written) }))
          .filter((s) => s.bodies.length > 0)
      : [];
};
