import type {
  AuthenticationResponseJSON,
  PublicKeyCredentialCreationOptionsJSON,
  RegistrationResponseJSON,
} from '@simplewebauthn/browser';
import type { Observation } from '../../core/bench/balance';
import type { DeviceNow, Failure } from '../../core/bench/devices';
import type { AuthStatus } from '../../core/shop/auth';
import type { InputProblem } from '../../core/base/errors';
import type {
  Entry,
  EntryBody,
  EntryKind,
  JobSummary,
  UsualTime,
  WheelHistory,
} from '../../core/job';
import type { Cure } from '../../core/job/procedure';
import type { Reserved } from '../../core/shop/parts';
import type { ShopRule } from '../../core/base/rules';
import type { ImportAnswer, Pace, RecordKind, Records, Shop } from '../../core/shop/records';
import type { Machine, Wheel } from '../../core/fit/wheels';
import { reportAuthRejected } from './auth-rejected';

/** A wheel with its machine and everything its jobs know of it. */
export interface WheelRecord {
  wheel: Wheel;
  machine: Machine;
  jobs: JobSummary[];
  history: WheelHistory;
}

/** An instrument, and how a stand-in is held. */
export type HeldDevice = DeviceNow & { held: Record<string, unknown> | null };

export type ShopAnswer = Shop & {
  rules: ShopRule[];
  cures: Cure[];
  usualTimes: UsualTime[];
  reserved: Reserved[];
};

/** The server's refusal, or the word that it does not answer (`status` 0). */
export class ApiError extends Error implements InputProblem {
  constructor(
    readonly status: number,
    readonly problem: InputProblem,
    /** With status 409: what the log holds that this client has not seen. */
    readonly unseen: Entry[] = [],
  ) {
    super(problem.message);
  }

  get field() {
    return this.problem.field;
  }

  get expected() {
    return this.problem.expected;
  }

  get inUnits() {
    return this.problem.inUnits;
  }
}

/** The ways to sign in. */
export type SignInBy =
  { who: string; secret: string } | { code: string } | { passkey: AuthenticationResponseJSON };

const NO_ANSWER: InputProblem = {
  field: 'server',
  message: 'Can’t reach the shop server.',
  expected: 'Start the server on the shop computer',
};
const TIMEOUT_MS = 15_000;

/** The server's progress in a long task. */
export interface Progress {
  phase: 'looking' | 'taking';
  done: number;
  of: number;
}
/** A listener to a long task that can give it up. */
export interface Watch {
  signal: AbortSignal;
  onProgress: (progress: Progress) => void;
}

const typeOf = (body: unknown): string =>
  body instanceof Blob
    ? body.type || 'application/octet-stream'
    : typeof body === 'string'
      ? 'text/csv'
      : 'application/json';

/** `body` is sent as JSON, as CSV where it is text, or as it is where it is a picture. */
const ask = async <T>(
  method: string,
  path: string,
  body?: unknown,
  withinMs = TIMEOUT_MS,
): Promise<T> => {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      headers: body === undefined ? {} : { 'content-type': typeOf(body) },
      signal: AbortSignal.timeout(withinMs),
      ...(body === undefined
        ? {}
        : { body: typeof body === 'string' || body instanceof Blob ? body : JSON.stringify(body) }),
    });
  } catch {
    throw new ApiError(0, NO_ANSWER);
  }
  if (response.status === 204) return undefined as T;
  const answer = (await response.json().catch(() => null)) as
    (T & { error?: InputProblem; entries?: Entry[] }) | null;
  if (response.ok && answer !== null) return answer;
  reportAuthRejected(response.status, answer?.error);
  throw new ApiError(
    answer ? response.status : 0,
    answer?.error ?? NO_ANSWER,
    answer?.entries ?? [],
  );
};

/** The lines of an answer as they arrive. Throws what the connection ends with. */
async function* linesOf(body: ReadableStream<Uint8Array<ArrayBuffer>>): AsyncGenerator<string> {
  const reader = body
    .pipeThrough(new TextDecoderStream() as ReadableWritablePair<string, Uint8Array<ArrayBuffer>>)
    .getReader();
  let rest = '';
  for (let read = await reader.read(); !read.done; read = await reader.read()) {
    const parts = (rest + read.value).split('\n');
    rest = parts.pop()!;
    yield* parts;
  }
}

type ProgressLine<T> =
  Progress | { status: number; answer: T & { error?: InputProblem; entries?: Entry[] } };

/**
 * Sends a CSV file and watches how far the server is with it. Throws `ApiError`, and what it was
 * given up with.
 */
const askWatching = async <T>(
  path: string,
  csv: string,
  { signal, onProgress }: Watch,
): Promise<T> => {
  const headers = { 'content-type': 'text/csv' };
  const response = await fetch(`/api${path}&progress=yes`, {
    method: 'POST',
    headers,
    signal,
    body: csv,
  }).catch((error: unknown) => {
    throw signal.aborted ? error : new ApiError(0, NO_ANSWER);
  });
  if (!response.ok || !response.body) {
    const answer = (await response.json().catch(() => null)) as { error?: InputProblem } | null;
    reportAuthRejected(response.status, answer?.error);
    throw new ApiError(answer ? response.status : 0, answer?.error ?? NO_ANSWER);
  }
  try {
    for await (const text of linesOf(response.body)) {
      const line = JSON.parse(text) as ProgressLine<T>;
      if ('phase' in line) onProgress(line);
      else if (line.answer.error) throw new ApiError(line.status, line.answer.error);
      else return line.answer;
    }
  } catch (error) {
    // A connection that ends in the middle of the answer is no answer.
    throw signal.aborted || error instanceof ApiError ? error : new ApiError(0, NO_ANSWER);
  }
  throw new ApiError(0, NO_ANSWER);
};

