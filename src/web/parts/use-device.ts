import { useCallback, useEffect, useRef, useState } from 'react';
import { isSteady, readLine, SILENT_AFTER_MS, type DeviceKind, type DeviceLine, type DeviceNow } from '../../core/devices';
import { api, ApiError } from '../store/api';

const REMEMBERED = 12;

export interface LiveDevice {
  device: DeviceNow | null;
  /** The last reading; null while it is silent or has said nothing that makes sense. */
  line: DeviceLine | null;
  steady: boolean;
  /** Forgets what was read, as when the instrument is moved. */
  forget(): void;
}

/** Listens to the shop's instrument of a kind while `on`. */
export const useDevice = (kind: DeviceKind, on: boolean): LiveDevice => {
  const [device, setDevice] = useState<DeviceNow | null>(null);
  const [lines, setLines] = useState<DeviceLine[]>([]);
  const heardMs = useRef(0);
  const forget = useCallback(() => setLines([]), []);
  useEffect(() => {
    if (!on) return;
    let gone = false;
    api.devices().then(
      ({ devices }) => !gone && setDevice(devices.find((d) => d.kind === kind) ?? null),
      (error: unknown) => { if (!(error instanceof ApiError)) throw error; },
    );
    return () => { gone = true; };
  }, [kind, on]);
  useEffect(() => {
    if (!on || !device) return;
    const stream = new EventSource(`/api/devices/${encodeURIComponent(device.name)}/stream`);
    stream.onmessage = ({ data }) => {
      try {
        const line = readLine(data as string);
        heardMs.current = Date.now();
        setLines((all) => [...all.slice(1 - REMEMBERED), line]);
      } catch {
        setLines([]);
      }
    };
    const watch = setInterval(() => Date.now() - heardMs.current > SILENT_AFTER_MS && setLines((all) => (all.length > 0 ? [] : all)), SILENT_AFTER_MS / 4);
    return () => {
      stream.close();
      clearInterval(watch);
      setLines([]);
    };
  }, [device, on]);
  return { device, line: lines.at(-1) ?? null, steady: isSteady(lines.map((l) => l.value)), forget };
};
