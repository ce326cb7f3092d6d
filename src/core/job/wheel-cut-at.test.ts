import type { StationId } from '../base/stations';
import type { Wheel } from '../fit/wheels';
import { foldJob, stepsOf, wheelCutAt } from '.';
import { logOf, sampleChosen, sampleMachine, sampleWheel } from '../../../tests/sample';

const stateOf = (wheel: Partial<Wheel> = {}, tube = true) => {
  const log = logOf().open(sampleMachine(), sampleWheel({ tube, ...wheel }));
  log.add('chosen', sampleChosen({ tube }));
  return foldJob(log.log);
};

/** The cut at each step of a station. */
const walk = (state: ReturnType<typeof stateOf>, station: StationId) => {
  const steps = stepsOf(state, station);
  return steps.map(({ id }, i) => ({ id, at: wheelCutAt(state, steps, i) }));
};
type Walk = ReturnType<typeof walk>;
const atStep = (rows: Walk, id: string) => {
  const row = rows.find((r) => r.id === id);
  if (!row?.at) throw new Error(`no cut at ${id}`);
  return row.at;
};
/** What the picture says, each once, in the order of the steps. */
const story = (rows: Walk) => rows.map((r) => r.at?.text).filter((s, i, all) => s !== all[i - 1]);

test('off: seated, loose, the upper bead over, outside, then the lower one', () => {
  const rows = walk(stateOf(), 'tire-off');
  expect(story(rows)).toEqual([
    'Both beads are on their seats.',
    'Both beads are off their seats, down in the well.',
    'The upper bead goes over the flange; the far side is down in the well.',
    'The upper bead is outside the flange, the lower one inside.',
    'The lower bead goes over the flange; the far side is down in the well.',
  ]);
  expect(atStep(rows, 'toff-soap').text).toMatch(/off their seats/);
});

test('on: bare, the lower bead over, the upper one outside, then over too, then loose', () => {
  const state = stateOf();
  const rows = walk(state, 'tire-on');
  expect(story(rows)).toEqual([
    'The rim is bare.',
    'The lower bead goes over the flange; the far side is down in the well.',
    'The upper bead is outside the flange, the lower one inside.',
    'The upper bead goes over the flange; the far side is down in the well.',
    'Both beads are off their seats, down in the well.',
  ]);
  // With all steps done the last one holds.
  const steps = stepsOf(state, 'tire-on');
  expect(wheelCutAt(state, steps, steps.length)?.text).toMatch(/off their seats/);
});

test('a tube is drawn until it is out, and from the step on that puts it in', () => {
  const off = walk(stateOf(), 'tire-off');
  expect(atStep(off, 'toff-first').section.hasTube).toBe(true);
  expect(atStep(off, 'toff-tube').section.hasTube).toBe(false);
  const on = walk(stateOf(), 'tire-on');
  const tubeStep = on.find((r) => r.id.startsWith('on-tube') && r.id !== 'on-tube-air');
  expect(tubeStep?.at?.section.hasTube).toBe(true);
  expect(atStep(on, 'on-shake').section.hasTube).toBe(false);
  expect(atStep(on, 'on-start').fillMm).toBeGreaterThan(0);
  for (const row of walk(stateOf({}, false), 'tire-on')) {
    expect(row.at?.section.hasTube).toBe(false);
    expect(row.at?.fillMm).toBe(0);
  }
});

test('a bead moves only at a step that moves it, and a lever holds it only while levers are shown', () => {
  const rows = walk(stateOf(), 'tire-on');
  const first = atStep(rows, 'on-first');
  expect(first.cut(0.5).near.lower).toEqual({ overShare: 0.5 });
  expect(first.cut(0.5).far.lower).toBe('well');
  expect(first.cut(0.5).hasLever).toBe(false);
  expect(atStep(rows, 'on-start').cut(0.3).near.upper).toEqual({ overShare: 0.3 });
  expect(atStep(rows, 'on-start').cut(0.3).hasLever).toBe(true);
  expect(atStep(rows, 'on-soap').cut(0.3)).toEqual(atStep(rows, 'on-soap').cut(0.9));
});

test('the tire that is cut is the old one until it is off, then the chosen one', () => {
  // 110/90-18 comes off, 120/90-18 goes on.
  expect(atStep(walk(stateOf(), 'tire-off'), 'toff-first').section.sectionMm).toBe(110);
  expect(atStep(walk(stateOf(), 'tire-on'), 'on-first').section.sectionMm).toBe(120);
});

test('Inspect shows the rim alone, with its strip only if the record has one', () => {
  const bare = (wheel: Partial<Wheel>) => walk(stateOf(wheel), 'inspect')[0]?.at;
  expect(bare({ strips: 1 })?.cut(0.5).isBare).toBe(true);
  expect(bare({ strips: 1 })?.section.hasStrip).toBe(true);
  expect(bare({ strips: null })?.section.hasStrip).toBe(false);
  expect(bare({ strips: 1, sealed: true })?.section.hasStrip).toBe(false);
});

test('no cut for a rim that comes apart, an unknown size, or another station', () => {
  for (const build of ['split', 'beadlock'] as const)
    expect(walk(stateOf({ build }), 'tire-off').every((r) => r.at === null)).toBe(true);
  const unknown = stateOf({ tireMarking: 'worn away' });
  expect(walk(unknown, 'tire-off').every((r) => r.at === null)).toBe(true);
  expect(walk(stateOf(), 'wheel-off').every((r) => r.at === null)).toBe(true);
});
