import { foldJob, jobDues, recheckDates } from '.';
import { logOf, sampleChosen, sampleMachine, sampleWheel } from '../../../tests/sample';
import { LOOK_WORDS } from './recheck';
import { daysAfter } from '../base/units';

/** The day of all entries of a sample log. */
const DAY = '2026-04-30';
const handedOver = (l: ReturnType<typeof logOf>) => {
  l.add('handed-over', { to: 'Ned Ash' });
  return l;
};

describe('when to look again', () => {
  test('by rule: pressure first, then the bolts; spokes are named where there are some', () => {
    const of = (build: 'spoked' | 'cast') =>
      recheckDates(foldJob(logOf().open(sampleMachine(), sampleWheel({ build })).log), DAY);
    expect(of('cast')).toEqual([
      { what: LOOK_WORDS.pressure, onDate: daysAfter(DAY, 1), look: 'pressure' },
      { what: LOOK_WORDS.bolts, onDate: daysAfter(DAY, 7), look: 'bolts' },
    ]);
    expect(of('spoked')[1]!.what).toMatch(/^Spokes, torque and weights/);
  });

  test('by the log, the nearest first; what an earlier program wrote is known by its words', () => {
    const l = logOf().open();
    l.add('recheck', { what: 'the look of the rim', onDate: '2026-06-01' });
    l.add('recheck', { what: LOOK_WORDS.pressure, onDate: '2026-05-02' });
    l.add('recheck', { what: 'whatever', onDate: '2026-05-09', look: 'bolts' });
    expect(recheckDates(foldJob(l.log), DAY).map((r) => [r.onDate, r.look])).toEqual([
      ['2026-05-02', 'pressure'],
      ['2026-05-09', 'bolts'],
      ['2026-06-01', 'anything'],
    ]);
  });

  test('nothing is due of a wheel that has not left', () => {
    expect(jobDues(foldJob(logOf().open().log))).toEqual([]);
  });

  test('a look closes what it was asked for, by its last word', () => {
    const l = handedOver(logOf().open());
    const looked = (good: boolean) =>
      l.add('looked-again', {
        what: LOOK_WORDS.pressure,
        good,
        found: '',
        gaugeKpa: 90,
        tempC: 20,
      });
    looked(false);
    looked(true);
    const [pressure, bolts] = jobDues(foldJob(l.log));
    expect([pressure?.look, pressure?.closed?.good, bolts?.closed]).toEqual([
      'pressure',
      true,
      null,
    ]);
  });

  test('the age is due of a tire whose week is known, and a look at it moves it by a year', () => {
    const without = logOf().open();
    without.add('chosen', sampleChosen({ dateCode: null }));
    expect(jobDues(foldJob(handedOver(without).log)).map((d) => d.look)).toEqual([
      'pressure',
      'bolts',
    ]);
    const fresh = logOf().open();
    fresh.add('chosen', sampleChosen({ dateCode: '0826' }));
    const age = (l: typeof fresh) => jobDues(foldJob(l.log)).find((d) => d.look === 'age')!;
    // Week 8 of 2026 begins on Sunday, 22 February; five years after that.
    expect(age(handedOver(fresh)).onDate).toBe('2031-02-22');
    const old = logOf().open();
    old.add('chosen', sampleChosen({ dateCode: '0819' }));
    expect(age(handedOver(old)).onDate).toBe(daysAfter(DAY, 365));
    old.add('looked-again', {
      what: LOOK_WORDS.age,
      good: true,
      found: '',
      gaugeKpa: null,
      tempC: null,
    });
    expect(age(old)).toMatchObject({ onDate: daysAfter(DAY, 365), closed: null });
  });
});
