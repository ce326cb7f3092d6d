import fc from 'fast-check';
import { problemOf } from '../../../tests/sample';
import { procedureInput, WHEELS_OF_THE_TRADE } from '../../../tests/wheels-of-the-trade';
import { findRule } from '../rules';
import { BUILDS, DISC_SIDES, DRIVES, MACHINE_KINDS } from '../wheels';
import { tools } from '../fitting';
import { procedure, schoolChoices, SCHOOLS, schoolWhy, stepsFor, SYMPTOMS, type ProcedureInput } from '.';

const ids = (input: ProcedureInput): string[] => stepsFor(input).map((s) => s.id);
/** Any wheel on any machine, by any school. */
const anyInput: fc.Arbitrary<ProcedureInput> = fc
  .record({
    kind: fc.constantFrom(...MACHINE_KINDS),
    drive: fc.constantFrom(...DRIVES),
    wheelSensors: fc.boolean(),
    end: fc.constantFrom('front' as const, 'rear' as const),
    build: fc.constantFrom(...BUILDS),
    discSide: fc.constantFrom(...DISC_SIDES),
    tubeWas: fc.boolean(),
    sealed: fc.boolean(),
    strips: fc.constantFrom(1, 2),
    rimDiameterMm: fc.option(fc.integer({ min: 100, max: 600 })),
    tube: fc.constantFrom('none' as const, 'one' as const, 'doubled' as const),
    locks: fc.array(fc.integer({ min: 20, max: 340 }), { maxLength: 3 }),
    lightMark: fc.boolean(),
    arrows: fc.boolean(),
    tools: fc.subarray(['shoe breaker', 'squeeze breaker', 'changer'] as const),
    schools: fc.record(Object.fromEntries(SCHOOLS.map((s) => [s, fc.constantFrom(...schoolChoices(s))]))),
  })
  .map(({ kind, drive, wheelSensors, lightMark, arrows, tube, locks, tools, schools, ...wheel }) =>
    procedureInput({
      machine: { kind, drive, wheelSensors },
      wheel,
      tire: { lightMark, arrows },
      tube,
      locks,
      tools,
      schools,
    }),
  );

describe('whatever the wheel, the machine and the schools', () => {
  const holds = (check: (steps: ReturnType<typeof stepsFor>, input: ProcedureInput) => void) =>
    fc.assert(
      fc.property(anyInput, (input) => check(stepsFor(input), input)),
      { numRuns: 400, seed: 41 },
    );
  const at = (steps: readonly { id: string }[], ...wanted: string[]) => steps.findIndex((s) => wanted.includes(s.id));

  test('air comes out before a bead is broken or a rim bolt undone', () =>
    holds((steps) => {
      const out = at(steps, 'toff-core', 'toff-split-deflate');
      expect(out).toBeGreaterThanOrEqual(0);
      expect(out).toBeLessThan(at(steps, 'toff-break', 'toff-break-split', 'toff-ring'));
    }));

  test('the core is in before the last pressure, and after every time that it was out', () =>
    holds((steps) => {
      const inAt = Math.max(at(steps, 'set-core'), at(steps, 'on-tube-air'), at(steps, 'in-stem'));
      const outAt = Math.max(at(steps, 'seat-flow'), at(steps, 'toff-core', 'toff-split-deflate'));
      expect(inAt).toBeGreaterThan(outAt);
      expect(inAt).toBeLessThan(at(steps, 'set-pressure'));
    }));

  test('a chain and a belt go on before the axle, and the brake is pumped last', () =>
    holds((steps) => {
      const drive = at(steps, 'back-chain', 'back-belt');
      if (drive >= 0) expect(drive).toBeLessThan(at(steps, 'back-axle'));
      const pump = at(steps, 'back-pump');
      if (pump >= 0) expect(pump).toBe(steps.length - 1);
      if (at(steps, 'off-caliper') >= 0) expect(pump).toBeGreaterThan(0);
    }));

  test('what is taken off is put back, and nothing is put back that was not there', () =>
    holds((steps) => {
      for (const [off, back] of [
        ['off-chain', 'back-chain'],
        ['off-belt', 'back-belt'],
        ['off-sensor', 'back-sensor'],
        ['off-caliper', 'back-pads'],
        ['off-brake-drum', 'back-drum'],
        ['off-way', 'back-exhaust'],
        ['off-shaft', 'back-splines'],
      ] as const)
        expect([off, at(steps, off) >= 0]).toEqual([off, at(steps, back) >= 0]);
      if (at(steps, 'toff-tube', 'toff-tube-late') >= 0)
        expect(steps.filter((s) => s.id === 'toff-tube' || s.id === 'toff-tube-late')).toHaveLength(1);
      expect(steps.filter((s) => ['on-tube', 'on-tube-inside', 'on-split'].includes(s.id)).length).toBeLessThanOrEqual(
        1,
      );
    }));

  test('no step comes twice, the stations keep their order, and no advice is force', () =>
    holds((steps) => {
      expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length);
      const order = ['wheel-off', 'tire-off', 'inspect', 'tire-on', 'seat', 'set', 'wheel-back'];
      const seen = steps.map((s) => order.indexOf(s.station));
      expect(seen).toEqual([...seen].sort((a, b) => a - b));
      for (const s of steps) {
        expect(`${s.say} ${s.why}`).not.toMatch(/undefined|pull harder|hit it|longer lever/i);
        expect(s.troubles.every((t) => SYMPTOMS.includes(t))).toBe(true);
        expect(s.places.every((p) => p.deg >= 0 && p.deg <= 360)).toBe(true);
      }
    }));
});

