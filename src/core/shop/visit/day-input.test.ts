import { blocksLeft, dayPlan, type StationLeft } from '../day';
import { STATIONS } from '../../base/stations';
import { dayInput, type InNow, type VisitState, type WheelNow } from '.';

const NOW = '2026-04-30T09:00:00.000Z';
const at = (minutes: number) => new Date(Date.parse(NOW) + minutes * 60_000).toISOString();
/** All stations from one on, as the rules say them. */
const leftFrom = (index: number): StationLeft[] =>
  STATIONS.slice(index).map((station) => ({ station, leftPct: 100, tookS: [] }));
const oneIn = (id: string, more: Partial<VisitState> = {}, left = leftFrom(0)): InNow => ({
  id,
  missing: [],
  state: {
    machineId: 'm',
    machineName: id,
    rider: 'Ned Ash',
    wheels: [],
    wanted: '',
    dueAt: null,
    agreed: null,
    waits: null,
    waitsUntil: null,
    planned: [],
    notes: [],
    handedOver: null,
    ...more,
  },
  wheels: [{ now: { jobId: `${id}-job`, position: 'rear' } as WheelNow, left }],
});
const asked = (all: InNow[], people = ['Wim', 'Ada']) =>
  dayInput(all, { people, benches: 2, nowMs: Date.parse(NOW), rules: {} });
const put = (startMin: number, more: object = {}) => ({
  jobId: 'a-job',
  block: 'bare' as const,
  person: 'Wim',
  startAt: at(startMin),
  ...more,
});

describe('the work that is left, in blocks', () => {
  test('three of a wheel that has just come in, one of a wheel that goes back on, none of a finished one', () => {
    expect(blocksLeft(leftFrom(0)).map((b) => b.block)).toEqual(['bare', 'tire', 'back']);
    expect(blocksLeft(leftFrom(STATIONS.indexOf('hand-over'))).map((b) => b.block)).toEqual([
      'back',
    ]);
    expect(blocksLeft(leftFrom(0).map((s) => ({ ...s, leftPct: 0 })))).toEqual([]);
  });
  test('the stand is held from seating on, and never for longer than the block takes', () => {
    const tire = blocksLeft(leftFrom(0)).find((b) => b.block === 'tire')!;
    expect(tire.standMinutes).toBeGreaterThan(10);
    expect(tire.standMinutes).toBeLessThan(tire.minutes);
    expect(blocksLeft(leftFrom(0)).find((b) => b.block === 'back')!.standMinutes).toBe(0);
    const balance = blocksLeft(leftFrom(STATIONS.indexOf('balance')))[0]!;
    expect(balance.standMinutes).toBe(balance.minutes);
  });
});

