import type { Request, Response } from 'express';
import { ServerBusy } from '../errors';

/** Streams that one address may have open: some tablets' worth of tabs behind one door. */
export const MOST_STREAMS = 64;
/** What waits for a listener that does not read; beyond it the stream is ended, and the browser asks for it anew. */
const MOST_WAITING_BYTES = 256 * 1024;
/** A line that says nothing, so that a dead listener is noticed. */
const STILL_HERE_MS = 15_000;

const open = new Map<string, number>();

/**
 * Answers with server-sent events until the listener leaves, is too slow, or `end` is called. `listen` is given how to
 * say something and how to end, and returns how to stop. Throws `ServerBusy` where an address has too many already.
 */
export const eventStream = (
  req: Request,
  res: Response,
  listen: (say: (data: unknown) => void, end: () => void) => () => void,
): void => {
  const from = req.socket.remoteAddress ?? '';
  const its = open.get(from) ?? 0;
  if (its >= MOST_STREAMS) throw new ServerBusy();
  open.set(from, its + 1);
  let leave: () => void = () => undefined;
  let isClosed = false;
  const end = () => void (res.writableEnded || res.end());
  const put = (text: string) => {
    if (res.writableEnded || res.destroyed) return;
    res.write(text);
    // A deaf listener holds nobody's memory.
    if (res.writableLength > MOST_WAITING_BYTES) res.destroy();
  };
  res.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', Connection: 'keep-alive' });
  const beat = setInterval(() => put(':\n\n'), STILL_HERE_MS).unref();
  res.once('close', () => {
    clearInterval(beat);
    isClosed = true;
    leave();
    const left = (open.get(from) ?? 1) - 1;
    if (left > 0) open.set(from, left);
    else open.delete(from);
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
