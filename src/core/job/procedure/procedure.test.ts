import fc from 'fast-check';
import { problemOf } from '../../../../tests/sample';
import { procedureInput, WHEELS_OF_THE_TRADE } from '../../../../tests/wheels-of-the-trade';
import { mountOrientation } from '../../bench/beads';
import { findRule } from '../../base/rules';
import { BUILDS, DISC_SIDES, DRIVES, MACHINE_KINDS, type MachineKind } from '../../fit/wheels';
import { tools } from '../../bench/fitting';
import {
  procedure,
  schoolChoices,
  SCHOOLS,
  schoolWhy,
  stepsFor,
  SYMPTOMS,
  type ProcedureInput,
} from '.';

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
    heavySpotDeg: fc.option(fc.integer({ min: 1, max: 359 })),
    rimDiameterMm: fc.option(fc.integer({ min: 100, max: 600 })),
    tube: fc.constantFrom('none' as const, 'one' as const, 'doubled' as const),
    locks: fc.array(fc.integer({ min: 20, max: 340 }), { maxLength: 3 }),
    lightMark: fc.boolean(),
    arrows: fc.boolean(),
    tools: fc.subarray(['shoe breaker', 'squeeze breaker', 'changer'] as const),
    schools: fc.record(
      Object.fromEntries(SCHOOLS.map((s) => [s, fc.constantFrom(...schoolChoices(s))])),
    ),
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
  const at = (steps: readonly { id: string }[], ...wanted: string[]) =>
    steps.findIndex((s) => wanted.includes(s.id));

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

  test('a chain and a belt go on before the axle, the brake is pumped after all is tight, and only then it comes down', () =>
    holds((steps) => {
      const drive = at(steps, 'back-chain', 'back-belt');
      if (drive >= 0) expect(drive).toBeLessThan(at(steps, 'back-axle'));
      const pump = at(steps, 'back-pump');
      if (pump >= 0) expect(at(steps, 'back-spin')).toBe(pump + 1);
      if (pump >= 0) expect(pump).toBeGreaterThan(at(steps, 'back-torque'));
      if (at(steps, 'off-caliper') >= 0) expect(pump).toBeGreaterThan(0);
      expect(at(steps, 'back-down')).toBe(pump >= 0 ? pump + 2 : -1);
    }));

  test('a four-wheeler stands on the ground, its brake firm, before its nuts are torqued, and is not moved after', () =>
    holds((steps) => {
      const lower = at(steps, 'back-lower');
      if (lower < 0) return;
      expect(at(steps, 'back-nuts')).toBeLessThan(at(steps, 'back-pedal'));
      expect(at(steps, 'back-pedal')).toBeLessThan(lower);
      expect(lower).toBeLessThan(at(steps, 'back-torque'));
      const after = steps.slice(at(steps, 'back-torque') + 1).map((s) => `${s.say} ${s.why}`);
      expect(after.join()).not.toMatch(/lower it|roll|off the stands|slack the|adjuster/i);
    }));

  test('what comes off goes back once, after what it sits on, and nothing goes back that was not there', () =>
    holds((steps) => {
      const seat = ['back-axle', 'back-hub'];
      /** What comes off, what puts it back, and what has to be there before. */
      const parts: readonly (readonly [string, string, readonly string[]])[] = [
        ['off-axle-out', 'back-axle', ['back-chain', 'back-belt', 'back-splines', 'back-spacers']],
        ['off-chain', 'back-chain', []],
        ['off-belt', 'back-belt', []],
        ['off-sensor', 'back-sensor', seat],
        ['off-caliper', 'back-pads', seat],
        ['off-caliper', 'back-caliper', [...seat, 'back-pads']],
        ['off-brake-drum', 'back-drum', seat],
        ['off-hub', 'back-hub', []],
        ['off-way', 'back-exhaust', ['back-torque']],
        ['off-shaft', 'back-splines', []],
        ['toff-break-split', 'on-split-torque', ['on-split']],
        ['toff-ring', 'on-ring-torque', ['on-ring', 'on-step']],
        ['toff-inner', 'on-inner', []],
      ];
      for (const [off, back, before] of parts) {
        expect([off, at(steps, off) >= 0]).toEqual([off, at(steps, back) >= 0]);
        expect(steps.filter((s) => s.id === back).length).toBeLessThanOrEqual(1);
        for (const first of before)
          if (at(steps, back) >= 0 && at(steps, first) >= 0)
            expect([first, back, at(steps, first) < at(steps, back)]).toEqual([first, back, true]);
      }
      // The axle is out before the wheel leaves the drive, and the wheel leaves the machine last.
      if (at(steps, 'off-shaft') >= 0 && at(steps, 'off-axle-out') >= 0)
        expect(at(steps, 'off-axle-out')).toBeLessThan(at(steps, 'off-shaft'));
      expect(at(steps, 'off-out')).toBeGreaterThan(
        at(steps, 'off-axle-out', 'off-shaft', 'off-caliper'),
      );
      if (at(steps, 'toff-tube', 'toff-tube-late') >= 0)
        expect(steps.filter((s) => s.id === 'toff-tube' || s.id === 'toff-tube-late')).toHaveLength(
          1,
        );
    }));

  test('a wheel without an axle of its own has none put in, and comes off rather than out', () =>
    holds((steps, { machine, wheel }) => {
      const four = ['quad', 'side-by-side', 'drag'].includes(machine.kind);
      const onHub =
        four || (machine.kind === 'scooter' && machine.drive === 'hub' && wheel.end === 'rear');
      const back = steps.filter((s) => s.station === 'wheel-back' || s.station === 'wheel-off');
      const out = steps.find((s) => s.id === 'off-out')!;
      expect(out.say).toBe(onHub ? 'Take the wheel off.' : 'Take the wheel out.');
      if (onHub)
        expect(back.map((s) => `${s.say} ${s.why} ${s.confirm}`).join('\n')).not.toMatch(
          /\baxle\b/i,
        );
      else expect(at(steps, 'back-axle')).toBeGreaterThan(0);
    }));

  /** What a step leaves behind: air in the tire, and the core in its stem. */
  const AFTER: Record<string, { air?: boolean; core?: boolean }> = {
    'toff-core': { air: false, core: false },
    'toff-split-deflate': { air: false, core: false },
    'on-tube-air': { core: true },
    'in-stem': { core: true },
    'seat-little': { air: true },
    'seat-flow': { core: false },
    'seat-pops': { air: true },
    'seat-center': { air: false },
    'seat-settle': { air: true, core: true },
    'set-core': { air: false, core: true },
    'seat-air': { air: true },
    'set-rollout': { air: true },
    'set-match': { air: true },
    'set-pressure': { air: true },
  };
  /** What a step needs: a leak shows under air, a bolt is turned without it. */
  const NEEDS: Record<string, { air?: boolean; core?: boolean }> = {
    'toff-break': { air: false },
    'toff-break-split': { air: false },
    'toff-ring': { air: false },
    'on-split': { air: false },
    'on-split-torque': { air: false },
    'on-ring': { air: false },
    'on-ring-torque': { air: false },
    'seat-air': { core: true },
    'seat-bubbles': { air: true, core: true },
    'set-rollout': { core: true },
    'set-match': { core: true },
    'set-pressure': { core: true },
    'set-cap': { air: true, core: true },
  };
  test('air is in when it is needed and out when it must be, and the core with it', () =>
    holds((steps) => {
      let now = { air: true, core: true };
      for (const { id } of steps) {
        for (const [what, is] of Object.entries(NEEDS[id] ?? {}))
          expect([id, what, now[what as 'air' | 'core']]).toEqual([id, what, is]);
        now = { ...now, ...AFTER[id] };
      }
      expect(now).toEqual({ air: true, core: true });
    }));

  test('a rollout is taped at the measuring pressure, before the riding pressure is set', () =>
    holds((steps) => {
      const tape = at(steps, 'set-rollout', 'set-match');
      if (tape < 0) return;
      expect(tape).toBeLessThan(at(steps, 'set-pressure'));
      expect(steps[tape]!.say).toMatch(/^Air to the measuring pressure/);
    }));

  test('a valve nut is backed off against a cap that is on', () =>
    holds((steps, { schools, tube }) => {
      const [nut, cap] = [at(steps, 'set-nut'), at(steps, 'set-cap')];
      if (tube === 'none') return expect(nut).toBe(-1);
      expect(nut > cap).toBe(schools!['valveNut.school'] === 'against the cap');
    }));

  test('slack is read again once the axle is torqued', () =>
    holds((steps) => {
      expect(at(steps, 'back-slack') >= 0).toBe(at(steps, 'back-align') >= 0);
      if (at(steps, 'back-slack') >= 0)
        expect(at(steps, 'back-slack')).toBe(at(steps, 'back-torque') + 1);
    }));

  test('the beads are lubricated and the rim protected before anything comes off it', () =>
    holds((steps, input) => {
      const first = at(steps, 'toff-first');
      if (first < 0) return;
      expect(at(steps, 'toff-break')).toBeLessThan(at(steps, 'toff-soap'));
      expect(at(steps, 'toff-soap')).toBeLessThan(first);
      // A squeeze breaker squeezes again once the first side is off the rim.
      const squeezes =
        input.tools.includes('squeeze breaker') ||
        input.schools?.['bead.break'] === 'squeeze breaker';
      expect(at(steps, 'toff-squeeze') >= 0).toBe(squeezes);
      if (squeezes) {
        expect(first).toBeLessThan(at(steps, 'toff-squeeze'));
        expect(at(steps, 'toff-squeeze')).toBeLessThan(at(steps, 'toff-second'));
      }
    }));

  test('a changer has neither bites nor a bead keeper', () =>
    holds((steps, input) => {
      const withChanger =
        input.tools.includes('changer') || input.schools?.['lever.tool'] === 'changer';
      if (!withChanger || input.wheel.build === 'beadlock') return;
      const work = steps.filter((s) => s.station === 'tire-off' || s.station === 'tire-on');
      for (const s of work) {
        const words = [s.say, s.why, s.confirm, s.caution, ...s.places.map((p) => p.what)].join(
          ' ',
        );
        expect(s.troubles.includes('keeper-lifts') || s.troubles.includes('lever-slips')).toBe(
          false,
        );
        // The rim lock and the disc have cautions of their own that name a lever.
        if (!/lock|break/.test(s.id))
          expect([s.id, /\bbites?\b|keeper/.test(words)]).toEqual([s.id, false]);
        expect([
          s.id,
          s.reads === 'bead-path' || s.shows === 'levers-off' || s.shows === 'levers-on',
        ]).toEqual([s.id, false]);
      }
    }));

  test('the light mark goes to a heavy spot that was looked for on the bare wheel', () =>
    holds((steps, { tire, schools }) => {
      const asks = tire.lightMark && schools!['lightMark.to'] === 'heavy spot';
      expect(at(steps, 'in-heavy') >= 0).toBe(asks);
      if (asks) expect(at(steps, 'in-heavy')).toBeGreaterThan(at(steps, 'in-old-weights'));
    }));

  test('a seal is inspected where it alone holds the air, and turning a nipple is said to break it', () =>
    holds((steps, { wheel, tube }) => {
      const isSealed =
        wheel.sealed && tube === 'none' && (wheel.build === 'spoked' || wheel.build === 'split');
      expect(at(steps, 'in-seal') >= 0).toBe(isSealed);
      const spokes = steps.find((s) => s.id === 'in-spokes');
      if (spokes) expect(/breaks the seal/.test(spokes.why)).toBe(wheel.sealed);
    }));

  test('an old tube is either got ready to go in again or slit as a sleeve', () =>
    holds((steps) => expect(at(steps, 'in-tube') >= 0 && at(steps, 'on-sleeve') >= 0).toBe(false)));

  test('with one ring the other bead is broken, levered off and put back like any other', () =>
    holds((steps, { wheel }) => {
      const isOne = wheel.build === 'beadlock';
      for (const id of ['toff-inner', 'on-inner']) expect(at(steps, id) >= 0).toBe(isOne);
      if (!isOne) return;
      expect(at(steps, 'toff-ring')).toBeLessThan(at(steps, 'toff-inner'));
      expect(at(steps, 'toff-inner')).toBeLessThan(at(steps, 'toff-second-clamped'));
      expect(at(steps, 'on-inner')).toBeLessThan(at(steps, 'on-step'));
    }));

  test('what a step speaks of using is laid out for it, and what is laid out is spoken of', () =>
    holds((steps) => {
      /** A word of use, and the tool or part that it takes. */
      const used: readonly (readonly [RegExp, RegExp])[] = [
        [/\brag\b/i, /^rag$/],
        [/with wood/i, /wood wedge/],
        [/on a wire/i, /wire or cord/],
        [/^torque|^second pass/i, /torque wrench/],
        [/soapy water/i, /soapy water/],
        [/^lubricate|and lubricate it/i, /lubricant for beads/],
        [/^lever |: start here/i, /levers|changer/],
        [/^squeeze/i, /squeeze breaker/],
        [/^(strap|powder)/i, /strap|talc/],
        [/tape the rollout/i, /steel tape/],
        [/cotter pin/i, /cotter pin/],
      ];
      for (const s of steps) {
        const has = [...s.tools, ...s.parts];
        for (const [word, thing] of used) {
          if (word.test(s.say))
            expect([s.id, has.some((t) => thing.test(t))]).toEqual([s.id, true]);
        }
        for (const [word, thing] of used.slice(0, 3))
          if (has.some((t) => thing.test(t)))
            expect([s.id, word.test(`${s.say} ${s.why}`)]).toEqual([s.id, true]);
      }
    }));

  test('every fastener, belt and part that came off goes back by its name', () =>
    holds((steps) => {
      const words = (station: string) =>
        steps
          .filter((s) => s.station === station)
          .map((s) => `${s.say} ${s.why}`.toLowerCase())
          .join('\n');
      const [off, back] = [words('wheel-off'), words('wheel-back')];
      for (const part of [
        'caliper',
        'sensor',
        'chain',
        'belt',
        'brake rod',
        'anti-rotation arm',
        'axle',
        'spacers',
        'adjuster',
        'exhaust or bags',
        'wheel nuts',
        'pinch bolts',
      ])
        if (off.includes(part))
          expect([part, back.includes(part.split(' or ')[0]!)]).toEqual([part, true]);
    }));

  test('a tube goes in once, before the wheel is bolted together or the last bead goes over', () =>
    holds((steps, { tube, wheel }) => {
      const inAt = steps.filter((s) =>
        ['on-tube', 'on-tube-inside', 'on-tube-clamped'].includes(s.id),
      );
      expect(inAt).toHaveLength(tube === 'none' ? 0 : 1);
      const closes = at(steps, 'on-split', 'on-step', 'on-start');
      expect(closes).toBeGreaterThan(0);
      if (inAt[0]) expect(steps.indexOf(inAt[0])).toBeLessThan(closes);
      expect(at(steps, 'on-split-torque') >= 0).toBe(wheel.build === 'split');
    }));

  test('bolts of ring and rim are torqued as a step of their own, before any air', () =>
    holds((steps, { wheel }) => {
      const torque = at(steps, 'on-ring-torque', 'on-split-torque');
      expect(torque >= 0).toBe(wheel.build === 'beadlock' || wheel.build === 'split');
      if (torque < 0) return;
      expect(torque).toBeGreaterThan(at(steps, 'on-ring', 'on-split'));
      expect(steps[torque]!.tools).toEqual(['torque wrench']);
      expect(torque).toBeLessThan(steps.findIndex((s) => s.station === 'seat'));
      expect(steps[torque]!.caution).toMatch(/maker’s/);
    }));

  test('no word names a part that this wheel does not have', () =>
    holds((steps, { wheel, machine, tube, tire, locks }) => {
      const isBolted = wheel.build === 'split' || wheel.build === 'beadlock';
      const hasAdjusters =
        wheel.end === 'rear' &&
        (machine.drive === 'chain' || machine.drive === 'belt') &&
        !['quad', 'side-by-side', 'drag'].includes(machine.kind);
      const tireWork = steps.filter((s) =>
        ['tire-off', 'inspect', 'tire-on', 'seat', 'set'].includes(s.station),
      );
      const newTire = tireWork.filter((s) => ['tire-on', 'seat', 'set'].includes(s.station));
      const textOf = (list: typeof steps) =>
        list
          .flatMap((s) => [
            s.say,
            s.why,
            s.confirm ?? '',
            s.caution ?? '',
            ...s.tools,
            ...s.parts,
            ...s.troubles,
            ...s.places.map((p) => p.what),
          ])
          .join('\n')
          .toLowerCase();
      const [everywhere, onTire, onNew] = [textOf(steps), textOf(tireWork), textOf(newTire)];
      if (locks.length === 0) expect(everywhere).not.toMatch(/\block(s|-stuck)?\b(?! the wheel)/);
      if (locks.length > 1 && !isBolted)
        expect(everywhere.replaceAll('wrench for the rim lock', '')).not.toMatch(
          /\bthe (rim )?lock\b|past the rim lock\b|\block must\b/,
        );
      // A caliper also measures bead bundles.
      if (wheel.discSide === 'none')
        expect(everywhere.replace(/^caliper$/gm, '')).not.toMatch(/\bdiscs?\b|caliper|\bpads\b/);
      if (!hasAdjusters) expect(everywhere).not.toMatch(/adjuster/);
      if (tube === 'none') expect(onNew).not.toMatch(/\btubes?\b|tube-showing|valve-leans/);
      if (tube === 'none' && !wheel.tubeWas) expect(onTire).not.toMatch(/\btubes?\b/);
      if (wheel.build !== 'spoked') expect(onTire).not.toMatch(/nipple|spoke/);
      if (wheel.build !== 'spoked' || tube === 'none' || wheel.sealed)
        expect(onTire).not.toMatch(/\bstrip/);
      if (!tire.arrows)
        expect(onTire.replace(/no arrow on it/g, '')).not.toMatch(/arrow|wrong-way/);
      // With one ring the other bead is levered.
      if (isBolted)
        expect(onTire).not.toMatch(
          wheel.build === 'split' ? /\blevers?\b|bite|keeper/ : /bite|keeper/,
        );
      if (wheel.build !== 'beadlock') expect(everywhere).not.toMatch(/ring bolt/);
      if (wheel.build !== 'split') expect(everywhere).not.toMatch(/rim bolt/);
      expect(everywhere).not.toMatch(/ {2}|undefined|null/);
    }));

  test('the light mark stands at one place: in the step, on the dial and by orientation, and the sentence says it', () =>
    holds((steps, { wheel, tire, schools }) => {
      const step = steps.find((s) => s.id === 'on-mark' || s.id === 'on-mark-clamped');
      expect(step !== undefined).toBe(tire.lightMark);
      if (!step) return;
      const school = schools!['lightMark.to'] as 'valve' | 'heavy spot';
      const wants = school === 'heavy spot' ? wheel.heavySpotDeg : 0;
      expect(step.places).toEqual([{ what: 'light mark', deg: wants ?? 0 }]);
      const { result } = mountOrientation.run({
        arrowSeen: 'none',
        discSide: wheel.discSide,
        sideUp: wheel.discSide === 'left' ? 'left' : 'right',
        lightMark: true,
        heavySpotDeg: wheel.heavySpotDeg,
        school,
      });
      expect(result.markDeg).toBe(wants ?? 0);
      const says =
        wants === null
          ? /light mark to the valve/
          : school === 'valve'
            ? /to the valve/
            : /to the heavy spot, /;
      expect(step.say).toMatch(says);
      expect(result.reasons.map((r) => r.says).join()).toMatch(says);
    }));

  test('a way of working changes the procedure however it is given: as a tool, as the job’s school or as the shop’s rule', () =>
    fc.assert(
      fc.property(
        anyInput,
        fc.constantFrom('squeeze breaker', 'shoe breaker', 'changer'),
        (input, way) => {
          const key = way === 'changer' ? 'lever.tool' : 'bead.break';
          const bare = {
            ...input,
            tools: [],
            schools: { 'bead.break': 'hands and levers', 'lever.tool': 'levers' },
          };
          const usual = { ...bare, schools: {}, rules: {} };
          const byTool = stepsFor({ ...bare, tools: [way] } as ProcedureInput);
          expect(stepsFor({ ...bare, schools: { ...bare.schools, [key]: way } })).toEqual(byTool);
          expect(stepsFor({ ...usual, rules: { [key]: way } })).toEqual(
            stepsFor({ ...usual, tools: [way] } as ProcedureInput),
          );
        },
      ),
      { numRuns: 100, seed: 41 },
    ));

  test('no step comes twice, the stations keep their order, and no advice is force', () =>
    holds((steps) => {
      expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length);
      const order = [
        'wheel-off',
        'tire-off',
        'inspect',
        'tire-on',
        'seat',
        'set',
        'wheel-back',
        'hand-over',
      ];
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
    expect(say('off-shaft', of('cruiser rear, cast, shaft'))!.say).toMatch(/Keep the vent up/);
  });

  test('wherever a wheel can hurt someone there is a caution', () => {
    expect(say('toff-split-deflate', of('scooter rear, split rim'))!.caution).toBe(
      'Deflate fully before undoing any rim bolt. It can kill.',
    );
    expect(say('toff-split-deflate', of('drag rear, beadlock'))!.caution).toMatch(/ring bolt/);
    expect(say('on-ring', of('drag rear, beadlock'))!.caution).toMatch(/maker’s manual/);
    expect(say('toff-first', of('dirt rear, one lock'))!.caution).toMatch(
      /Never hook a lever under the disc/,
    );
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
    const STATION_TOOLS = ['sockets', 'torque wrench'];
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
          ...(wheel.rings && { rings: wheel.rings }),
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
      for (const choice of schoolChoices(school))
        expect(schoolWhy(school, choice).length).toBeGreaterThan(20);
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
    expect([
      after.filter((s) => !before.includes(s)),
      before.filter((s) => !after.includes(s)),
    ]).toEqual([comes, goes]);
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

  test('a changer straps a spoked wheel; a squeeze breaker squeezes twice', () => {
    const steps = stepsFor(procedureInput({ tools: ['changer', 'squeeze breaker'] }));
    expect(steps.filter((s) => s.id.endsWith('-strap')).map((s) => s.caution)).toEqual([
      'Never a pin that bends spokes.',
      'Never a pin that bends spokes.',
    ]);
    expect(steps.find((s) => s.id === 'toff-break')!.say).toBe('Squeeze until one bead lets go.');
    expect(steps.find((s) => s.id === 'toff-squeeze')!.say).toMatch(/^Squeeze again/);
    const shoe = stepsFor(procedureInput({ tools: ['changer', 'shoe breaker'] }));
    expect(shoe.find((s) => s.id === 'toff-first')!.say).toMatch(/just past the rim lock/);
  });

  test('the job’s school wins over the shop’s rule; one that is none is refused by name', () => {
    expect(
      ids(
        procedureInput({
          rules: { 'tube.in': 'with the tire' },
          schools: { 'tube.in': 'after the first bead' },
        }),
      ),
    ).toContain('on-tube');
    const problem = problemOf(() =>
      procedure.run(procedureInput({ schools: { 'tube.in': 'sideways' } })),
    );
    expect([problem.field, problem.expected]).toEqual([
      'schools.tube.in',
      expect.stringMatching(/: with the tire, after the first bead$/),
    ]);
  });
});