describe('what a plan is asked', () => {
  test('promises and waits in steps of five minutes from now, neither kept too late nor begun too soon, the nearest first', () => {
    const { input } = asked([
      oneIn('later', { dueAt: at(300) }),
      oneIn('soon', { dueAt: at(90.2), waits: 'the tire to warm', waitsUntil: at(12) }),
      oneIn('never'),
    ]);
    expect(input.visits.map((v) => [v.id, v.dueMin])).toEqual([
      ['soon', 90],
      ['later', 300],
      ['never', null],
    ]);
    expect(input.visits[0]!.wheels[0]!.blocks.map((b) => b.notBeforeMin)).toEqual([15, 0, 0]);
  });
  test('what waits for nobody knows how long is left out, and says so; a finished one asks for nothing', () => {
    const { input, leftOut } = asked([oneIn('a', { waits: 'a tube' }), oneIn('b', {}, [])]);
    expect(input.visits).toEqual([]);
    expect(leftOut).toEqual([
      { visitId: 'a', machineName: 'a', why: 'on hold for a tube, no date set' },
    ]);
  });
  test('a part that is not here is waited for, unless somebody has said until when', () => {
    const missing = ['tube 100/90-19'];
    const until = { waits: 'the tube', waitsUntil: at(60) };
    const { input, leftOut } = asked([
      { ...oneIn('a'), missing },
      { ...oneIn('b', until), missing },
    ]);
    expect(leftOut.map((l) => l.why)).toEqual(['on hold for tube 100/90-19, no date set']);
    expect(input.visits.map((v) => v.id)).toEqual(['b']);
  });
  test('what is long past or far off is no farther than a plan sees', () => {
    const year = 365 * 1440;
    const { input, leftOut } = asked([
      oneIn('old', { dueAt: at(-year) }),
      oneIn('far', { dueAt: at(year), planned: [put(year, { jobId: 'far-job' })] }),
      oneIn('asleep', { waits: 'spring', waitsUntil: at(year) }),
    ]);
    expect(input.visits.map((v) => [v.id, v.dueMin])).toEqual([
      ['old', -14 * 1440],
      ['far', 14 * 1440],
    ]);
    expect(input.visits[1]!.wheels[0]!.blocks[0]!.fixed).toBeNull();
    expect(leftOut).toEqual([
      { visitId: 'asleep', machineName: 'asleep', why: 'on hold: spring until 2027-04-30' },
    ]);
    expect(() => dayPlan.run(input)).not.toThrow();
  });
  test('what was put by hand stays; for a person who is not working it is unpinned', () => {
    const fixed = (planned: ReturnType<typeof put>[], people?: string[]) =>
      asked([oneIn('a', { planned })], people).input.visits[0]!.wheels[0]!.blocks.map(
        (b) => b.fixed,
      );
    expect(fixed([put(30)])).toEqual([{ person: 'Wim', startMin: 30 }, null, null]);
    expect(fixed([put(30)], ['Ada'])).toEqual([null, null, null]);
    expect(fixed([put(30, { jobId: 'other' })])).toEqual([null, null, null]);
  });
  test('what was to begin already is being worked on; a later block of it is unpinned', () => {
    const visits = asked([
      oneIn('a', { planned: [put(-20), put(-5, { block: 'back' })] }),
      oneIn('b', { planned: [put(-10, { jobId: 'b-job' })] }),
    ]).input.visits;
    expect(visits.map((v) => v.wheels[0]!.blocks.map((b) => b.fixed))).toEqual([
      [{ person: 'Wim', startMin: 0 }, null, null],
      // Wim does one thing now.
      [null, null, null],
    ]);
  });
  test('of two by hand that one person would do at once the sooner stays, the other is unpinned and said', () => {
    const both = (startA: number, startB: number, person = 'Wim') =>
      asked(
        [
          oneIn('a', { planned: [put(startA)] }),
          oneIn('b', { planned: [put(startB, { jobId: 'b-job', person })] }),
        ],
        ['Ada', 'Wim'],
      );
    const bare = blocksLeft(leftFrom(0))[0]!.minutes;
    const fixedOf = ({ input }: ReturnType<typeof both>) =>
      input.visits.map((v) => v.wheels[0]!.blocks[0]!.fixed?.startMin ?? null);
    const clash = both(40, 30);
    expect(fixedOf(clash)).toEqual([null, 30]);
    expect(clash.letGo).toEqual([
      {
        visitId: 'a',
        wheel: expect.any(String),
        why: expect.stringMatching(/^strip to bare wheel: Wim is at .* then$/),
      },
    ]);
    // One behind the other, and two people, are no clash.
    expect(fixedOf(both(30 + bare, 30))).toEqual([30 + bare, 30]);
    expect(fixedOf(both(30 + bare - 1, 30))).toEqual([null, 30]);
    expect(fixedOf(both(40, 30, 'Ada'))).toEqual([40, 30]);
    expect(both(40, 30, 'Ada').letGo).toEqual([]);
    // Whatever was put, there is a plan.
    expect(dayPlan.run(clash.input).result.rows.length).toBeGreaterThan(0);
  });
  test('what can no longer begin when it was to, since the work before it is not done, is unpinned', () => {
    const fixed = (startMin: number) =>
      asked([
        oneIn('a', { planned: [put(startMin, { block: 'tire' })] }),
      ]).input.visits[0]!.wheels[0]!.blocks.map((b) => b.fixed);
    const bare = blocksLeft(leftFrom(0))[0]!.minutes;
    expect(fixed(bare)).toEqual([null, { person: 'Wim', startMin: bare }, null]);
    expect(fixed(bare - 1)).toEqual([null, null, null]);
  });
  test('no more than a plan holds, and always something that a plan takes', () => {
    const all = Array.from({ length: 30 }, (_, i) => oneIn(`v${i}`, { dueAt: at(i) }, leftFrom(9)));
    const { input, leftOut } = asked(all);
    expect([input.visits.length, leftOut.length]).toEqual([24, 6]);
    expect(leftOut[0]).toMatchObject({ visitId: 'v24', why: 'a plan holds 24 wheels' });
    const { result } = dayPlan.run({ ...input, visits: input.visits.slice(0, 3) });
    expect(result.rows).toHaveLength(3);
  });
});
