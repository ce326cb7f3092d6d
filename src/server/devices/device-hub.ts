import {
  DEVICE_KINDS,
  failing,
  readLine,
  SILENT_AFTER_MS,
  type DeviceKind,
  type DeviceLine,
  type DeviceNow,
  type DeviceState,
  type Failure,
} from '../../core/bench/devices';
import { InputError, type InputProblem } from '../../core/base/errors';
import type { StandIn } from './stand-in';

interface Listener {
  hear(line: DeviceLine): void;
  /** The hub stops. */
  end(): void;
}

interface Known {
  name: string;
  kind: DeviceKind;
  standIn: StandIn | null;
  fails: { mode: Failure; through: (line: DeviceLine) => string | null } | null;
  last: DeviceLine | null;
  /** When the last good line came, and when the last line of any sort. */
  goodMs: number;
  heardMs: number;
  problem: string | null;
  listeners: Set<Listener>;
  stop: (() => void) | null;
}

/** More instruments than a shop has benches for. */
const DEVICES_MAX = 64;

/** A line that could not be taken, by its place in what was sent. */
interface RefusedLine extends InputProblem {
  line: number;
}

/**
 * Every instrument of the shop: what it said last, and who listens. Only whole lines that make
 * sense, each later than the one before, go on to the listeners; everything else is only said of
 * the instrument.
 */
