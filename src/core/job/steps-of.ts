import { stepsFor, type ProcedureInput, type Step, type StepTool } from './procedure';
import { ruleNumber, ruleWord } from '../base/rules';
import { tryRimCode, wheelEnd } from '../fit/wheels';
import { rimDiameterMm, rimProfileOf } from './bites-of';
import { fastenersOf } from './fasteners-of';
import type { JobState } from './job-state';
import { newTireOf } from './new-tire';
import type { StationId } from '../base/stations';

/** The input of this job's procedure; null before it has machine and wheel. */
export const procedureInputOf = (state: JobState): ProcedureInput | null => {
  const { machine, wheel, chosen, rules } = state;
  if (!machine || !wheel) return null;
  const tube = chosen?.tube ?? wheel.tube;
  const tools = [ruleWord('bead.break', rules), ruleWord('lever.tool', rules)].filter(
    (t): t is StepTool => t !== 'hands and levers' && t !== 'levers',
  );
  const rim = rimProfileOf(state);
  const hump = tryRimCode(wheel.rimCode)?.hump ?? null;
  return {
    machine: {
      kind: machine.kind,
      drive: machine.drive,
      wheelSensors: machine.wheelSensors,
      ...(machine.loose ? { loose: true } : {}),
      ...(fastenersOf(state).some((f) => f.renews !== 'nothing') ? { renews: true } : {}),
    },
    wheel: {
      end: wheelEnd(wheel.position),
      build: wheel.build,
      discSide: wheel.discSide,
      caliper: wheel.caliper,
      tubeWas: wheel.tube,
      sealed: wheel.sealed,
      ...(wheel.rings === null ? {} : { rings: wheel.rings }),
      ...(hump === null ? {} : { hump }),
      pair: wheel.pair !== null,
      strips: wheel.strips ?? ruleNumber('strip.count', rules),
      rimDiameterMm: rimDiameterMm(state),
      ...(rim && { rim }),
      heavySpotDeg: wheel.heavySpotDeg,
    },
    tire: newTireOf(state),
    tube: tube ? (chosen?.doubled ? 'doubled' : 'one') : 'none',
    locks: wheel.rimLockDegs,
    tools,
    rules,
  };
};

/** The steps of one station, or of all. */
export const stepsOf = (state: JobState, station?: StationId): Step[] => {
  const input = procedureInputOf(state);
  const steps = input ? stepsFor(input) : [];
  return station ? steps.filter((s) => s.station === station) : steps;
};
