import { foldJob, lifeEvent, wheelHistory, type JobSummary } from '.';
import { logOf, sampleChosen } from '../../../tests/sample';
import { inspectionOf } from '../bench/inspect';
import { DEFAULT_UNITS, said, sayIn } from '../base/units';

const JOB = { id: 'j', number: 12, openedAt: '2026-04-01T08:00:00.000Z' };
const factsOf = (l: ReturnType<typeof logOf>, ranKm: number | null = null) =>
  lifeEvent(JOB, foldJob(l.log), ranKm).facts.map((f) => f.says);

describe('a job in the life of its wheel', () => {
  test('says nothing that was not done', () => {
    expect(lifeEvent(JOB, foldJob(logOf().open().log))).toEqual({
      onDate: '2026-04-01',
      jobId: 'j',
      number: 12,
      by: null,
      facts: [],
      found: [],
    });
  });

  test('says each thing that was, in its order, and what was found', () => {
    const l = logOf().open();
    l.add('odometer', { km: 8100 });
    l.add('came-off', { marking: '110/90-18', dateCode: null, treadMm: 3.5, use: 'dirt' });
    l.add('chosen', sampleChosen());
    l.add('pressure-set', { gaugeKpa: 90, shopC: 20, rideC: 20, rideKpa: 92 });
    l.add('weights', {
      pieces: [10, 5].map((massG) => ({ massG, deg: 20, side: 'near' })),
      residualG: null,
    });
    l.add('spoke-ring', {
      spokes: [
        { spoke: 1, sounds: 'dull' },
        { spoke: 2, sounds: 'clear' },
      ],
    });
    l.add('taped', { run: 1, circumferenceMm: 2050, gaugeKpa: 90 });
    l.add('torqued', { fastener: 'rear axle nut', how: 'guess', torqueNm: null, wrench: null });
    l.add('torqued', { fastener: 'rim lock nut', how: 'snug', torqueNm: null, wrench: null });
    l.add(
      'handed-over',
      { to: 'Ned Ash', despite: { by: 'Ada Marl', why: 'it is far' } },
      { who: 'Ada Marl' },
    );
    const event = lifeEvent(JOB, foldJob(l.log), 900);
    expect([event.onDate, event.by]).toEqual(['2026-04-30', 'Ada Marl']);
    expect(event.facts.map((f) => f.says)).toEqual([
      sayIn(said('{0} on the odometer', [{ value: 8100, unit: 'km' }]), DEFAULT_UNITS),
      '110/90-18 off, 3.5 mm of tread left, after 900 km',
      '120/90-18 65M TT on, with a tube',
      said('{0} set', [{ value: 92, unit: 'kPa' }]).says,
      '15 g of weights',
      '1 dull spoke',
      '2050 mm by tape',
      '1 not verified',
      expect.stringMatching(/^left with \d+ safety checks not on record$/),
    ]);
  });

  test('a tire that came off with nothing known of it is only named; two dull spokes are two', () => {
    const l = logOf().open();
    l.add('came-off', { marking: '110/90-18', dateCode: null, treadMm: null, use: 'dirt' });
    l.add('spoke-ring', {
      spokes: [
        { spoke: 1, sounds: 'dull' },
        { spoke: 2, sounds: 'dull' },
      ],
    });
    expect(factsOf(l)).toEqual(['110/90-18 off', '2 dull spokes']);
    expect(factsOf(l, 40)[0]).toBe('110/90-18 off, after 40 km');
  });
});

test('what was found is told, and nothing of what is as it should be', () => {
  const l = logOf().open();
  l.add('findings', { part: 'bearing', found: [] });
  expect(lifeEvent(JOB, foldJob(l.log)).found).toEqual([]);
  l.add('findings', { part: 'tube', found: ['pinch', 'chafe'] });
  const { found } = lifeEvent(JOB, foldJob(l.log));
  const { reasons } = inspectionOf('tube').run({ found: ['pinch', 'chafe'] }).result;
  expect(found).toEqual(reasons.filter((r) => r.verdict === 'check' || r.verdict === 'stop'));
  expect(found.length).toBeGreaterThan(0);
});

test('a wheel’s clearances stand in the order in which they are measured', () => {
  const l = logOf().open();
  for (const place of ['left', 'above', 'right'] as const)
    l.add('clearance', { place, mm: 20, load: 'on the stand' });
  const job = { ...JOB, handedOver: false } as unknown as JobSummary;
  const { clearances } = wheelHistory([{ job, entries: l.log }]);
  expect(clearances.map((c) => c.place)).toEqual(['above', 'left', 'right']);
});
