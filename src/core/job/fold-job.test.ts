import fc from 'fast-check';
import {
  effectiveEntries,
  foldedOn,
  foldJob,
  NO_LOG,
  standingId,
  timesOf,
  undoTarget,
  type Entry,
  type EntryData,
} from '.';
import { logOf } from '../../../tests/sample';

const chosen = (marking: string): EntryData['chosen'] => ({
  marking,
  dateCode: null,
  tireId: null,
  tube: true,
  tubeId: null,
  tubeLabel: null,
  lightMark: true,
  seatLimitKpa: null,
  tread: 'soft',
  arrows: 'one',
  takeOff: false,
  treadMm: null,
  parts: [],
  doubled: false,
});

describe('folding a log', () => {
  test('an empty log is an empty job', () => {
    expect(foldJob([])).toMatchObject({
      machine: null,
      wheel: null,
      chosen: null,
      steps: {},
      balance: { seen: [], on: [] },
    });
  });

  test('readings gather, choices replace each other', () => {
    const l = logOf().open();
    l.add('chosen', chosen('110/90-18'));
    l.add('chosen', chosen('120/90-18'));
    l.add('seat-reading', { gaugeKpa: 150 });
    l.add('seat-reading', { gaugeKpa: 200 });
    l.add('step', { stepId: 'off-lift' });
    l.add('note', { text: 'dry bead' });
    const state = foldJob(l.log);
    expect(state.chosen?.marking).toBe('120/90-18');
    expect(state.seatReadings.map((r) => r.gaugeKpa)).toEqual([150, 200]);
    expect(state.steps['off-lift']?.who).toBe('Ada Marl');
    expect(state.notes[0]?.text).toBe('dry bead');
    expect(state.machine?.name).toBe('Hob 250');
  });

  test('a log of an earlier program folds with the usual values', () => {
    const l = logOf();
    const {
      tread: _t,
      arrows: _a,
      takeOff: _o,
      treadMm: _m,
      parts: _p,
      ...earlier
    } = chosen('110/90-18');
    l.add('opened', {
      machine: {
        id: 'm',
        name: 'Hob 250',
        fasteners: [{ name: 'axle', wheel: 'rear', torqueNm: 100 }],
      } as never,
      wheel: { id: 'w', rimLockDegs: [210] } as never,
      rider: 'Ned Ash',
    });
    l.add('chosen', earlier as never);
    const state = foldJob(l.log);
    expect(state.machine).toMatchObject({
      wheelSensors: false,
      fasteners: [{ name: 'axle', socket: null }],
    });
    expect(state.wheel).toMatchObject({ tubelessMarked: false, rimLockDegs: [210], treads: [] });
    expect(state.chosen).toMatchObject({
      marking: '110/90-18',
      tread: 'other',
      parts: [],
      doubled: false,
    });
  });

  test('a clearance is one for each place', () => {
    const l = logOf().open();
    l.add('clearance', { place: 'above', mm: 20, load: 'on the stand' });
    l.add('clearance', { place: 'left', mm: 12, load: 'on the stand' });
    l.add('clearance', { place: 'above', mm: 24, load: 'rider on' });
    expect(foldJob(l.log).clearances).toEqual([
      { place: 'left', mm: 12, load: 'on the stand' },
      { place: 'above', mm: 24, load: 'rider on' },
    ]);
  });
});

