import { RIM_PROFILE } from '../../bench/beads';
import {
  angle,
  count,
  listOf,
  oneOf,
  quantity,
  record,
  ruleValues,
  boolean,
} from '../../base/fields';
import { findRule } from '../../base/rules';
import { MACHINE_STEP_STATIONS, STATION_WORDS, type StationId } from '../../base/stations';
import { BUILDS, CALIPERS, DISC_SIDES, DRIVES, LOCK_PLACES, MACHINE_KINDS } from '../../fit/wheels';
import { defineWorking, worse, type Verdict } from '../../base/working';
import {
  arrows,
  byLevers,
  factsOf,
  levered,
  locks,
  nipples,
  STEP_TOOLS,
  tube,
  tubeWas,
  TUBES_IN,
  type Facts,
  type ProcedureInput,
  type Row,
} from './facts';
import { AIR } from './rows/air';
import { INSPECT } from './rows/inspect';
import { TIRE_OFF } from './rows/tire-off';
import { TIRE_ON } from './rows/tire-on';
import { WHEEL_BACK } from './rows/wheel-back';
import { WHEEL_OFF } from './rows/wheel-off';
import { SCHOOLS, schoolChoices } from './schools';
import type { Step } from './step';
import type { Symptom } from './symptoms';

const ROWS: readonly Row[] = [
  ...WHEEL_OFF,
  ...TIRE_OFF,
  ...INSPECT,
  ...TIRE_ON,
  ...AIR,
  ...WHEEL_BACK,
];

/** Troubles of parts that not every wheel has. */
const NEEDS: Partial<Record<Symptom, (f: Facts, station: StationId) => boolean>> = {
  'lock-stuck': locks,
  'tube-showing': (f, station) => (station === 'tire-off' ? tubeWas(f) : tube(f)),
  'valve-leans': tube,
  'strip-caught': nipples,
  'wrong-way': arrows,
  'bite-stuck': levered,
  'keeper-lifts': byLevers,
  'lever-slips': byLevers,
};

const stepOf = (row: Row, facts: Facts): Step => {
  const by = <T>(value: T | ((f: Facts) => T)): T =>
    typeof value === 'function' ? (value as (f: Facts) => T)(facts) : value;
  const caution = by(row.caution) || null;
  return {
    id: row.id,
    station: row.station,
    say: by(row.say),
    why: by(row.why),
    confirm: by(row.confirm) ?? null,
    caution,
    guards: caution === null ? null : (row.guards ?? 'person'),
    // Without a disc on one side alone, either side may be up.
    sideUp:
      facts.wheel.discSide === 'left' || facts.wheel.discSide === 'right'
        ? (row.sideUp ?? null)
        : null,
    places: row.places?.(facts) ?? [],
    parts: by(row.parts) ?? [],
    tools: by(row.tools) ?? [],
    reads: by(row.reads) ?? null,
    wants: row.wants ?? null,
    troubles: (by(row.troubles) ?? []).filter(
      (symptom) => NEEDS[symptom]?.(facts, row.station) ?? true,
    ),
    shows: by(row.shows) ?? null,
  };
};

/** The steps for this wheel, in the order of the work. */
export const stepsFor = (input: ProcedureInput): Step[] => {
  const facts = factsOf(input);
  const isHere = (row: Row): boolean =>
    !input.machine.loose || !MACHINE_STEP_STATIONS.includes(row.station);
  return ROWS.filter((row) => isHere(row) && (!row.when || row.when(facts))).map((row) =>
    stepOf(row, facts),
  );
};

/**
 * The procedure for a wheel: every step from wheel off to wheel back, by machine, rim, tube, locks,
 * tools and schools.
 *
 * `locks` degrees clockwise from the valve, seen from the disc side; `schools` win over `rules`.
 * Throws `InputError` for a school that is none. Common practice throughout; torque and limits are
 * the maker's.
 */
export const procedure = defineWorking<ProcedureInput, { steps: Step[] }>({
  name: 'procedure',
  title: 'Steps for a wheel',
  input: () => ({
    machine: record(
      {
        kind: oneOf(MACHINE_KINDS, 'Kind of machine'),
        drive: oneOf(DRIVES, 'Drive'),
        wheelSensors: boolean('Wheel-speed sensors'),
        loose: boolean('Loose wheel').optional(),
        renews: boolean('One-time parts on this wheel').optional(),
      },
      'The machine',
    ),
    wheel: record(
      {
        end: oneOf(['front', 'rear'], 'The end of the machine'),
        build: oneOf(BUILDS, 'Rim build'),
        discSide: oneOf(DISC_SIDES, 'Side of the brake disc'),
        caliper: oneOf(CALIPERS, 'How the caliper’s bolts run'),
        tubeWas: boolean('Tube in the old tire'),
        sealed: boolean('Sealed by design'),
        strips: count(1, 2, 'Rim strips'),
        rings: count(1, 2, 'Beadlock rings').optional(),
        hump: boolean('Safety hump').optional(),
        pair: boolean('Makes a pair with another driven wheel').optional(),
        rimDiameterMm: quantity('mm', 80, 700, 'Diameter of the rim').allow(null),
        rim: RIM_PROFILE.optional(),
        heavySpotDeg: angle('Heavy spot of the bare wheel').allow(null),
      },
      'The wheel',
    ),
    tire: record(
      { lightMark: boolean('The tire has a light mark'), arrows: boolean('The tire has an arrow') },
      'The new tire',
    ),
    tube: oneOf(TUBES_IN, 'Tubes in the new tire'),
    locks: LOCK_PLACES,
    tools: listOf(oneOf(STEP_TOOLS, 'A tool'), STEP_TOOLS.length, 'Tools that change a step'),
    schools: record(
      Object.fromEntries(
        SCHOOLS.map((s) => [s, oneOf(schoolChoices(s), findRule(s).says).optional()]),
      ),
      'Methods of this job',
    ).optional(),
    rules: ruleValues(),
  }),
  example: {
    machine: { kind: 'dirt', drive: 'chain', wheelSensors: false },
    wheel: {
      end: 'rear',
      build: 'spoked',
      discSide: 'right',
      caliper: 'axial',
      tubeWas: true,
      sealed: false,
      strips: 1,
      rimDiameterMm: 457,
      heavySpotDeg: null,
    },
    tire: { lightMark: true, arrows: true },
    tube: 'one',
    locks: [210],
    tools: [],
    schools: { 'tube.in': 'with the tire' },
  },
  work(input, show) {
    const steps = stepsFor(input);
    const facts = factsOf(input);
    let verdict: Verdict = 'good';
    for (const station of new Set(steps.map((s) => s.station)))
      show.line(STATION_WORDS[station], 'steps', steps.filter((s) => s.station === station).length);
    for (const school of SCHOOLS)
      show.basis('practice', `${findRule(school).says}: ${facts.school(school)}`);
    for (const plan of [facts.bites.off, facts.bites.on])
      for (const r of plan?.reasons ?? []) verdict = worse(verdict, r.verdict);
    for (const { caution } of steps) if (caution) show.caution(caution);
    show.verdict(verdict);
    return { steps };
  },
});
