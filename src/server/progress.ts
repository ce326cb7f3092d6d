import type { Request, Response } from 'express';

/** The phases: the rows of a file are looked at, or taken in. */
const PHASES = ['looking', 'taking'] as const;
type Phase = (typeof PHASES)[number];

/** The progress of a task: phase, done, of how many. Shared with the thread that does it. */
export type Told = Int32Array<SharedArrayBuffer>;
const WORDS = 3;

const newTold = (): Told =>
  new Int32Array(new SharedArrayBuffer(WORDS * Int32Array.BYTES_PER_ELEMENT));

export const tell = (told: Told | undefined, phase: Phase, done: number, of: number): void => {
  told?.set([PHASES.indexOf(phase), done, of]);
};

/** The interval of progress lines. */
const TELL_MS = 200;

/**
 * Streams progress as lines of JSON until the answer, if it is asked for (`progress=yes`): the last
 * line then is `{ status, answer }`, the answer as it would have come alone, refusals too.
 */
export const showsProgress = (req: Request, res: Response): Told => {
  const told = newTold();
  if (req.query.progress !== 'yes') return told;
  res.type('application/x-ndjson');
  const line = (it: object): void => {
    res.write(`${JSON.stringify(it)}\n`);
    (res as Response & { flush?: () => void }).flush?.();
  };
  const timer = setInterval(() => {
    const [phase = 0, done, of] = told;
    line({ phase: PHASES[phase], done, of });
  }, TELL_MS);
  res.once('close', () => clearInterval(timer));
  // The head has gone: what an answer would say in it stands in its line.
  res.set = (() => res) as typeof res.set;
  res.json = (answer: unknown) => {
    clearInterval(timer);
    line({ status: res.statusCode, answer });
    return res.end();
  };
  line({ phase: PHASES[0], done: 0, of: 0 });
  return told;
};
