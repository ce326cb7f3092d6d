import { howMany } from '../../../tests/case-count';
import { problemOf } from '../../../tests/sample';
import { beadPath } from '../bench/beads';
import {
  advisedLevers,
  hiddenBead,
  LEVER_LEVELS,
  leverAct,
  middleDeg,
  playLevers,
  practiceLevers,
  untouched,
  type LeverAct,
} from '.';

describe('the advice with levers', () => {
  test.each(LEVER_LEVELS)(
    '%s: every hidden rim is done, nothing pinched, nothing scratched, no stroke lost',
    (level) => {
      const costs: number[] = [];
      for (let seed = 0; seed < howMany(60, 500); seed++) {
        const bead = hiddenBead(seed, level);
        const acts = [...advisedLevers(bead)];
        const { state, seen } = playLevers(bead, acts);
        expect(`${seed}: ${state.over}`).toBe(`${seed}: true`);
        expect([state.pinchedDegs, state.scratches]).toEqual([[], 0]);
        expect(new Set(seen.map((s) => s.is))).toEqual(new Set(['done', 'goes']));
        costs.push(acts.length);
      }
      // Some twenty bites go round a rim; a wheel of a scooter takes fewer.
      expect(Math.min(...costs)).toBeGreaterThan(10);
      expect(Math.max(...costs)).toBeLessThan(28);
    },
  );
});

