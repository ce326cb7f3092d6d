import { useCallback, useEffect, useRef, useState } from 'react';
import {
  DEVICE_KINDS,
  fromAnew,
  heard,
  noted,
  NOTHING_HEARD,
  readiness,
  READINESS_WORDS,
  readingOf,
  readLine,
  takenFrom,
  type DeviceKind,
  type DeviceLine,
  type DeviceNow,
  type Readiness,
  type Track,
} from '../../core/bench/devices';
import { api, ApiError, type HeldDevice } from '../store/api';

/** Lines come faster than anyone reads: the screen follows at this pace. */
const SHOW_MS = 100;
/** The interval at which a silent instrument is asked about. */
const ASK_MS = 2000;

export interface LiveDevice {
  device: HeldDevice | null;
  /** The last line; null while it is silent or has said nothing that makes sense. */
  line: DeviceLine | null;
  track: Track;
  readiness: Readiness;
  /** The reading that may be taken now; null where none may. */
  reading: DeviceLine | null;
  /** Its state, in a word or a short sentence. */
  text: string;
  /** After a take, or when the instrument is put elsewhere. */
  forget(): void;
  /** Marks the instrument's event as written down. */
  note(): void;
  /** New try. */
  anew(): void;
}

const better = (a: DeviceNow, b: DeviceNow): number =>
  Number(a.simulated) - Number(b.simulated) ||
  Number(b.state === 'live') - Number(a.state === 'live');

/**
 * The one that is meant before the one that was heard last, and that before any other. While all
 * are silent the one that was heard stays: what it has shown counts.
 */
const pick = (
  of: readonly HeldDevice[],
  before: HeldDevice | null,
  meant: string | null,
): HeldDevice | null => {
  const isSilent = of.every((d) => d.state !== 'live');
  return (
    of.find((d) => d.name === meant) ??
    of.find((d) => d.name === before?.name && (isSilent || d.state === 'live')) ??
    [...of].sort(better)[0] ??
    null
  );
};

const stateWords = (device: DeviceNow): string => {
  if (device.state === 'frozen') return 'frozen: it repeats the same reading';
  if (device.state === 'nonsense') return `bad data: ${device.problem ?? ''}`;
  return 'silent';
};

/**
 * Listens to the shop's instrument of a kind while `on`: the one that is `meant` by its name, else
 * a real one before a stand-in, and a stand-in only where they are wanted.
 */
export const useDevice = (
  kind: DeviceKind,
  on: boolean,
  standIns = true,
  meant: string | null = null,
): LiveDevice => {
  const [device, setDevice] = useState<HeldDevice | null>(null);
  const [track, setTrack] = useState<Track>(NOTHING_HEARD);
  const [nowMs, setNowMs] = useState(0);
  const latest = useRef<Track>(NOTHING_HEARD);
  const name = device?.name ?? null;
  const put = useCallback((next: Track) => {
    latest.current = next;
    setTrack(next);
    setNowMs(Date.now());
  }, []);
  const forget = useCallback(() => put(takenFrom(latest.current)), [put]);
  const note = useCallback(() => put(noted(latest.current)), [put]);
  const anew = useCallback(() => put(fromAnew(latest.current)), [put]);

  useEffect(() => {
    if (!on) return;
    let gone = false;
    const ask = () =>
      api.devices().then(
        ({ devices }) =>
          !gone &&
          setDevice((before) =>
            pick(
              devices.filter((d) => d.kind === kind && (standIns || !d.simulated)),
              before,
              meant,
            ),
          ),
        (error: unknown) => {
          if (!(error instanceof ApiError)) throw error;
        },
      );
    void ask();
    const again = setInterval(
      () => readiness(latest.current, kind, Date.now()) === 'silent' && void ask(),
      ASK_MS,
    );
    return () => {
      gone = true;
      clearInterval(again);
    };
  }, [kind, on, standIns, meant]);

  useEffect(() => {
    if (!on || name === null) return;
    const stream = new EventSource(`/api/devices/${encodeURIComponent(name)}/stream`);
    stream.onmessage = ({ data }) => {
      try {
        latest.current = heard(latest.current, readLine(data as string), Date.now());
      } catch {
        latest.current = { ...latest.current, lines: [] };
      }
    };
    const show = setInterval(() => put(latest.current), SHOW_MS);
    return () => {
      stream.close();
      clearInterval(show);
      put(NOTHING_HEARD);
    };
  }, [name, on, put]);

  const state = readiness(track, kind, nowMs);
  return {
    device,
    track,
    readiness: state,
    forget,
    note,
    anew,
    line: state === 'silent' ? null : track.lines.at(-1)!,
    reading: readingOf(track, kind, nowMs),
    text: !device
      ? `No ${DEVICE_KINDS[kind].says} is connected.`
      : state === 'silent'
        ? stateWords(device)
        : state === 'ready' && DEVICE_KINDS[kind].event === 'click'
          ? 'clicked'
          : READINESS_WORDS[state],
  };
};
