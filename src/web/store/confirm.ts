import type { FetchBaseQueryError } from '@reduxjs/toolkit/query/react';
import type { InputProblem } from '../../core/base/errors';

/** Asks the person to prove again who they are; true once they did. */
type Asker = () => Promise<boolean>;
let asker: Asker | null = null;

/** Sets who asks; returns how to stop. */
export const onConfirmNeeded = (ask: Asker): (() => void) => {
  asker = ask;
  return () => void (asker = asker === ask ? null : asker);
};

/** Whether the server wants its person to prove again who they are. */
const isAsked = (error: unknown): boolean => {
  const { status, data } = (error ?? {}) as Partial<FetchBaseQueryError>;
  return (
    status === 401 && (data as { error?: InputProblem } | undefined)?.error?.field === 'confirm'
  );
};

/**
 * Sends a request, and once more after the person has proved who they are if the server asks for
 * that.
 */
export const withConfirm = async <T extends { error?: unknown }>(
  send: () => T | PromiseLike<T>,
): Promise<T> => {
  const answer = await send();
  if (!isAsked(answer.error) || asker === null) return answer;
  return (await asker()) ? send() : answer;
};
