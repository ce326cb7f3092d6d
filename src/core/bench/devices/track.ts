import {
  apart,
  DEVICE_KINDS,
  isSteady,
  SILENT_AFTER_MS,
  STEADY_LINES,
  type DeviceKind,
  type DeviceLine,
} from './line';

/**
 * From line to line a reading that moves goes by so many times its steadiness at most. Basis:
 * memory.
 */
const CALM_TIMES = 3;

/** The readings of one instrument since the last one was taken from it. */
export interface Track {
  lines: readonly DeviceLine[];
  /** The first reading since the last take, from which it must move. */
  fromValue: number | null;
  moved: boolean;
  /**
   * The last line with a word in it, the click, the pop, the rest, said while readings did not jump
   * about; a rest until it moves again.
   */
  event: DeviceLine | null;
  /** The highest reading that held for a few lines, so that no single jump counts. */
  highest: number | null;
  heardMs: number;
}

export const NOTHING_HEARD: Track = {
  lines: [],
  fromValue: null,
  moved: false,
  event: null,
  highest: null,
  heardMs: 0,
};

/** Whether lines follow each other as a hand or a hose would move them: no jumps. */
const calm = (lines: readonly DeviceLine[]): boolean =>
  lines.length === STEADY_LINES &&
  lines.every(
    (line, i) =>
      i === 0 ||
      apart(line.value, lines[i - 1]!.value, line.kind) <=
        CALM_TIMES * DEVICE_KINDS[line.kind].steadyWithin,
  );

/** Whether the last reading may be believed though it moves. */
export const isCalm = (track: Track): boolean => calm(track.lines);

/** A wheel that moves again no longer rests; a click or a pop stays what happened. */
const stillSo = (event: DeviceLine | null, line: DeviceLine): DeviceLine | null =>
  event?.event === 'rest' &&
  apart(event.value, line.value, line.kind) > DEVICE_KINDS[line.kind].steadyWithin
    ? null
    : event;

/** The next line of the instrument, at a moment of this program's own clock. */
export const heard = (track: Track, line: DeviceLine, nowMs: number): Track => {
  // After a silence nothing of before it counts: the instrument's own, by its clock. Lines that
  // only came late, all at once, were said as a hand moves.
  const last = track.lines.at(-1);
  const sinceMs = last ? Date.parse(line.at) - Date.parse(last.at) : 0;
  const before = sinceMs < 0 || sinceMs > SILENT_AFTER_MS ? { ...track, lines: [] } : track;
  const lines = [...before.lines, line].slice(-STEADY_LINES);
  const fromValue = track.fromValue ?? line.value;
  const held = lines.length === STEADY_LINES ? Math.min(...lines.map((l) => l.value)) : null;
  return {
    lines,
    fromValue,
    moved:
      track.moved || apart(line.value, fromValue, line.kind) > DEVICE_KINDS[line.kind].steadyWithin,
    event: line.event && (line.event === 'rest' || calm(lines)) ? line : stillSo(track.event, line),
    highest: held === null ? track.highest : Math.max(track.highest ?? held, held),
    heardMs: nowMs,
  };
};

/**
 * After a reading was taken, or the instrument was put elsewhere: it must move again, and be steady
 * again.
 */
export const takenFrom = (track: Track): Track => ({
  ...track,
  lines: [],
  fromValue: track.lines.at(-1)?.value ?? null,
  moved: false,
  event: null,
});

/** The event has been written down; the reading goes on. */
export const noted = (track: Track): Track => ({ ...track, event: null });

/** A new try: what was highest before does not count. */
export const fromAnew = (track: Track): Track => ({ ...takenFrom(track), highest: null });

/** Why a reading may not be taken yet, or that it may. */
export type Readiness = 'silent' | 'moving' | 'not moved' | 'no click' | 'no rest' | 'ready';
export const READINESS_WORDS: Record<Readiness, string> = {
  silent: 'silent',
  moving: 'moving',
  'not moved': 'not moved yet',
  'no click': 'waits for the click',
  'no rest': 'let it go',
  ready: 'steady',
};

/**
 * Whether the reading may be taken: heard just now, steady, and moved since the last one; a wrench
 * once it has clicked, a wheel once it has come to rest.
 */
export const readiness = (track: Track, kind: DeviceKind, nowMs: number): Readiness => {
  if (track.lines.length === 0 || nowMs - track.heardMs > SILENT_AFTER_MS) return 'silent';
  if (DEVICE_KINDS[kind].event === 'click') return track.event ? 'ready' : 'no click';
  if (
    !isSteady(
      track.lines.map((l) => l.value),
      kind,
    )
  )
    return 'moving';
  if (DEVICE_KINDS[kind].event === 'rest' && !track.event) return 'no rest';
  return DEVICE_KINDS[kind].mustMove && !track.moved ? 'not moved' : 'ready';
};

/**
 * The reading that a take would write; null where none may be taken. A wrench's is the one at its
 * click.
 */
export const readingOf = (track: Track, kind: DeviceKind, nowMs: number): DeviceLine | null =>
  readiness(track, kind, nowMs) !== 'ready'
    ? null
    : DEVICE_KINDS[kind].event === 'click'
      ? track.event
      : track.lines.at(-1)!;