describe('a bead under the levers', () => {
  const bead = hiddenBead(3, 'shallow rim');
  const start: LeverAct = { do: 'start', deg: 90 };
  const bite = (mm: number, end: 'clockwise' | 'back' = 'clockwise'): LeverAct => ({
    do: 'bite',
    end,
    mm,
  });
  const played = (acts: LeverAct[], of = bead) =>
    playLevers({ ...of, tubeDegs: of === bead ? [] : of.tubeDegs }, acts);
  const times = (count: number, ...acts: LeverAct[]) =>
    Array.from({ length: count }, () => acts).flat();

  test('nothing goes before it is begun, and it is begun once', () => {
    const { state } = played([bite(60), { do: 'push down' }, start, { do: 'start', deg: 200 }]);
    expect(state).toMatchObject({ startDeg: 90, fromDeg: 45, onDeg: 90, strokes: 0 });
  });

  test('each end goes its own way, as far as the bite is along the flange', () => {
    const span = (60 / (Math.PI * bead.rim.flangeMm)) * 360;
    const on = played([start, bite(60)]).state;
    expect([on.fromDeg, on.onDeg]).toEqual([45, expect.closeTo(90 + span, 9)]);
    const back = played([start, bite(60, 'back')]).state;
    expect([back.fromDeg, back.onDeg]).toEqual([
      expect.closeTo(45 - span, 9),
      expect.closeTo(90 + span, 9),
    ]);
  });

  test('what is left over is what the bead’s path says, with as much up as has climbed', () => {
    expect(untouched(bead)).toMatchObject({ onDeg: 0, over: false, tubeDegs: bead.tubeDegs });
    const before = played([
      start,
      ...times(9, bite(50), { do: 'push down' }),
      bite(50),
      bite(50),
    ]).state;
    const { seen } = leverAct(bead, before, bite(50));
    const { beadMm, wellMm, flangeMm, axialMm, fillMm } = bead.rim;
    const path = beadPath.run({
      ...{ beadMm, wellMm, flangeMm, axialMm, fillMm, biteMm: 50 },
      leftDeg: 360 - before.onDeg,
      farUpDeg: before.upDeg,
    }).result;
    expect(before.upDeg).toBe(20);
    expect(seen.is === 'goes' ? seen.spareMm : seen.is === 'stuck' && -seen.shortMm).toBeCloseTo(
      path.loopSlackMm,
      6,
    );
  });

  test('what climbed out stops it, and pushed down it goes; too long a bite stops it even so', () => {
    const near = played([start, ...times(16, bite(50), { do: 'push down' })]).state;
    const up = leverAct(bead, { ...near, upDeg: near.onDeg }, bite(50));
    expect(up.seen).toMatchObject({ is: 'stuck', why: 'far side up' });
    // A stroke is lost, and nothing moved.
    expect(up.state).toMatchObject({ onDeg: near.onDeg, strokes: near.strokes + 1 });
    expect(leverAct(bead, near, bite(50)).seen.is).toBe('goes');
    const downed = played([start, ...times(40, bite(40), { do: 'push down' })]);
    expect(downed.state.over).toBe(true);
    const shallower = Array.from({ length: 40 }, (_, i) => ({
      ...bead,
      rim: { ...bead.rim, wellMm: bead.rim.wellMm + i / 4 },
    })).find((it) => leverAct(it, near, bite(120)).seen.is === 'stuck')!;
    expect(leverAct(shallower, near, bite(120)).seen).toMatchObject({
      is: 'stuck',
      why: 'bite too long',
    });
    expect(leverAct(shallower, near, bite(30)).seen.is).toBe('goes');
  });

  test('under a knee at its middle the part that is on climbs half as far; elsewhere a knee holds nothing', () => {
    const up = (deg: number | null) =>
      played([
        start,
        ...(deg === null ? [] : [{ do: 'kneel', deg } as const]),
        bite(50),
        bite(50, 'back'),
      ]).state.upDeg;
    expect([up(null), up(90), up(140), up(270)]).toEqual([20, 10, 10, 20]);
    expect(middleDeg(played([start]).state)).toBeCloseTo(90, 9);
  });

  test('a keeper lifts where too much has climbed, and bites come out again', () => {
    const deep = {
      ...hiddenBead(1, 'stiff cold tire'),
      rim: { ...bead.rim, wellMm: bead.rim.beadMm - 60, fillMm: 0 },
    };
    const { seen } = played([start, { do: 'feel' }, ...times(9, bite(50))], deep);
    expect(seen.map((s) => s.is)).toContain('keeper lifts');
  });

  test('the tube is pinched where it lies, once, unless it was felt for; the lock wants pressing in', () => {
    const tube = { ...bead, tubeDegs: [150] };
    const caught = playLevers(tube, [start, bite(60), bite(60), bite(60)]);
    expect(caught.state.pinchedDegs).toEqual([150]);
    expect(playLevers(tube, [start, { do: 'feel' }, bite(60), bite(60)]).state.pinchedDegs).toEqual(
      [],
    );
    const lock = { ...bead, tubeDegs: [], lockDegs: [150] };
    expect(playLevers(lock, [start, bite(60), bite(60)]).seen.at(-1)).toEqual({
      is: 'on the lock',
      deg: 150,
    });
    const pressed = playLevers(lock, [start, bite(60), { do: 'press the lock' }, bite(60)]);
    expect(pressed.seen.at(-1)!.is).toBe('goes');
  });

  test('a round is judged by tube and rim, and says which choice cost what', () => {
    const acts = [...advisedLevers(hiddenBead(5, 'with a lock'))];
    const of = (more: LeverAct[]) =>
      practiceLevers.run({ seed: 5, level: 'with a lock', acts: more });
    const good = of(acts);
    expect([good.verdict, good.result.good, good.result.debrief]).toEqual(['good', true, []]);
    expect(good.result.cost).toBe(good.result.advisedCost);
    const advice = good.result.advice.map((s) => s.says);
    expect(advice.slice(0, 3).join()).toMatch(
      /^start at .*, clear of the valve,feel for the tube all around,kneel at/,
    );
    expect(advice).toContain('press the rim lock in');
    // Each bite is told once: the counts of all lines are the bites.
    const told = advice.flatMap((s) => /^(\d+) bites? of \d+/.exec(s)?.slice(1).map(Number) ?? []);
    expect(told.reduce((a, b) => a + b, 0)).toBe(acts.filter((a) => a.do === 'bite').length);
    const unfelt = of(acts.filter((a) => a.do !== 'feel'));
    expect([unfelt.verdict, unfelt.result.good]).toEqual(['stop', false]);
    expect(unfelt.result.debrief[0]!.says).toMatch(
      /^The tube lay on the bead seat at .* and got pinched/,
    );
    const unpressed = of(acts.filter((a) => a.do !== 'press the lock'));
    expect(unpressed.result.debrief.map((r) => r.says).join()).toContain(
      'the bead sat on the rim lock',
    );
    expect(of(acts.slice(0, 6))).toMatchObject({ verdict: 'check', result: { good: false } });
  });

  test('an act that is none is refused', () => {
    const refused = (act: unknown) =>
      problemOf(() => practiceLevers.run({ seed: 5, level: 'deep rim', acts: [act] as never }))
        .field;
    expect(refused({ do: 'bite', end: 'clockwise', mm: 500 })).toMatch(/^acts/);
    expect(refused({ do: 'sing' })).toMatch(/^acts/);
  });
});
