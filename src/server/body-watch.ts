import type { IncomingMessage, ServerResponse } from 'node:http';

/**
 * A body that comes more slowly than this, after the first moments, is given up. Basis: memory; a
 * poor phone line is faster.
 */
const MIN_BYTES_PER_S = 256;
const LOOK_MS = 10_000;
/** Bodies from one address that may be on their way at a time. */
const MAX_OPEN_BODIES = 32;

/** Whether a request announces a body. */
export const hasBody = ({ headers }: IncomingMessage): boolean =>
  headers['transfer-encoding'] !== undefined || Number(headers['content-length'] ?? 0) > 0;

/**
 * Bounds bodies that are on their way: how many from one address, and how slowly each. Returns
 * false when one more is refused; one that is too slow loses its connection.
 */
export const bodyWatch = (lookMs = LOOK_MS) => {
  const open = new Map<string, number>();
  return (req: IncomingMessage, res: ServerResponse): boolean => {
    if (!hasBody(req)) return true;
    const from = req.socket.remoteAddress ?? '';
    const its = open.get(from) ?? 0;
    if (its >= MAX_OPEN_BODIES) return false;
    open.set(from, its + 1);
    let seenBytes = req.socket.bytesRead;
    const look = setInterval(() => {
      const bytes = req.socket.bytesRead - seenBytes;
      seenBytes = req.socket.bytesRead;
      // What the server itself does not read yet is not the sender's delay.
      if (!req.isPaused() && bytes < (MIN_BYTES_PER_S * lookMs) / 1000) req.destroy();
    }, lookMs).unref();
    let isOver = false;
    const over = () => {
      if (isOver) return;
      isOver = true;
      clearInterval(look);
      const left = (open.get(from) ?? 1) - 1;
      if (left > 0) open.set(from, left);
      else open.delete(from);
    };
    req.once('end', over);
    req.once('close', over);
    res.once('close', over);
    return true;
  };
};
