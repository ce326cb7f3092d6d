import type Joi from 'joi';
import {
  DEVICE_KINDS,
  type DeviceEvent,
  type DeviceKind,
  type DeviceLine,
} from '../../core/bench/devices';
import { check } from '../../core/base/fields';

/** A simulated instrument that speaks while someone listens, and can be told how it is held. */
export interface StandIn {
  name: string;
  kind: DeviceKind;
  start(say: (line: DeviceLine) => void): () => void;
  /** Throws `InputError` for what it cannot do. */
  hold(knobs: unknown): void;
  held(): object;
}

/** Twenty lines a second, by a clock that no one sets back. */
const EVERY_MS = 50;

/**
 * A stand-in from its physics: `next` moves it on by so many seconds and gives what it shows. Knobs
 * not named stay as they are.
 */
export const standIn = <Knobs extends object>(
  name: string,
  kind: DeviceKind,
  {
    schema,
    knobs,
    digits,
    next,
  }: {
    schema: Joi.ObjectSchema;
    knobs: Knobs;
    digits: number;
    next(knobs: Knobs, seconds: number): { value: number; event?: DeviceEvent | undefined };
  },
): StandIn => ({
  name,
  kind,
  start(say) {
    const timer = setInterval(() => {
      const { value, event } = next(knobs, EVERY_MS / 1000);
      say({
        device: name,
        kind,
        value: Number(value.toFixed(digits)),
        unit: DEVICE_KINDS[kind].unit,
        at: new Date(performance.timeOrigin + performance.now()).toISOString(),
        ...(event ? { event } : {}),
      });
    }, EVERY_MS);
    return () => clearInterval(timer);
  },
  hold: (raw) => void (knobs = { ...knobs, ...check<Partial<Knobs>>(schema, raw) }),
  held: () => knobs,
});
