import { useCallback, useEffect, useRef, useState } from 'react';
import { readLine, type DeviceLine } from '../../core/bench/devices';
import { api, ApiError, type HeldDevice } from '../store/api';

/**
 * The list is asked for again at this pace; lines are shown at the other, however fast they come.
 */
const ASK_MS = 1500;
const SHOW_MS = 200;
const FIRST_MS = 400;

interface HeardLine {
  line: DeviceLine;
  /** Lines since the screen was opened. */
  count: number;
}

/** Every instrument of the shop, its last line, and how many came. */
export const useAllDevices = () => {
  const [devices, setDevices] = useState<HeldDevice[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [lines, setLines] = useState<ReadonlyMap<string, HeardLine>>(new Map());
  const latest = useRef(new Map<string, HeardLine>());
  const refresh = useCallback(async () => {
    try {
      setDevices((await api.devices()).devices);
      setProblem(null);
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setProblem(error.message);
    }
  }, []);
  useEffect(() => {
    void refresh();
    const ask = setInterval(() => void refresh(), ASK_MS);
    // Stand-ins speak once someone listens: what they say first is not waited for long.
    const soon = setTimeout(() => void refresh(), FIRST_MS);
    const stream = new EventSource('/api/devices/stream');
    stream.onmessage = ({ data }) => {
      try {
        const line = readLine(data as string);
        latest.current.set(line.device, {
          line,
          count: (latest.current.get(line.device)?.count ?? 0) + 1,
        });
      } catch {
        // The server lets only readings through; anything else is not for the screen.
      }
    };
    const show = setInterval(() => setLines(new Map(latest.current)), SHOW_MS);
    return () => {
      clearTimeout(soon);
      clearInterval(ask);
      clearInterval(show);
      stream.close();
    };
  }, [refresh]);
  return { devices, problem, refresh, lastOf: (name: string) => lines.get(name) ?? null };
};
