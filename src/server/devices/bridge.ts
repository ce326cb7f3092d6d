import { refusalText } from '../../core/base/errors';
import { createInterface } from 'node:readline';
import type { Readable } from 'node:stream';

/** Lines are gathered so long before they are sent; a screen shows no faster. */
const GATHER_MS = 100;
/**
 * Lines kept while the server does not answer; older ones are let go, since a reading is worth
 * something only now.
 */
const KEPT_LINES = 400;

interface Answer {
  taken: number;
  refused: { line: number; field: string; message: string; expected: string }[];
}

/** The target of the lines, and what is said of it. */
export interface BridgeOptions {
  /**
   * Posts lines, one to a line of text; throws when the server cannot be reached or refuses them
   * all.
   */
  post(body: string): Promise<Answer>;
  say(text: string): void;
}

/**
 * Carries lines of text from a stream to the server until the stream ends, and says which of them
 * were refused. Resolves with how many were taken, refused, and let go because the server did not
 * answer.
 */
export const bridge = async (
  input: Readable,
  { post, say }: BridgeOptions,
): Promise<{ taken: number; refused: number; lost: number }> => {
  const sum = { taken: 0, refused: 0, lost: 0 };
  let waiting: string[] = [];
  let away = false;
  let sending: Promise<void> | null = null;

  const send = async (): Promise<void> => {
    const lines = waiting;
    if (lines.length === 0) return;
    waiting = [];
    try {
      const answer = await post(lines.join('\n'));
      sum.taken += answer.taken;
      sum.refused += answer.refused.length;
      for (const refused of answer.refused)
        say(`Refused: ${lines[refused.line - 1]!.slice(0, 120)}\n  ${refusalText(refused)}`);
      if (away) say('The server is back.');
      away = false;
    } catch (error) {
      if (!away) say(`The server refused the readings: ${(error as Error).message}`);
      away = true;
      waiting = [...lines, ...waiting];
      sum.lost += Math.max(0, waiting.length - KEPT_LINES);
      waiting = waiting.slice(-KEPT_LINES);
    }
  };
  // One at a time: lines of an instrument must arrive in their order.
  const timer = setInterval(() => {
    sending ??= send().finally(() => (sending = null));
  }, GATHER_MS);
  try {
    for await (const line of createInterface({ input, crlfDelay: Infinity }))
      if (line.trim()) waiting.push(line);
  } finally {
    clearInterval(timer);
  }
  await sending;
  await send();
  sum.lost += waiting.length;
  return sum;
};
