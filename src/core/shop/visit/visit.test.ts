import { problemOf } from '../../../../tests/sample';
import {
  checkVisitAppend,
  checkVisitEntry,
  dueVerdict,
  foldVisit,
  VISIT_ENTRY_KINDS,
  type JobsNow,
  type VisitEntry,
  type VisitEntryData,
  type VisitEntryKind,
} from '.';

const logOf = () => {
  const log: VisitEntry[] = [];
  const add = <K extends VisitEntryKind>(kind: K, data: VisitEntryData[K]): string => {
    const seq = log.length + 1;
    const id = `v${seq}`;
    const at = new Date(Date.UTC(2026, 3, 30, 9, seq)).toISOString();
    log.push({ id, seq, at, who: 'Ada Marl', kind, data } as VisitEntry);
    return id;
  };
  add('opened', { machineId: 'm', machineName: 'Hob 250', rider: 'Ned Ash' });
  add('wheel-added', { jobId: 'a', wheelId: 'wa', position: 'front' });
  add('wheel-added', { jobId: 'b', wheelId: 'wb', position: 'rear' });
  return { log, add };
};

describe('a visit from its log', () => {
  test('wheels gather, the last promise and wish count, notes stay in their order', () => {
    const { log, add } = logOf();
    add('wanted', { text: 'both tires' });
    add('promised', { dueAt: '2026-05-01T10:00:00.000Z' });
    add('promised', { dueAt: '2026-05-02T10:00:00.000Z' });
    add('agreed', { amountMinor: 24_000, currency: 'USD', by: 'Ned Ash' });
    add('waits', { what: 'a tube' });
    add('note', { text: 'first' });
    add('note', { text: 'second' });
    expect(foldVisit(log)).toMatchObject({
      machineName: 'Hob 250',
      rider: 'Ned Ash',
      wanted: 'both tires',
      dueAt: '2026-05-02T10:00:00.000Z',
      waits: 'a tube',
      agreed: { amountMinor: 24_000, by: 'Ned Ash', at: '2026-04-30T09:07:00.000Z' },
      wheels: [{ jobId: 'a' }, { jobId: 'b' }],
      handedOver: null,
    });
    expect(foldVisit(log).notes.map((n) => n.text)).toEqual(['first', 'second']);
    add('waits', { what: null });
    add('wheel-removed', { jobId: 'a', why: 'only the rear' });
    add('handed-over', { to: 'Ned Ash' });
    expect(foldVisit(log)).toMatchObject({
      waits: null,
      wheels: [{ jobId: 'b' }],
      handedOver: { to: 'Ned Ash' },
    });
  });

  test('a block put by hand stands where it was put last, until it is unpinned', () => {
    const { log, add } = logOf();
    const put = {
      jobId: 'a',
      block: 'bare' as const,
      person: 'Wim',
      startAt: '2026-05-01T10:00:00.000Z',
    };
    add('planned', put);
    add('planned', { ...put, block: 'back' });
    add('planned', { ...put, person: 'Ada' });
    expect(foldVisit(log).planned.map((p) => [p.block, p.person])).toEqual([
      ['back', 'Wim'],
      ['bare', 'Ada'],
    ]);
    const freed = add('planned', { ...put, person: null, startAt: null });
    expect(foldVisit(log).planned.map((p) => p.block)).toEqual(['back']);
    add('undo', { entryId: freed });
    expect(foldVisit(log).planned).toHaveLength(2);
  });

  test('until when it waits goes with what it waits for', () => {
    const { log, add } = logOf();
    add('waits', { what: 'the tire to warm', until: '2026-05-01T10:00:00.000Z' });
    expect(foldVisit(log)).toMatchObject({
      waits: 'the tire to warm',
      waitsUntil: '2026-05-01T10:00:00.000Z',
    });
    add('waits', { what: 'a tube' });
    expect(foldVisit(log)).toMatchObject({ waits: 'a tube', waitsUntil: null });
  });

  test('what is undone was never there; an undo is undone too', () => {
    const { log, add } = logOf();
    add('promised', { dueAt: '2026-05-01T10:00:00.000Z' });
    const later = add('promised', { dueAt: '2026-05-02T10:00:00.000Z' });
    const undo = add('undo', { entryId: later });
    expect(foldVisit(log).dueAt).toBe('2026-05-01T10:00:00.000Z');
    add('undo', { entryId: undo });
    expect(foldVisit(log).dueAt).toBe('2026-05-02T10:00:00.000Z');
    expect(foldVisit([])).toMatchObject({ wheels: [], dueAt: null });
  });
});

