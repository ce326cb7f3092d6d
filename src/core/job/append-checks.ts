import { InputError } from '../base/errors';
import { readyOf } from './back-of';
import { definitionOf, type Entry, type EntryBody } from './entries';
import { effectiveEntries } from './fold-job';
import type { JobState } from './job-state';

/** Standing entries and all undos: what an undo or a correction may name. */
const targetsOf = (log: readonly Entry[]): Entry[] => [
  ...effectiveEntries(log),
  ...log.filter((e) => e.kind === 'undo'),
];

/**
 * Throws `InputError` for an undo or a correction whose target is not in this log, does not stand,
 * or opens the job, and for a photo that the shop does not have.
 */
export const checkTargets = (
  log: readonly Entry[],
  bodies: readonly EntryBody[],
  hasPhoto: (photoId: string) => boolean,
): void => {
  // Most entries name no other: what stands is asked for only by those that do.
  const named = bodies.some((b) => b.kind === 'undo' || b.replaces !== undefined)
    ? targetsOf(log)
    : [];
  const known = new Map(named.map((e) => [e.id, e.kind]));
  for (const body of bodies) {
    if (body.kind === 'photo' && !hasPhoto((body as EntryBody<'photo'>).data.photoId))
      throw new InputError(
        'data.photoId',
        'Photo not found.',
        'Use the ID that saving the photo returned',
      );
    const target = body.kind === 'undo' ? (body as EntryBody<'undo'>).data.entryId : body.replaces;
    if (target !== undefined) {
      const kind = known.get(target);
      const field = body.kind === 'undo' ? 'data.entryId' : 'replaces';
      if (!kind)
        throw new InputError(
          field,
          'Entry not found in this job.',
          'Use the ID of an entry of this job',
        );
      if (definitionOf(kind).author === 'server')
        throw new InputError(
          field,
          'The opening of a job can’t be undone.',
          'Use the ID of a later entry',
        );
      if (body.kind !== 'undo' && kind !== body.kind)
        throw new InputError(
          field,
          'A correction must be of the same kind as the entry it replaces.',
          `Use an entry of kind ${kind}`,
        );
    }
    known.set(body.id, body.kind);
  }
};

/**
 * Throws `InputError` for a release that may not stand; `fromSeq` is the last entry before the
 * append. A release that begins to stand needs every safety check on record, or a person who
 * releases it anyway and why. One that an undo brings back needs all of them: what was accepted
 * then may not be what is open now.
 */
export const checkRelease = (begun: readonly Entry[], fromSeq: number, state: JobState): void => {
  const release = begun.find(
    (e) => e.kind === 'handed-over' && !(e.seq > fromSeq && e.data.despite),
  );
  const missing = release ? readyOf(state).result.missing : [];
  if (release === undefined || missing.length === 0) return;
  const open = `Safety checks are open: ${missing.map((p) => `${p.says.toLowerCase()} (${p.by})`).join('; ')}.`;
  throw release.seq > fromSeq
    ? new InputError(
        `entries[${release.seq - fromSeq - 1}].data.despite`,
        open,
        'Complete every safety check, or name who releases it anyway and why',
      )
    : new InputError('entries[0].data.entryId', open, 'Release it again instead');
};
