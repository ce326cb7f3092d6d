import { hiddenSpokes, SPOKE_LEVELS, type HiddenSpokes } from '../../practice';
import { howMany } from '../../../../tests/case-count';
import { problemOf } from '../../../../tests/sample';
import { trueAdvise, type Turned } from '.';

const DEGS = Array.from({ length: 18 }, (_, i) => i * 20);

const asked = (wheel: HiddenSpokes) => ({
  readings: wheel.read(DEGS),
  spokes: wheel.spokes,
  rimDiameterMm: wheel.rimDiameterMm,
});
type Input = Parameters<typeof trueAdvise.run>[0];
const advise = (input: Input) => trueAdvise.run(input).result;
const turnedOf = (advice: ReturnType<typeof advise>): Turned[] =>
  advice.nipples.map((n) => ({
    spoke: n.spoke,
    eighths: n.turn === 'tighten' ? n.eighths : -n.eighths,
  }));

describe('hidden wheels', () => {
  test.each(SPOKE_LEVELS)(
    '%s: under the limit in three passes at most, none past the turns of a pass',
    (level) => {
      const passes: number[] = [];
      for (let seed = 0; seed < howMany(24, 200); seed++) {
        let wheel = hiddenSpokes(seed, level);
        let before: Input['before'];
        let pass = 0;
        for (; pass <= 3; pass++) {
          const input = { ...asked(wheel), ...(before && { before }) };
          const advice = advise(input);
          if (advice.do === 'leave') break;
          expect(`${seed}: ${advice.do}`).toBe(`${seed}: turn`);
          for (const n of advice.nipples) expect(n.eighths >= 1 && n.eighths <= 4).toBe(true);
          expect(advice.mostOffPct).toBeLessThanOrEqual(50 + 1e-6);
          before = { readings: input.readings, turned: turnedOf(advice) };
          wheel = wheel.after(before.turned);
        }
        expect(`${seed}: ${pass} passes`).toMatch(/: [1-3] passes$/);
        passes.push(pass);
      }
      expect(passes.filter((p) => p === 1).length).toBeGreaterThan(passes.length / 2);
    },
  );

  test('what it says the rim will read is what the model’s own rim reads', () => {
    for (let seed = 0; seed < 6; seed++) {
      const wheel = hiddenSpokes(seed, 'a wobble');
      const first = advise(asked(wheel));
      const second = advise({
        ...asked(wheel.after(turnedOf(first))),
        before: { readings: wheel.read(DEGS), turned: turnedOf(first) },
      });
      // Its own thread and stiffness are within a third of the average ones: so is what is left of
      // the change.
      expect(second.own.side).not.toBeNull();
      expect(Math.abs(Math.log(second.own.side!))).toBeLessThan(0.5);
    }
  });
});

