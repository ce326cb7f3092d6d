import { DEVICE_KINDS, readLine, SILENT_AFTER_MS, type Device, type DeviceLine, type DeviceNow } from '../../core/devices';
import { InputError } from '../../core/errors';

/** A stand-in that speaks while somebody listens, and can be told how it is held. */
export interface StandIn {
  device: Device;
  start(say: (line: string) => void): () => void;
  hold(knobs: unknown): void;
}

interface Listener {
  hear(line: DeviceLine): void;
  /** The hub stops. */
  end(): void;
}

interface Known {
  device: Device;
  standIn: StandIn | null;
  last: DeviceLine | null;
  lastMs: number;
  problem: string | null;
  listeners: Set<Listener>;
  stop: (() => void) | null;
}

/** Every instrument of the shop: what it said last, and who listens. Only whole lines that make sense go on. */
export const deviceHub = (standIns: readonly StandIn[], nowMs: () => number = Date.now) => {
  const known = new Map<string, Known>();
  for (const standIn of standIns)
    known.set(standIn.device.name, { device: standIn.device, standIn, last: null, lastMs: 0, problem: null, listeners: new Set(), stop: null });

  const hear = (it: Known, text: string): void => {
    try {
      const line = readLine(text);
      if (line.device !== it.device.name || line.kind !== it.device.kind) throw new InputError('device', 'The line names another instrument.', it.device.name);
      Object.assign(it, { last: line, lastMs: nowMs(), problem: null });
      for (const listener of it.listeners) listener.hear(line);
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      it.problem = error.message;
    }
  };

  const find = (name: string): Known => {
    const it = known.get(name);
    if (!it) throw new InputError('device', 'There is no such instrument.', [...known.keys()].join(', ') || 'one that is connected');
    return it;
  };

  return {
    list: (): DeviceNow[] =>
      [...known.values()].map(({ device, last, lastMs, problem }) => ({
        ...device, last, problem, state: problem !== null ? 'nonsense' : nowMs() - lastMs > SILENT_AFTER_MS ? 'silent' : 'live',
      })),
    /** Hears an instrument until the function it gives is called. Throws `InputError` for one that is not there. */
    listen(name: string, listener: Listener): () => void {
      const it = find(name);
      it.listeners.add(listener);
      it.stop ??= it.standIn?.start((text) => hear(it, text)) ?? null;
      return () => {
        it.listeners.delete(listener);
        if (it.listeners.size > 0) return;
        it.stop?.();
        it.stop = null;
      };
    },
    /** How a stand-in is held. Throws `InputError` for a real instrument, or for what it cannot do. */
    hold(name: string, knobs: unknown): void {
      const { standIn, device } = find(name);
      if (!standIn) throw new InputError('device', `The ${DEVICE_KINDS[device.kind].says} is a real one: turn it by hand.`, 'a simulated instrument');
      standIn.hold(knobs);
    },
    stop(): void {
      for (const it of known.values()) {
        it.stop?.();
        it.stop = null;
        for (const listener of it.listeners) listener.end();
        it.listeners.clear();
      }
    },
  };
};
export type DeviceHub = ReturnType<typeof deviceHub>;
