import type { Request, Response } from 'express';
import { meOf } from '../auth/me';
import { ServerBusy } from '../errors';

/** Streams that one address may have open: some tablets' worth of tabs. */
export const MAX_STREAMS_OF_ADDRESS = 64;
/** Streams that one person may have open, from whatever addresses. */
export const MAX_STREAMS_OF_PERSON = 24;
/** Streams of the whole shop. */
const MAX_STREAMS = 600;
/**
 * The buffer of a listener that does not read; beyond it the stream is ended, and the browser asks
 * for it again.
 */
const MAX_WAITING_BYTES = 256 * 1024;
/** A line that says nothing, so that a dead listener is noticed. */
const STILL_HERE_MS = 15_000;

/** Open streams by the address, the person and the shop they count for. */
const open = new Map<string, number>();

/**
 * Counts a stream for each of its keys; null when one of them has too many already, else how to
 * take it off.
 */
const counted = (keys: readonly (readonly [key: string, max: number])[]): (() => void) | null => {
  if (keys.some(([key, max]) => (open.get(key) ?? 0) >= max)) return null;
  for (const [key] of keys) open.set(key, (open.get(key) ?? 0) + 1);
  return () => {
    for (const [key] of keys) {
      const left = (open.get(key) ?? 1) - 1;
      if (left > 0) open.set(key, left);
      else open.delete(key);
    }
  };
};

/**
 * Answers with server-sent events until the listener leaves, is too slow, or `end` is called.
 * `listen` is given how to say something and how to end, and returns how to stop. Throws
 * `ServerBusy` when its address or person has too many already.
 */
export const eventStream = (
  req: Request,
  res: Response,
  listen: (say: (data: unknown) => void, end: () => void) => () => void,
): void => {
  const me = meOf(req);
  const takeOff = counted([
    ['all', MAX_STREAMS],
    [`address ${req.ip ?? ''}`, MAX_STREAMS_OF_ADDRESS],
    ...(me ? [[`person ${me.who}`, MAX_STREAMS_OF_PERSON] as const] : []),
  ]);
  if (takeOff === null) throw new ServerBusy();
  let leave: () => void = () => undefined;
  let isClosed = false;
  const end = () => void (res.writableEnded || res.end());
  const put = (text: string) => {
    if (res.writableEnded || res.destroyed) return;
    res.write(text);
    // A deaf listener holds no one's memory.
    if (res.writableLength > MAX_WAITING_BYTES) res.destroy();
  };
  res.set({
    'Content-Type': 'text/event-stream',
    'Cache-Control': 'no-store',
    Connection: 'keep-alive',
  });
  const beat = setInterval(() => put(':\n\n'), STILL_HERE_MS).unref();
  res.once('close', () => {
    clearInterval(beat);
    isClosed = true;
    leave();
    takeOff();
  });
  try {
    leave = listen((data) => put(`data: ${JSON.stringify(data)}\n\n`), end);
    if (isClosed) leave();
  } catch (error) {
    // It never began: the refusal goes out as any other.
    clearInterval(beat);
    res.removeHeader('Content-Type');
    throw error;
  }
  res.flushHeaders();
};