describe('what may follow', () => {
  const NOW = '2026-04-30T12:00:00.000Z';
  const jobs = (more: Partial<JobsNow> = {}): JobsNow => ({
    isBegun: (id) => id === 'b',
    isHandedOver: () => false,
    ...more,
  });
  const may = <K extends VisitEntryKind>(
    kind: K,
    data: VisitEntryData[K],
    now = jobs(),
    log = logOf().log,
  ) => checkVisitAppend({ id: 'n', who: 'Ada Marl', kind, data }, foldVisit(log), now, NOW);

  test('no promise into the past; this very moment may be promised', () => {
    expect(problemOf(() => may('promised', { dueAt: '2026-04-30T11:59:59.999Z' }))).toMatchObject({
      field: 'data.dueAt',
      message: 'The promised time has passed.',
    });
    expect(() => may('promised', { dueAt: NOW })).not.toThrow();
  });

  test('a block is given to somebody of a wheel that takes part, with a time, while work is left', () => {
    const put = { jobId: 'a', block: 'bare' as const, person: 'Wim', startAt: NOW };
    expect(() => may('planned', put)).not.toThrow();
    expect(() => may('planned', { ...put, person: null, startAt: null })).not.toThrow();
    expect(problemOf(() => may('planned', { ...put, jobId: 'z' })).field).toBe('data.jobId');
    expect(problemOf(() => may('planned', { ...put, person: null })).field).toBe('data.startAt');
    const over = jobs({ isHandedOver: () => true });
    expect(problemOf(() => may('planned', put, over)).message).toBe('This wheel is handed over.');
  });

  test('a wheel leaves before work on it began, and never the last one', () => {
    expect(problemOf(() => may('wheel-removed', { jobId: 'b', why: 'x' })).message).toMatch(
      /has begun/,
    );
    expect(problemOf(() => may('wheel-removed', { jobId: 'z', why: 'x' })).message).toMatch(
      /takes no part/,
    );
    expect(() => may('wheel-removed', { jobId: 'a', why: 'x' })).not.toThrow();
    const { log, add } = logOf();
    add('wheel-removed', { jobId: 'b', why: 'x' });
    expect(
      problemOf(() => may('wheel-removed', { jobId: 'a', why: 'x' }, jobs(), log)).message,
    ).toMatch(/at least one wheel/);
  });

  test('handed over once every wheel is; the open ones are named', () => {
    const rear = jobs({ isHandedOver: (id) => id === 'b' });
    expect(problemOf(() => may('handed-over', { to: 'Ned' }, rear)).message).toBe(
      'front: not handed over yet.',
    );
    expect(problemOf(() => may('handed-over', { to: 'Ned' })).message).toBe(
      'front and rear: not handed over yet.',
    );
    expect(() =>
      may('handed-over', { to: 'Ned' }, jobs({ isHandedOver: () => true })),
    ).not.toThrow();
  });

  test('everything else may always follow', () => {
    expect(() => may('note', { text: 'x' })).not.toThrow();
    expect(() => may('waits', { what: null })).not.toThrow();
  });
});

describe('an entry as a client sends it', () => {
  const send = (kind: string, data: object) =>
    checkVisitEntry({ id: 'e', who: 'Ada Marl', kind, data });
  test('what only the server writes is refused', () => {
    for (const kind of ['opened', 'wheel-added'])
      expect(problemOf(() => send(kind, {})).field).toBe('kind');
    expect(VISIT_ENTRY_KINDS).toContain('opened');
  });
  test('an amount below nothing, a moment that is none, an empty reason', () => {
    const agreed = { amountMinor: -1, currency: 'USD', by: 'Ned' };
    expect(problemOf(() => send('agreed', agreed)).field).toBe('data.amountMinor');
    expect(problemOf(() => send('agreed', { ...agreed, amountMinor: 1.5 })).field).toBe(
      'data.amountMinor',
    );
    expect(
      problemOf(() => send('agreed', { ...agreed, amountMinor: 1, currency: 'usd' })).field,
    ).toBe('data.currency');
    expect(send('agreed', { ...agreed, amountMinor: 0 }).data).toMatchObject({ amountMinor: 0 });
    for (const dueAt of [
      'tomorrow',
      '2026-02-30T10:00:00.000Z',
      '2026-04-30T10:00:00Z',
      'x'.repeat(100_000),
    ])
      expect(problemOf(() => send('promised', { dueAt })).field).toBe('data.dueAt');
    expect(problemOf(() => send('note', { text: ' ' })).field).toBe('data.text');
    expect(problemOf(() => send('note', { text: 'x', more: 1 })).field).toMatch(/^data/);
  });
});

test('a promise is good where nine in ten keep it, doubtful where half do, lost where fewer do', () => {
  const left = { medianS: 600, ninetyS: 900 };
  expect([900, 899, 600, 599].map((s) => dueVerdict(left, s))).toEqual([
    'good',
    'check',
    'check',
    'stop',
  ]);
});
