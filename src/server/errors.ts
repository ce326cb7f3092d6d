import type { ErrorRequestHandler, RequestHandler } from 'express';
import type {} from 'pino-http';
import { InputError, type InputProblem } from '../core/base/errors';
import type { Entry } from '../core/job';
import type { VisitEntry } from '../core/shop/visit';
import { diskProblem } from './disk-problem';

/** The thing asked for is not there. */
export class NotFound extends Error {}

/** Too much is waiting to be worked out already. */
export class ServerBusy extends Error {
  constructor() {
    super('The server is busy.');
  }
}

/** The database file was deleted or replaced while the program ran: nothing more is written. */
export class DatabaseGone extends Error {
  constructor() {
    super(
      'The shop’s database file was deleted or replaced while the program ran. Nothing can be saved now.',
    );
  }
}

/** The client has gone, so no one waits for the answer. */
export class AskerGone extends Error {}

/** No one is signed in, or the screen is locked. */
export class NotSignedIn extends InputError {}

/** The person signed in may not do this. */
export class NotAllowed extends InputError {}

/** Wrong guesses too often: the one who asks waits. */
export class MustWait extends InputError {}

/** The id is there already, of something else. */
export class IdTaken extends Error {
  constructor(
    readonly field: string,
    what: string,
  ) {
    super(`${what} with that ID already exists with other content.`);
  }
}

/** The log has moved on: what the client has not seen comes with the refusal. */
export class LogMovedOn extends Error {
  constructor(
    readonly entries: readonly (Entry | VisitEntry)[],
    readonly seq: number,
    what = 'job',
  ) {
    super(`Someone else changed this ${what} since you opened it.`);
  }
}

/**
 * A record was changed by someone else since it was read; it comes with the refusal as it stands.
 */
export class ChangedMeanwhile extends Error {
  constructor(readonly record: { version: number }) {
    super('Someone else changed this since you opened it.');
  }
}

/** One shape for every refusal. */
const KB = 1024;
/** A limit in the unit it was set in: whole MB where it is so many. */
const limitText = (bytes: number): string =>
  bytes % (KB * KB) === 0 ? `${bytes / (KB * KB)} MB` : `${Math.round(bytes / KB)} kB`;

const problem = (field: string, message: string, expected: string): { error: InputProblem } => ({
  error: { field, message, expected },
});

export const unknownRoute: RequestHandler = (req, _res, next) =>
  next(new NotFound(`No such address: ${req.baseUrl}${req.path}.`));

const statusOf = (error: InputError): number => {
  if (error instanceof NotSignedIn) return 401;
  if (error instanceof NotAllowed) return 403;
  return error instanceof MustWait ? 429 : 422;
};

/** Turns every error into the one shape; defects are logged and say nothing about the inside. */
export const errorHandler: ErrorRequestHandler = (error, req, res, _next) => {
  if (error instanceof InputError) {
    res.status(statusOf(error)).json({ error: error.toProblem() });
  } else if (error instanceof LogMovedOn) {
    res
      .status(409)
      .json({
        ...problem(
          'expectedSeq',
          error.message,
          `Send the number of the newest entry, ${error.seq}`,
        ),
        entries: error.entries,
        seq: error.seq,
      });
  } else if (error instanceof ChangedMeanwhile) {
    res
      .status(409)
      .json({
        ...problem('version', error.message, `Send the current version, ${error.record.version}`),
        record: error.record,
      });
  } else if (error instanceof DatabaseGone) {
    res
      .status(503)
      .json(problem('database', error.message, 'Put the file back and start the program again'));
  } else if (error instanceof IdTaken) {
    res
      .status(409)
      .json(
        problem(
          error.field,
          error.message,
          'Use a new ID, or send the same content as the first time',
        ),
      );
  } else if (error instanceof AskerGone) {
    res.end();
  } else if (error instanceof ServerBusy) {
    res
      .status(503)
      .set('Retry-After', '2')
      .json(problem('server', error.message, 'Try again in a moment'));
  } else if (error instanceof NotFound) {
    res.status(404).json(problem('path', error.message, 'Choose one that exists'));
  } else if (typeof error?.status === 'number' && error.status < 500) {
    res
      .status(error.status)
      .json(
        problem(
          'body',
          error.status === 413 ? 'The request is too large.' : 'The request cannot be read.',
          `Send at most ${limitText(error.limit ?? 256 * KB)}, of the kind this address takes`,
        ),
      );
  } else if (diskProblem(error)) {
    const { status, field, message, expected } = diskProblem(error)!;
    req.log?.error({ err: error }, 'the disk failed');
    res.status(status).json(problem(field, message, expected));
  } else {
    req.log?.error({ err: error }, 'request failed');
    res
      .status(500)
      .json(
        problem(
          'server',
          'Something went wrong on the server. Nothing was saved.',
          'Try again. If it keeps failing, see the server log',
        ),
      );
  }
};