describe('as this wheel needs it', () => {
  const say = (id: string, input: ProcedureInput) => stepsFor(input).find((s) => s.id === id);
  const of = (name: string) => WHEELS_OF_THE_TRADE.find(([n]) => n === name)![1];

  test('two locks are spoken of as two, and stand at their places', () => {
    const step = say('toff-lock', of('dirt front, two locks'))!;
    expect(step.say).toMatch(/rim locks/);
    expect(step.places).toEqual([
      { what: 'rim lock', deg: 110 },
      { what: 'rim lock', deg: 250 },
    ]);
  });

  test('radial calipers are drawn straight off; a sensor ring gets its side noted; a shaft stays upright', () => {
    expect(say('off-caliper', of('adventure front, spoked with a tube'))!.say).toBe(
      'Draw the radial calipers straight off and hang them on a wire.',
    );
    expect(say('off-sensor', of('adventure rear, spoked with a tube'))!.say).toMatch(/disc right/);
    expect(say('off-shaft', of('cruiser rear, cast, shaft'))!.say).toMatch(/vent kept up/);
  });

  test('wherever a wheel can hurt someone there is a caution', () => {
    expect(say('toff-split-deflate', of('scooter rear, split rim'))!.caution).toBe(
      'Deflate fully before undoing any rim bolt. It can kill.',
    );
    expect(say('toff-split-deflate', of('drag rear, beadlock'))!.caution).toMatch(/ring bolt/);
    expect(say('on-ring', of('drag rear, beadlock'))!.caution).toMatch(/maker’s manual/);
    expect(say('toff-first', of('dirt rear, one lock'))!.caution).toMatch(/Never hook a lever under the disc/);
    for (const [, input] of WHEELS_OF_THE_TRADE)
      expect(say('seat-clear', input)!.caution).toMatch(/Never above the limit/);
  });

  test('levers have their start, finish and keeper; without a known rim they have none, and the steps still stand', () => {
    expect(say('on-start', of('dirt rear, one lock'))!.places.map((p) => p.what)).toEqual([
      'start',
      'finish',
      'keeper',
      'push down',
    ]);
    expect(say('on-start', procedureInput({ wheel: { rimDiameterMm: null } }))!.places).toEqual([]);
  });

  test('the disc side is never up under the levers, and matters only where there is one', () => {
    expect(say('on-start', of('dirt rear, one lock'))!.sideUp).toBe('other');
    expect(say('on-start', of('adventure front, spoked with a tube'))!.sideUp).toBeNull();
  });

  test('every tool of a step is among those laid out, but for what only the shop’s school brings', () => {
    const STATION_TOOLS = ['sockets', 'torque wrench', 'tape', 'sockets for the ring bolts'];
    for (const [name, input] of WHEELS_OF_THE_TRADE) {
      const { machine, wheel } = input;
      const laid = tools
        .run({
          kind: machine.kind,
          drive: machine.drive,
          end: wheel.end,
          build: wheel.build,
          discSide: wheel.discSide,
          tube: input.tube !== 'none' || wheel.tubeWas,
          rimLocks: input.locks.length,
          rimDiameterIn: Math.round(wheel.rimDiameterMm! / 25.4),
          fasteners: [],
          wrenches: [],
        })
        .result.groups.flatMap((g) => g.tools.map((t) => t.what));
      const missing = stepsFor(input)
        .flatMap((s) => s.tools)
        .filter((t) => !laid.includes(t) && !STATION_TOOLS.includes(t));
      expect([name, [...new Set(missing)]]).toEqual([name, []]);
    }
  });
});