export const deviceHub = (
  standIns: readonly StandIn[],
  options: { nowMs?: () => number; calibratedOn?: (name: string) => string | null } = {},
) => {
  const { nowMs = Date.now, calibratedOn = () => null } = options;
  const known = new Map<string, Known>();
  const everybody = new Set<Listener>();
  const add = (name: string, kind: DeviceKind, standIn: StandIn | null): Known => {
    const it: Known = {
      name,
      kind,
      standIn,
      fails: null,
      last: null,
      goodMs: 0,
      heardMs: 0,
      problem: null,
      listeners: new Set(),
      stop: null,
    };
    known.set(name, it);
    return it;
  };
  for (const standIn of standIns) add(standIn.name, standIn.kind, standIn);

  const stateOf = (it: Known): DeviceState => {
    const now = nowMs();
    if (now - it.heardMs > SILENT_AFTER_MS) return 'silent';
    if (it.problem !== null) return 'nonsense';
    return now - it.goodMs > SILENT_AFTER_MS ? 'frozen' : 'live';
  };

  const hear = (it: Known, line: DeviceLine): void => {
    const wasSilent = nowMs() - it.heardMs > SILENT_AFTER_MS;
    it.heardMs = nowMs();
    it.problem = null;
    // The same moment again says nothing new: a line sent twice, or an instrument that stands
    // still. An earlier one is an instrument whose clock was reset, if it was away for a while.
    const lateMs = it.last ? Date.parse(line.at) - Date.parse(it.last.at) : 1;
    if (lateMs === 0 || (lateMs < 0 && !wasSilent)) return;
    it.last = line;
    it.goodMs = it.heardMs;
    for (const listener of it.listeners) listener.hear(line);
    for (const listener of everybody) listener.hear(line);
  };

  const refuse = (it: Known, message: string): void => {
    it.heardMs = nowMs();
    it.problem = message;
  };

  const hearStandIn = (it: Known, said: DeviceLine): void => {
    const text = it.fails ? it.fails.through(said) : JSON.stringify(said);
    if (text === null) return;
    try {
      hear(it, readLine(text));
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      refuse(it, error.message);
    }
  };

  /** A line that is no reading, though it says whose it is: that instrument talks nonsense. */
  const blame = (raw: string, message: string): void => {
    const it = known.get(/"device"\s*:\s*"([^"]{1,40})"/.exec(raw)?.[1] ?? '');
    if (it && !it.standIn) refuse(it, message);
  };

  const find = (name: string): Known => {
    const it = known.get(name);
    if (!it)
      throw new InputError(
        'device',
        'Instrument not found.',
        known.size > 0 ? `Choose ${[...known.keys()].join(', ')}` : 'Connect an instrument first',
      );
    return it;
  };

  const simulated = (name: string): Known & { standIn: StandIn } => {
    const it = find(name);
    if (!it.standIn)
      throw new InputError(
        'device',
        `The ${DEVICE_KINDS[it.kind].says} is a real instrument. Faults can be simulated only on a simulated one.`,
        'Choose a simulated instrument',
      );
    return it as Known & { standIn: StandIn };
  };

  /** A stand-in works only while someone listens. */
  const wake = (it: Known): void => {
    it.stop ??= it.standIn?.start((line) => hearStandIn(it, line)) ?? null;
  };
  const rest = (it: Known): void => {
    if (it.listeners.size > 0 || everybody.size > 0) return;
    it.stop?.();
    it.stop = null;
  };

  const nowOf = (it: Known): DeviceNow => ({
    name: it.name,
    kind: it.kind,
    simulated: it.standIn !== null,
    calibratedOn: calibratedOn(it.name),
    state: stateOf(it),
    last: it.last,
    ageMs: it.last === null ? null : nowMs() - it.goodMs,
    problem: it.problem,
    fails: it.fails?.mode ?? null,
  });

  return {
    list: (): (DeviceNow & { held: object | null })[] =>
      [...known.values()].map((it) => ({ ...nowOf(it), held: it.standIn?.held() ?? null })),
    /**
     * Hears an instrument until the function it gives is called. Throws `InputError` for one that
     * is not there.
     */
    listen(name: string, listener: Listener): () => void {
      const it = find(name);
      it.listeners.add(listener);
      wake(it);
      return () => {
        it.listeners.delete(listener);
        rest(it);
      };
    },
    /** Hears every instrument, those too that come later. */
    listenAll(listener: Listener): () => void {
      everybody.add(listener);
      for (const it of known.values()) wake(it);
      return () => {
        everybody.delete(listener);
        for (const it of known.values()) rest(it);
      };
    },
    /**
     * Lines of real instruments, one to a line of text. An instrument that no one knew is known
     * from its first good line on.
     */
    post(text: string): { taken: number; refused: RefusedLine[] } {
      const refused: RefusedLine[] = [];
      let taken = 0;
      text.split('\n').forEach((raw, i) => {
        if (!raw.trim()) return;
        try {
          const line = readLine(raw);
          const it = known.get(line.device);
          if (it?.standIn)
            throw new InputError(
              'device',
              `${line.device} is a simulated instrument here.`,
              'Use another name',
            );
          if (it && it.kind !== line.kind)
            throw new InputError(
              'kind',
              `${line.device} is a ${DEVICE_KINDS[it.kind].says}.`,
              `Send the kind "${it.kind}" or use another name`,
            );
          if (!it && known.size >= DEVICES_MAX)
            throw new InputError(
              'device',
              'There are too many instruments.',
              `Remove a silent one; the limit is ${DEVICES_MAX}`,
            );
          hear(it ?? add(line.device, line.kind, null), line);
          taken++;
        } catch (error) {
          if (!(error instanceof InputError)) throw error;
          blame(raw, error.message);
          refused.push({ line: i + 1, ...error.toProblem() });
        }
      });
      return { taken, refused };
    },
    /**
     * Sets how a stand-in is held. Throws `InputError` for a real instrument, or for what it cannot
     * do.
     */
    hold: (name: string, knobs: unknown): void => simulated(name).standIn.hold(knobs),
    /** Makes a stand-in fail, or work again. Throws `InputError` for a real instrument. */
    fail(name: string, mode: Failure | null): void {
      const it = simulated(name);
      it.fails = mode === null ? null : { mode, through: failing(mode) };
      it.problem = null;
    },
    /**
     * Forgets a real instrument that has fallen silent. Throws `InputError` for one that speaks or
     * is simulated.
     */
    forget(name: string): void {
      const it = find(name);
      if (it.standIn || stateOf(it) !== 'silent')
        throw new InputError(
          'device',
          `${name} is still connected.`,
          'Choose a real instrument that is silent',
        );
      for (const listener of it.listeners) listener.end();
      known.delete(name);
    },
    stop(): void {
      for (const it of known.values()) {
        it.stop?.();
        it.stop = null;
        for (const listener of it.listeners) listener.end();
        it.listeners.clear();
      }
      for (const listener of everybody) listener.end();
      everybody.clear();
    },
  };
};
export type DeviceHub = ReturnType<typeof deviceHub>;