describe('corrections and undo', () => {
  test('a correction stands in the place of what it replaces', () => {
    const l = logOf().open();
    const first = l.add('seat-reading', { gaugeKpa: 15 });
    l.add('seat-reading', { gaugeKpa: 200 });
    const better = l.add('seat-reading', { gaugeKpa: 150 }, { replaces: first });
    expect(foldJob(l.log).seatReadings.map((r) => r.gaugeKpa)).toEqual([150, 200]);
    l.add('seat-reading', { gaugeKpa: 155 }, { replaces: better });
    expect(foldJob(l.log).seatReadings.map((r) => r.gaugeKpa)).toEqual([155, 200]);
  });

  test('what a correction would replace is the newest of its kind that stands', () => {
    const l = logOf().open();
    expect(standingId(l.log, 'came-off')).toBeUndefined();
    const first = l.add('came-off', {
      marking: '110/90-18',
      dateCode: null,
      treadMm: null,
      use: 'dirt',
    });
    expect(standingId(l.log, 'came-off')).toBe(first);
    const better = l.add(
      'came-off',
      { marking: '110/90-18', dateCode: '1523', treadMm: null, use: 'dirt' },
      { replaces: first },
    );
    expect(standingId(l.log, 'came-off')).toBe(better);
  });

  test('undoing a correction brings back what it replaced', () => {
    const l = logOf().open();
    const first = l.add('seat-reading', { gaugeKpa: 15 });
    const better = l.add('seat-reading', { gaugeKpa: 150 }, { replaces: first });
    l.add('undo', { entryId: better });
    expect(foldJob(l.log).seatReadings.map((r) => r.gaugeKpa)).toEqual([15]);
  });

  test('an undo can be undone', () => {
    const l = logOf().open();
    const note = l.add('note', { text: 'keep me' });
    const undo = l.add('undo', { entryId: note });
    expect(foldJob(l.log).notes).toEqual([]);
    l.add('undo', { entryId: undo });
    expect(foldJob(l.log).notes.map((n) => n.text)).toEqual(['keep me']);
  });

  test('what undo would take is the newest that stands, never the opening', () => {
    const l = logOf().open();
    expect(undoTarget(l.log)).toBeUndefined();
    const a = l.add('note', { text: 'a' });
    const b = l.add('note', { text: 'b' });
    expect(undoTarget(l.log)?.id).toBe(b);
    l.add('undo', { entryId: b });
    expect(undoTarget(l.log)?.id).toBe(a);
    const better = l.add('note', { text: 'a, better' }, { replaces: a });
    expect(undoTarget(l.log)?.id).toBe(better);
  });

  /**
   * A log of random entries, corrections of any earlier entry of the same kind, and undos of
   * anything.
   */
  const anyLog = fc
    .array(
      fc.record({
        kind: fc.constantFrom(
          'rest',
          'trial',
          'balance-again',
          'trial-rest',
          'weights',
          'note',
          'seat-reading',
          'step',
          'level-check',
          'chosen',
          'undo',
        ),
        n: fc.nat(300),
        target: fc.nat(),
        corrects: fc.boolean(),
      }),
      { maxLength: 30 },
    )
    .map((parts) => {
      const l = logOf().open();
      for (const { kind, n, target, corrects } of parts) {
        const earlier = l.log.slice(2);
        const at = earlier[target % Math.max(1, earlier.length)];
        if (kind === 'undo') {
          if (at) l.add('undo', { entryId: at.id });
          continue;
        }
        const same = earlier.filter((e) => e.kind === kind);
        const more =
          corrects && same.length > 0 ? { replaces: same[target % same.length]!.id } : {};
        if (kind === 'rest')
          l.add('rest', n % 3 === 0 ? { restDeg: n } : { restDeg: n, from: 'left' }, more);
        if (kind === 'trial')
          l.add('trial', { pieces: [{ massG: 10, deg: n, side: 'near' }] }, more);
        if (kind === 'balance-again') l.add('balance-again', { why: 'turned' }, more);
        if (kind === 'trial-rest')
          l.add('trial-rest', { trialMassG: 20, trialDeg: n, restDeg: n }, more);
        if (kind === 'weights') l.add('weights', { pieces: [], residualG: n }, more);
        if (kind === 'note') l.add('note', { text: String(n) }, more);
        if (kind === 'seat-reading') l.add('seat-reading', { gaugeKpa: n }, more);
        if (kind === 'step') l.add('step', { stepId: `s${n % 5}` }, more);
        if (kind === 'level-check')
          l.add('level-check', { clock: n % 2 ? 3 : 9, moved: 'stays' }, more);
        if (kind === 'chosen') l.add('chosen', chosen(String(n)), more);
      }
      return l.log;
    });

  const undoOf = (log: readonly Entry[], entryId: string): Entry => ({
    id: 'last-undo',
    seq: log.length + 1,
    at: '2026-04-30T12:00:00.000Z',
    who: 'Ada Marl',
    station: 'intake',
    kind: 'undo',
    data: { entryId },
  });

  test('the fold of a log with an undo is the fold without the undone entry', () => {
    fc.assert(
      fc.property(anyLog, fc.nat(), (log, pick) => {
        const candidates = log.slice(2);
        fc.pre(candidates.length > 0);
        const target = candidates[pick % candidates.length]!;
        const undone = foldJob([...log, undoOf(log, target.id)]);
        expect(undone).toEqual(foldJob(log.filter((e) => e.id !== target.id)));
      }),
      { numRuns: 400 },
    );
  });

  test('a log folded on as it grows, in any pieces, is the log folded anew', () => {
    fc.assert(
      fc.property(
        anyLog,
        fc.array(fc.integer({ min: 1, max: 6 }), { minLength: 1 }),
        (log, pieces) => {
          let grown = NO_LOG;
          for (let at = 0, i = 0; at < log.length; i++) {
            const next = at + pieces[i % pieces.length]!;
            grown = foldedOn(grown, log.slice(at, next));
            at = next;
          }
          expect(grown).toEqual({
            entries: log,
            state: foldJob(log),
            times: timesOf(log),
            proof: null,
          });
        },
      ),
    );
  });

  test('undoing and undoing the undo is where it was', () => {
    fc.assert(
      fc.property(anyLog, (log) => {
        const target = undoTarget(log);
        fc.pre(target !== undefined);
        const undo = undoOf(log, target!.id);
        const back: Entry = { ...undoOf([...log, undo], undo.id), id: 'back' };
        expect(foldJob([...log, undo, back])).toEqual(foldJob(log));
      }),
    );
  });

  test('what stands was written, stands once, and is no undo', () => {
    fc.assert(
      fc.property(anyLog, (log) => {
        const standing = effectiveEntries(log);
        expect(new Set(standing.map((e) => e.id)).size).toBe(standing.length);
        for (const e of standing) {
          expect(log).toContain(e);
          expect(e.kind).not.toBe('undo');
        }
      }),
    );
  });
});