describe('schools', () => {
  test('each has choices, a note in the rules and a reason for every choice', () => {
    for (const school of SCHOOLS) {
      expect(schoolChoices(school).length).toBeGreaterThan(1);
      expect(findRule(school).note.length).toBeGreaterThan(30);
      for (const choice of schoolChoices(school)) expect(schoolWhy(school, choice).length).toBeGreaterThan(20);
    }
    expect(() => schoolWhy('tube.in', 'sideways')).toThrow(/no choice/);
  });

  test.each<[string, string, string[], string[]]>([
    ['tube.out', 'left in', ['toff-tube-feel', 'toff-tube-late'], ['toff-tube']],
    ['tube.in', 'with the tire', ['on-tube-inside'], ['on-tube']],
    ['tube.settle', 'straight up', [], ['seat-settle']],
    ['tube.school', 'reuse', ['in-tube'], []],
  ])('%s: %s', (school, choice, comes, goes) => {
    const before = ids(procedureInput());
    const after = ids(procedureInput({ schools: { [school]: choice } }));
    expect([after.filter((s) => !before.includes(s)), before.filter((s) => !after.includes(s))]).toEqual([comes, goes]);
  });

  test.each<[string, string, string, RegExp]>([
    ['lock.firstBead', 'brought over', 'on-first', /lever on each side/],
    ['powder.where', 'both', 'on-powder', /tube and inside the tire/],
    ['disc.levers', 'with a pad', 'toff-first', /only padded/],
    ['valveNut.school', 'tightened', 'set-nut', /tightened/],
    ['lightMark.to', 'heavy spot', 'on-mark', /heavy spot/],
  ])('%s: %s changes what is said', (school, choice, id, says) => {
    const said = (schools: ProcedureInput['schools']) =>
      stepsFor(procedureInput(schools ? { schools } : {}))
        .filter((s) => s.id === id)
        .map((s) => `${s.say} ${s.caution}`)[0];
    expect(said({ [school]: choice })).toMatch(says);
    expect(said(undefined)).not.toMatch(says);
  });

  test('a changer straps a spoked wheel; a squeeze breaker takes one side at a time', () => {
    const steps = stepsFor(procedureInput({ tools: ['changer', 'squeeze breaker'] }));
    expect(steps.filter((s) => s.id.endsWith('-strap')).map((s) => s.caution)).toEqual([
      'Never a pin that bends spokes.',
      'Never a pin that bends spokes.',
    ]);
    expect(steps.find((s) => s.id === 'toff-break')!.say).toMatch(/squeeze again/);
    expect(steps.find((s) => s.id === 'toff-first')!.say).toMatch(/just past the rim lock/);
  });

  test('the job’s school wins over the shop’s rule; one that is none is refused by name', () => {
    expect(
      ids(procedureInput({ rules: { 'tube.in': 'with the tire' }, schools: { 'tube.in': 'after the first bead' } })),
    ).toContain('on-tube');
    const problem = problemOf(() => procedure.run(procedureInput({ schools: { 'tube.in': 'sideways' } })));
    expect([problem.field, problem.expected]).toEqual([
      'schools.tube.in',
      expect.stringMatching(/: one of with the tire, after the first bead$/),
    ]);
  });
});

test('as a working it says how many steps each station has, by which schools, with every caution', () => {
  const working = procedure.run(procedureInput());
  expect(working.lines.map((l) => [l.label, l.value])).toEqual([
    ['Wheel off', 9],
    ['Tire off', 8],
    ['Inspect', 7],
    ['Tire on', 13],
    ['Seat', 5],
    ['Set', 4],
    ['Wheel back', 10],
  ]);
  expect(working.basis).toHaveLength(SCHOOLS.length);
  expect(working.cautions).toContain('Never with the disc underneath.');
});
