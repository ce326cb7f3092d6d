import type { FetchBaseQueryError } from '@reduxjs/toolkit/query/react';
import type { InputProblem } from '../../core/base/errors';
import { refusalText } from './refusal';

/** The server's refusal as a sentence, in this device's units; without an answer, that it is offline. */
export const serverProblem = (error: unknown): string => {
  const { data } = error as FetchBaseQueryError;
  const problem = (data as { error?: InputProblem } | undefined)?.error;
  return problem ? refusalText(problem) : 'Can’t reach the shop server. Nothing was saved.';
};