describe('one wheel', () => {
  const wheel = hiddenSpokes(4, 'a wobble');
  const input = asked(wheel);
  const first = advise(input);

  test('high toward the disc side: its own spokes there are let go, those of the other side pull it back', () => {
    const readings = DEGS.map((angleDeg) => ({
      angleDeg,
      lateralMm: 1.2 * Math.cos(((angleDeg - 90) * Math.PI) / 180),
    }));
    const { nipples, after, now } = advise({ ...input, spokes: 36, readings });
    for (const n of nipples) {
      const isHigh = n.deg > 0 && n.deg < 180;
      expect(`${n.spoke} ${n.turn}`).toBe(
        `${n.spoke} ${(n.spoke % 2 === 1) === isHigh ? 'loosen' : 'tighten'}`,
      );
      expect(n.deg).toBeCloseTo(n.spoke * 10 - 5, 9);
    }
    expect(now.sideMm).toBeCloseTo(2.4, 1);
    expect(after.sideMm).toBeLessThanOrEqual(0.75 * 1.5);
    expect([now.upMm, after.upMm]).toEqual([null, null]);
    const hop = DEGS.map((angleDeg) => ({
      angleDeg,
      radialMm: 1.2 * Math.cos(((angleDeg - 90) * Math.PI) / 180),
    }));
    for (const n of advise({ ...input, spokes: 36, readings: hop }).nipples)
      expect(n.turn).toBe(n.deg > 0 && n.deg < 180 ? 'tighten' : 'loosen');
  });

  test('the other side first: the same places, the other way round', () => {
    const other = advise({
      ...input,
      readings: input.readings.map(({ angleDeg, lateralMm }) => ({ angleDeg, lateralMm })),
      firstTo: 'other side',
    });
    const mirrored = advise({
      ...input,
      readings: input.readings.map(({ angleDeg, lateralMm }) => ({
        angleDeg,
        lateralMm: -lateralMm!,
      })),
    });
    expect(other.nipples).toEqual(mirrored.nipples);
    expect(other.nipples.length).toBeGreaterThan(0);
  });

  test('a rim that went the other way, or moved three times as far, is asked about and not learned from', () => {
    const turned = turnedOf(first);
    const against = asked(wheel.after(turned.map((n) => ({ ...n, eighths: -n.eighths }))));
    const wrong = advise({ ...against, before: { readings: input.readings, turned } });
    expect(wrong.own.side).toBeNull();
    expect(wrong.reasons[0]!.says).toContain('The rim went the other way');
    const far = asked(wheel.after(turned.map((n) => ({ ...n, eighths: 3 * n.eighths }))));
    const much = advise({ ...far, before: { readings: input.readings, turned } });
    expect(much.own.side).toBeNull();
    expect(much.reasons[0]!.says).toMatch(/The rim moved \d{3}% as far side to side/);
    const once = advise({
      ...asked(wheel.after(turned)),
      before: { readings: input.readings, turned },
    });
    expect(once.reasons.every((r) => !/The rim/.test(r.says))).toBe(true);
  });

  test('hardly any turn before tells nothing of the wheel', () => {
    const turned = [{ spoke: 3, eighths: 1 }];
    expect(
      advise({ ...asked(wheel.after(turned)), before: { readings: input.readings, turned } }).own
        .side,
    ).toBeNull();
  });

  test('a rim within the limit is left alone; a kink is not mended by nipples', () => {
    const flat = DEGS.map((angleDeg) => ({
      angleDeg,
      lateralMm: 0.7 * Math.cos((angleDeg * Math.PI) / 180),
    }));
    expect(advise({ ...input, readings: flat })).toMatchObject({ do: 'leave', nipples: [] });
    const kink = DEGS.map((angleDeg) => ({ angleDeg, lateralMm: angleDeg === 100 ? 4 : 0 }));
    const stuck = trueAdvise.run({ ...input, readings: kink });
    expect([stuck.result.do, stuck.verdict, stuck.result.nipples]).toEqual(['look', 'stop', []]);
    expect(stuck.result.after).toEqual(stuck.result.now);
  });

  test('a tension that stands out already may only come nearer', () => {
    const tones = Array.from({ length: wheel.spokes }, (_, i) => ({ spoke: i + 1, toneHz: 300 }));
    const tight = first.nipples.find((n) => n.turn === 'tighten')!;
    const rung = tones.map((s) => (s.spoke === tight.spoke ? { ...s, toneHz: 420 } : s));
    const careful = advise({ ...input, rung });
    expect(careful.nipples.some((n) => n.spoke === tight.spoke && n.turn === 'tighten')).toBe(
      false,
    );
    expect(careful.mostOffPct).toBeLessThanOrEqual(96 + 1e-6);
    expect(advise({ ...input, rung: tones }).nipples).toEqual(first.nipples);
  });

  test('the shop’s limits bind: smaller turns, a stricter rim', () => {
    const small = advise({ ...input, rules: { 'true.mostTurns': 0.125 } });
    for (const n of small.nipples) expect(n.eighths).toBe(1);
    const strict = advise({ ...input, rules: { 'runout.spokedCheckMm': 0.8 } });
    expect(strict.nipples.length).toBeGreaterThan(first.nipples.length);
    const calm = advise({ ...input, rules: { 'true.spreadPct': 12 } });
    expect(calm.mostOffPct).toBeLessThanOrEqual(12 + 1e-6);
  });

  test('what contradicts itself is refused', () => {
    expect(problemOf(() => advise({ ...input, spokes: 35 }))).toMatchObject({
      field: 'spokes',
      expected: 'Enter an even number',
    });
    const before = { readings: input.readings, turned: [{ spoke: 77, eighths: 1 }] };
    expect(problemOf(() => advise({ ...input, before })).message).toBe('There is no spoke 77.');
    const twice = {
      ...before,
      turned: [
        { spoke: 3, eighths: 1 },
        { spoke: 3, eighths: -1 },
      ],
    };
    expect(problemOf(() => advise({ ...input, before: twice })).field).toMatch(/^before\.turned/);
    expect(problemOf(() => advise({ ...input, readings: [] })).field).toBe('readings');
    expect(
      problemOf(() => advise({ ...input, readings: input.readings.slice(0, 9) })).message,
    ).toMatch(/stretch of/);
  });
});