describe('tries while seating', () => {
  test('a new try starts with no reading and no bead seen; the old readings stay', () => {
    const l = logOf().open();
    l.add('seat-reading', { gaugeKpa: 250 });
    l.add('seated', { side: 'disc', seated: true });
    l.add('pop', { gaugeKpa: 240 });
    l.add('molded-line', { side: 'disc', deg: 90, even: false });
    expect(foldJob(l.log)).toMatchObject({ pops: [{ gaugeKpa: 240 }], line: [{ deg: 90 }] });
    l.add('seat-again', { why: 'not seated at the limit' });
    l.add('seat-reading', { gaugeKpa: 100 });
    expect(foldJob(l.log)).toMatchObject({
      seatTries: { ended: 1, from: 1 },
      seated: { disc: null, other: null },
      pops: [],
      line: [],
      seatReadings: [{ gaugeKpa: 250 }, { gaugeKpa: 100 }],
    });
  });

  test('a cause that was found and cured gives the tries anew; one that was not does not', () => {
    const l = logOf().open();
    l.add('seat-again', { why: 'not seated at the limit' });
    l.add('trouble', { symptom: 'not-seating', curedBy: null });
    expect(foldJob(l.log).seatTries.ended).toBe(1);
    l.add('trouble', { symptom: 'not-seating', curedBy: 'tube' });
    expect(foldJob(l.log).seatTries.ended).toBe(0);
  });
});
