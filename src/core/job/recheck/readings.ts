import type Joi from 'joi';
import { check, count, date, quantity, record, text, boolean } from '../../base/fields';
import type { Look } from './look';

/** The readings or findings of a recheck. */
export interface LookReadings {
  pressure: { gaugeKpa: number; tempC: number; good: boolean; found: string };
  bolts: { good: boolean; found: string };
  age: { good: boolean; found: string };
  anything: { good: boolean; found: string };
  leak: { gaugeKpa: number; tempC: number };
  tread: { km: number; depthMm: number };
  tape: { run: number; circumferenceMm: number; gaugeKpa: number };
  calibration: { onDate: string };
}

const found = text(300, 'What was found').allow('').optional().default('');
const good = boolean('OK');
const gaugeKpa = quantity('kPa', 0, 1000, 'The gauge reading');
const tempC = quantity('C', -60, 60, 'Temperature of the tire');

const FIELDS: { [L in Look]: { [Field in keyof LookReadings[L]]: Joi.Schema } } = {
  pressure: { gaugeKpa, tempC, good, found },
  bolts: { good, found },
  age: { good, found },
  anything: { good, found },
  leak: { gaugeKpa, tempC },
  tread: {
    km: quantity('km', 0, 500_000, 'Distance run'),
    depthMm: quantity('tread', 0, 40, 'Depth of the tread'),
  },
  tape: {
    run: count(0, 500, 'Runs so far'),
    circumferenceMm: quantity('mm', 300, 4000, 'Circumference by tape'),
    gaugeKpa: quantity('kPa', 5, 400, 'Pressure'),
  },
  calibration: { onDate: date('The day of the calibration') },
};

/**
 * The readings that close a look, clean. Throws `InputError` naming the field that does not fit.
 */
export const checkLook = <L extends Look>(look: L, value: unknown): LookReadings[L] =>
  check<LookReadings[L]>(record(FIELDS[look], 'What was read'), value);