export const api = {
  auth: () => ask<AuthStatus>('GET', '/session'),
  signIn: (by: SignInBy) => ask<AuthStatus>('POST', '/session', by),
  signOut: () => ask<AuthStatus>('DELETE', '/session'),
  lock: () => ask<AuthStatus>('POST', '/session/lock', {}),
  /** A hand was on the screen so many seconds ago. */
  touch: (agoS: number) => ask<void>('POST', '/session/touch', { agoS }),
  /** Proves again who is signed in. */
  confirm: (by: { secret: string } | { passkey: AuthenticationResponseJSON }) =>
    ask<void>('POST', '/session/confirm', by),
  passkeyChallenge: <T>() => ask<T>('POST', '/session/passkey-challenge', {}),
  newPasskeyChallenge: () =>
    ask<PublicKeyCredentialCreationOptionsJSON>('POST', '/session/passkeys/challenge', {}),
  addPasskey: (body: { label: string; passkey: RegistrationResponseJSON }) =>
    ask<unknown>('POST', '/session/passkeys', body),
  /**
   * Another person approves with their own PIN or passphrase what is written next to a job or visit
   * here.
   */
  approve: (by: { who: string; secret: string; about: string }) =>
    ask<void>('POST', '/session/approvals', by),
  shop: () => ask<ShopAnswer>('GET', '/shop'),
  jobs: (query: Record<string, string>) =>
    ask<{ jobs: JobSummary[]; total: number }>('GET', `/jobs?${new URLSearchParams(query)}`),
  job: (id: string) =>
    ask<{ job: JobSummary; entries: Entry[] }>('GET', `/jobs/${encodeURIComponent(id)}`),
  openJob: (body: { id: string; machineId: string; wheelId: string; who: string }) =>
    ask<{ job: JobSummary; entries: Entry[] }>('POST', '/jobs', body),
  /** `waitedS`: how long the entries waited on their way, in seconds. */
  append: (id: string, expectedSeq: number, entries: EntryBody<EntryKind>[], waitedS: number) =>
    ask<{ entries: Entry[]; seq: number }>('POST', `/jobs/${encodeURIComponent(id)}/entries`, {
      expectedSeq,
      entries,
      waitedS,
    }),
  setPace: (name: string, pace: Pace) =>
    ask<{ paces: Shop['paces'] }>('PUT', `/people/${encodeURIComponent(name)}/pace`, { pace }),
  renameShop: (name: string) => ask<{ name: string }>('PUT', '/shop/name', { name }),
  addMachine: (machine: Machine, wheels: Wheel[]) =>
    ask<{ machine: Machine; wheels: Wheel[] }>('POST', '/machines', { machine, wheels }),
  addRecord: <K extends RecordKind>(kind: K, it: Records[K]) =>
    ask<Records[K]>('POST', `/records/${kind}`, it),
  changeRecord: <K extends RecordKind>(kind: K, it: Records[K]) =>
    ask<Records[K]>('PUT', `/records/${kind}/${encodeURIComponent(it.id)}`, it),
  /** The effect of a file; with `apply` it is done, all of it or nothing. */
  importRecords: (kind: RecordKind, csv: string, apply: boolean, watch: Watch) =>
    askWatching<ImportAnswer>(`/records/${kind}/import?apply=${apply ? 'yes' : 'no'}`, csv, watch),
  addPhoto: (picture: Blob) => ask<{ photoId: string }>('POST', '/photos', picture),
  devices: () => ask<{ devices: HeldDevice[] }>('GET', '/devices'),
  failDevice: (name: string, fails: Failure | null) =>
    ask<void>('PUT', `/devices/${encodeURIComponent(name)}/fail`, { fails }),
  forgetDevice: (name: string) => ask<void>('DELETE', `/devices/${encodeURIComponent(name)}`),
  holdDevice: (name: string, knobs: object) =>
    ask<void>('PUT', `/devices/${encodeURIComponent(name)}/hold`, knobs),
  /** Says who is at which job in this tab, and is told who else is. */
  here: (at: { tab: string; who: string; jobId: string | null }) =>
    ask<{ others: string[] }>('PUT', '/live/here', at),
  /** Says that no one is at a job in this tab anymore, also while its page is being closed. */
  gone: (at: { tab: string; who: string }): void =>
    void fetch('/api/live/here', {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      keepalive: true,
      body: JSON.stringify({ ...at, jobId: null }),
    }).catch(() => undefined),
  standWheels: () => ask<{ wheels: { seen: Observation[] }[] }>('GET', '/stand-wheels'),
  wheelRecord: (id: string) => ask<WheelRecord>('GET', `/wheels/${encodeURIComponent(id)}/record`),
  changeRule: (
    key: string,
    body: { value: number | string; note: string; who: string; reason: string },
  ) => ask<ShopRule>('PUT', `/rules/${encodeURIComponent(key)}`, body),
};
