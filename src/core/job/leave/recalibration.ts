import { quantity, boolean } from '../../base/fields';
import Joi from 'joi';
import { said, type Sentence } from '../../base/units';
import { defineWorking, reason, worstOf, type Reason } from '../../base/working';

interface Input {
  teachKmh: number | null;
  teachM: number | null;
  teachLamp: string;
  wheelSensors: boolean;
  /** Another size than the one that came off, or another tire at all. */
  newTire: boolean;
  frontKpa: number | null;
  rearKpa: number | null;
}

interface Recalibration {
  /** The machine's record asks for it. */
  needed: boolean;
  /** May be begun: what comes before it is done. */
  ready: boolean;
  steps: Sentence[];
  reasons: Reason[];
}

/** The way it is ridden, as far as the record says. */
const ride = (teachKmh: number | null, teachM: number | null): Sentence => {
  const asks = [
    ...(teachKmh === null ? [] : [{ words: 'at', value: teachKmh, unit: 'km/h' as const }]),
    ...(teachM === null ? [] : [{ words: 'for', value: teachM, unit: 'm' as const }]),
  ];
  const how = asks.map(({ words }, i) => ` ${words} {${i}}`).join('');
  return said(`Straight and steady${how}, where that is safe to ride.`, asks);
};

/**
 * The machine record's recalibration after a tire change, both pressures first.
 *
 * Speed 3 to 150 km/h and distance 5 to 50,000 m as its manual says, null where it asks nothing.
 * Nothing is made up: a machine with sensors and no such record is told to look in its manual.
 * Common practice: both pressures first.
 */
export const recalibration = defineWorking<Input, Recalibration>({
  name: 'recalibration',
  title: 'Recalibration',
  input: () => ({
    teachKmh: quantity('km/h', 3, 150, 'Speed to hold').allow(null),
    teachM: quantity('m', 5, 50_000, 'Distance').allow(null),
    teachLamp: Joi.string()
      .allow('')
      .max(200)
      .required()
      .meta({ expected: 'Enter the warning light, up to 200 characters' })
      .description('Warning light after'),
    wheelSensors: boolean('Wheel-speed sensors'),
    newTire: boolean('A new tire'),
    frontKpa: quantity('kPa', 0, 1000, 'Pressure set, front').allow(null),
    rearKpa: quantity('kPa', 0, 1000, 'Pressure set, rear').allow(null),
  }),
  example: {
    teachKmh: 22,
    teachM: 150,
    teachLamp: 'goes out by itself',
    wheelSensors: true,
    newTire: true,
    frontKpa: 179,
    rearKpa: null,
  },
  work({ teachKmh, teachM, teachLamp, wheelSensors, newTire, frontKpa, rearKpa }, show) {
    const needed = teachKmh !== null || teachM !== null || teachLamp.trim() !== '';
    const missing = [frontKpa === null && 'front', rearKpa === null && 'rear'].filter(Boolean);
    show.line('asked for', 'the machine’s record', needed ? 'yes' : 'nothing');
    if (frontKpa !== null) show.line('front', 'set', frontKpa, 'kPa');
    if (rearKpa !== null) show.line('rear', 'set', rearKpa, 'kPa');
    show.basis('manual', 'what to recalibrate, and how the warning light confirms it');
    show.basis('practice', 'both pressures are set before it');
    const steps = needed
      ? [
          said('Both pressures set, cold.'),
          ride(teachKmh, teachM),
          said(
            teachLamp.trim() === ''
              ? 'Check the warning light as its manual says.'
              : `Warning light: ${teachLamp.trim()}.`,
          ),
        ]
      : [];
    const reasons: Reason[] = [];
    if (needed && missing.length > 0)
      reasons.push(
        reason('check', `Set the pressure first: ${missing.join(' and ')} not set yet.`),
      );
    if (needed && missing.length === 0)
      reasons.push(reason('good', 'Both pressures are set. Ready to recalibrate.'));
    if (!needed && wheelSensors && newTire)
      reasons.push(
        reason('check', 'It has wheel-speed sensors. Check its manual for a recalibration.'),
      );
    if (!needed && !(wheelSensors && newTire))
      reasons.push(reason('good', 'Its record asks for no recalibration.'));
    show.verdict(worstOf(reasons));
    show.caution(
      'On a road or a yard where that is allowed, and ridden gently: new tires are slippery.',
    );
    return { needed, ready: needed && missing.length === 0, steps, reasons };
  },
});
