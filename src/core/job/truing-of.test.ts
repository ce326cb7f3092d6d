import { logOf, sampleMachine, sampleWheel } from '../../../tests/sample';
import { hiddenSpokes } from '../practice';
import { foldJob, trueAdviceOf } from '.';

const DEGS = Array.from({ length: 12 }, (_, i) => i * 30);
const WHEEL = sampleWheel({ spokes: 36, rimCode: '2.15x19' });

const job = (wheel = WHEEL) => {
  const l = logOf();
  l.open(sampleMachine(), wheel);
  return l;
};

describe('nipples of a job', () => {
  const bent = { ...hiddenSpokes(7, 'a wobble') };
  const readings = DEGS.map((angleDeg) => ({
    angleDeg,
    lateralMm: 1.3 * Math.cos((angleDeg * Math.PI) / 180),
  }));

  test('the turns stand with how it read before; what is read next is another rim, and tells how this one moves', () => {
    const l = job();
    l.add('runout', { readings });
    const first = trueAdviceOf(foldJob(l.log), readings, 'disc side');
    if (!first?.ok) throw new Error('no advice');
    expect(first.working.result.own).toEqual({ side: null, up: null });
    const turned = first.working.result.nipples.map((n) => ({
      spoke: n.spoke,
      eighths: n.turn === 'tighten' ? n.eighths : -n.eighths,
    }));
    l.add('nipples-turned', { turned, firstTo: 'disc side' });
    const after = foldJob(l.log);
    expect(after.runout).toBeNull();
    expect(after.trued).toEqual({ readings, turned, firstTo: 'disc side' });
    // It moved half as far as the model says.
    const half = first.working.result;
    const left = (half.now.sideMm! + half.after.sideMm!) / 2 / half.now.sideMm!;
    const again = trueAdviceOf(
      after,
      readings.map((r) => ({ ...r, lateralMm: r.lateralMm * left })),
      'disc side',
    );
    expect(again?.ok && again.working.result.own.side).toBeGreaterThan(0.3);
    expect(again?.ok && again.working.result.own.side).toBeLessThan(0.75);
  });

  test('turned twice without a reading between, it counts together; read between, it begins anew', () => {
    const l = job();
    l.add('runout', { readings });
    l.add('nipples-turned', { turned: [{ spoke: 3, eighths: 2 }], firstTo: 'disc side' });
    const more = [
      { spoke: 3, eighths: -1 },
      { spoke: 4, eighths: 3 },
    ];
    l.add('nipples-turned', { turned: more, firstTo: 'other side' });
    expect(foldJob(l.log).trued).toEqual({
      readings,
      turned: [
        { spoke: 3, eighths: 1 },
        { spoke: 4, eighths: 3 },
      ],
      firstTo: 'other side',
    });
    const second = bent.read(DEGS);
    l.add('runout', { readings: second });
    l.add('nipples-turned', { turned: more, firstTo: 'disc side' });
    expect(foldJob(l.log).trued).toEqual({ readings: second, turned: more, firstTo: 'disc side' });
  });

  test('a wheel without nipples to turn, or of which too little is known, gets no advice', () => {
    const advised = (wheel: typeof WHEEL) =>
      trueAdviceOf(foldJob(job(wheel).log), readings, 'disc side');
    expect(advised(WHEEL)?.ok).toBe(true);
    expect(advised({ ...WHEEL, build: 'cast' })).toBeNull();
    expect(advised({ ...WHEEL, spokes: 8 })).toBeNull();
    const odd = advised({ ...WHEEL, spokes: 35 });
    expect(odd && !odd.ok && odd.problem.field).toBe('spokes');
  });
});