test('as a working it says how many steps each station has, by which schools, with every caution', () => {
  const working = procedure.run(procedureInput());
  expect(working.lines.map((l) => [l.label, l.value])).toEqual([
    ['Wheel off', 10],
    ['Tire off', 8],
    ['Inspect', 7],
    ['Tire on', 13],
    ['Seat', 5],
    ['Pressure', 4],
    ['Wheel on', 15],
    ['Hand over', 1],
  ]);
  expect(working.basis).toHaveLength(SCHOOLS.length);
  expect(working.cautions).toContain('Never with the disc underneath.');
});

describe('rollout is taped', () => {
  const at = (kind: MachineKind, end: 'front' | 'rear', pair: boolean) =>
    stepsFor(procedureInput({ machine: { kind }, wheel: { end, build: 'cast', pair } }))
      .filter((s) => s.reads === 'rollout')
      .map((s) => s.id);
  test('of drag rears always, of a sidecar’s rear, and of every wheel that makes a pair; once', () => {
    expect([at('drag', 'rear', false), at('drag', 'front', false)]).toEqual([['set-rollout'], []]);
    expect([at('side-by-side', 'front', true), at('side-by-side', 'rear', false)]).toEqual([
      ['set-rollout'],
      [],
    ]);
    expect([at('sidecar', 'rear', false), at('sidecar', 'front', true)]).toEqual([
      ['set-match'],
      ['set-match'],
    ]);
    expect(at('drag', 'rear', true)).toHaveLength(1);
  });
});
