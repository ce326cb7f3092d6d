import type { Entry } from '../../core/job';
import { sampleMachine, sampleWheel } from '../../../tests/sample';

/** A server in memory: enough of the append route to try the outbox against. */
const server = () => {
  const log: Entry[] = [];
  let down = false;
  let refusal: number | null = null;
  const answer = (status: number, body: unknown) => new Response(JSON.stringify(body), { status });
  const error = (field: string, message: string) => ({ error: { field, message, expected: 'something else' } });
  const fetch = async (url: string, init: RequestInit): Promise<Response> => {
    if (down) throw new TypeError('fetch failed');
    const job = { id: 'j', number: 1, lastSeq: log.length };
    if (init.method === 'GET')
      return url.endsWith('/jobs/j')
        ? answer(200, { job, entries: log })
        : answer(404, error('path', 'There is no such job.'));
    const { expectedSeq, entries } = JSON.parse(String(init.body)) as { expectedSeq: number; entries: Entry[] };
    if (entries.some((e) => e.kind === 'note' && e.data.text === 'bad'))
      return answer(422, error('entries[0].data.text', 'The text does not fit.'));
    if (refusal !== null) return answer(refusal, error('any', `Refused with ${refusal}.`));
    if (expectedSeq !== log.length)
      return answer(409, { ...error('expectedSeq', 'moved on'), entries: log.slice(expectedSeq), seq: log.length });
    const written = entries.map((e, i) => ({ ...e, seq: log.length + i + 1, at: '2026-04-30T10:00:00.000Z' }));
    log.push(...written);
    return answer(201, { entries: written, seq: log.length });
  };
  return {
    fetch,
    log,
    setDown: (is: boolean) => void (down = is),
    /** Answers every write with this status; null: as usual. */
    setRefusal: (status: number | null) => void (refusal = status),
    addElsewhere(text: string) {
      log.push({
        id: `other-${log.length}`,
        seq: log.length + 1,
        at: '2026-04-30T10:00:00.000Z',
        who: 'Other',
        station: 'inspect',
        kind: 'note',
        data: { text },
      });
    },
  };
};

const kept = new Map<string, string>();
const keptParcels = () => [...kept].filter(([key]) => key.startsWith('rimstone-outbox/'));
let storageHeard: (e: Partial<StorageEvent>) => void = () => undefined;

const setUp = async () => {
  const it = server();
  const machine = sampleMachine();
  it.log.push(
    {
      id: 'a',
      seq: 1,
      at: '',
      who: 'x',
      station: 'intake',
      kind: 'opened',
      data: { machine, wheel: sampleWheel(), rider: machine.rider },
    },
    { id: 'b', seq: 2, at: '', who: 'x', station: 'intake', kind: 'rules', data: { values: {} } },
  );
  Object.assign(globalThis, {
    fetch: it.fetch,
    addEventListener: (_: string, heard: (e: Partial<StorageEvent>) => void) => (storageHeard = heard),
    localStorage: {
      get length() {
        return kept.size;
      },
      key: (i: number) => [...kept.keys()][i] ?? null,
      getItem: (k: string) => kept.get(k) ?? null,
      setItem: (k: string, v: string) => void kept.set(k, v),
      removeItem: (k: string) => void kept.delete(k),
    },
  });
  jest.resetModules();
  const { store, selectJobState } = await import('.');
  const slice = await import('./job-writing');
  const note = (text: string) => store.dispatch(slice.write('j', 'inspect', [{ kind: 'note', data: { text } }]));
  await store.dispatch(slice.readJob('j'));
  return {
    ...it,
    store,
    slice,
    note,
    state: () => selectJobState(store.getState(), 'j'),
    outbox: () => store.getState().jobs.outbox,
  };
};

beforeEach(() => kept.clear());

test('an entry counts once the server has confirmed it', async () => {
  const { note, state, outbox } = await setUp();
  await expect(note('dry bead')).resolves.toBe(true);
  expect(state().notes.map((n) => n.text)).toEqual(['dry bead']);
  expect(outbox()).toEqual([]);
});

test('entries written in one breath arrive in their order', async () => {
  const { note, state, log } = await setUp();
  const done = await Promise.all(['one', 'two', 'three', 'four'].map(note));
  expect(done).toEqual([true, true, true, true]);
  expect(state().notes.map((n) => n.text)).toEqual(['one', 'two', 'three', 'four']);
  expect(log.map((e) => e.seq)).toEqual([1, 2, 3, 4, 5, 6]);
});

test('a refused entry is kept, what was unseen is shown, and it goes through on demand', async () => {
  const { note, state, outbox, store, slice, addElsewhere } = await setUp();
  addElsewhere('from the other bench');
  await expect(note('mine')).resolves.toBe(false);
  expect(outbox()).toMatchObject([{ status: 'refused', bodies: [{ data: { text: 'mine' } }] }]);
  expect(state().notes.map((n) => n.text)).toEqual(['from the other bench']);
  expect(keptParcels()).toHaveLength(1);
  await expect(store.dispatch(slice.send(outbox()[0]!))).resolves.toBe(true);
  expect(state().notes.map((n) => n.text)).toEqual(['from the other bench', 'mine']);
  expect(keptParcels()).toEqual([]);
});

test('with no answer the entry waits, over a reload too', async () => {
  const first = await setUp();
  first.setDown(true);
  await expect(first.note('do not lose me')).resolves.toBe(false);
  expect(first.outbox()).toMatchObject([{ status: 'unsent' }]);
  const second = await setUp();
  expect(second.outbox()).toMatchObject([{ status: 'unsent', bodies: [{ data: { text: 'do not lose me' } }] }]);
  await second.store.dispatch(second.slice.send(second.outbox()[0]!));
  expect(second.state().notes.map((n) => n.text)).toEqual(['do not lose me']);
});

test('what waits in one tab is not wiped by another', async () => {
  const first = await setUp();
  first.setDown(true);
  await first.note('from the first tab');
  const [mine] = keptParcels();
  kept.clear();
  const second = await setUp();
  kept.set(...mine!);
  second.setDown(true);
  await second.note('from the second tab');
  expect(
    keptParcels()
      .map(([, text]) => text)
      .join(),
  ).toMatch(/from the first tab.*from the second tab/s);
  second.setDown(false);
  await second.store.dispatch(second.slice.send(second.outbox()[0]!));
  expect(keptParcels()).toEqual([mine]);
  // The third tab shows what is left, and lets go of it when the first has sent it.
  const third = await setUp();
  expect(third.outbox()).toMatchObject([{ status: 'unsent', bodies: [{ data: { text: 'from the first tab' } }] }]);
  storageHeard({ key: mine![0], newValue: null });
  expect(third.outbox()).toEqual([]);
});

test('what an earlier program kept in one list is taken over', async () => {
  const first = await setUp();
  first.setDown(true);
  await first.note('old');
  const [, text] = keptParcels()[0]!;
  kept.clear();
  kept.set('rimstone-outbox', `[${text}]`);
  const { outbox } = await setUp();
  expect(outbox()).toMatchObject([{ status: 'unsent', bodies: [{ data: { text: 'old' } }] }]);
  expect(kept.has('rimstone-outbox')).toBe(false);
  expect(keptParcels()).toHaveLength(1);
});

test.each([401, 403, 429, 500, 502, 503])(
  'an answer of %d keeps the entry, says why, and it goes through later',
  async (status) => {
    const { note, outbox, setRefusal, store, slice, state } = await setUp();
    setRefusal(status);
    await expect(note('keep me')).resolves.toBe(false);
    expect(outbox()).toMatchObject([
      { status: 'unsent', why: `Refused with ${status}.`, bodies: [{ data: { text: 'keep me' } }] },
    ]);
    expect(keptParcels()).toHaveLength(1);
    setRefusal(null);
    await expect(store.dispatch(slice.send(outbox()[0]!))).resolves.toBe(true);
    expect(state().notes.map((n) => n.text)).toEqual(['keep me']);
  },
);

test.each([400, 404, 413, 415])('an answer of %d judges the entry: it is said and not kept', async (status) => {
  const { note, outbox, setRefusal, store } = await setUp();
  setRefusal(status);
  await expect(note('never')).resolves.toBe(false);
  expect(outbox()).toEqual([]);
  expect(store.getState().jobs.announcement).toMatchObject({ tone: 'stop' });
});

test('an entry that does not fit is said and not kept', async () => {
  const { note, outbox, store } = await setUp();
  await expect(note('bad')).resolves.toBe(false);
  expect(outbox()).toEqual([]);
  expect(store.getState().jobs.announcement).toMatchObject({
    tone: 'stop',
    text: 'Not written. The text does not fit. Right would be something else.',
  });
});

test('undo takes the newest away, again and again, until nothing is left', async () => {
  const { note, state, store, slice } = await setUp();
  await note('one');
  await note('two');
  const undo = () => store.dispatch(slice.undoLast('j', 'inspect'));
  expect(await undo()).toMatchObject({ data: { text: 'two' } });
  expect(await undo()).toMatchObject({ data: { text: 'one' } });
  expect(await undo()).toBeUndefined();
  expect(state().notes).toEqual([]);
});

test('a job that is not there, and a server that is not, are told apart', async () => {
  const { store, slice, setDown } = await setUp();
  await store.dispatch(slice.readJob('nothing'));
  expect(store.getState().jobs.problem.nothing).toMatchObject({ status: 404, message: 'There is no such job.' });
  setDown(true);
  await store.dispatch(slice.readJob('other'));
  expect(store.getState().jobs.problem.other).toMatchObject({ status: 0, message: 'The server does not answer.' });
});

test('a browser store that holds nonsense is left aside', async () => {
  kept.set('rimstone-outbox', '{not json');
  kept.set('rimstone-outbox/x', '["nor a parcel');
  kept.set('rimstone-outbox/y', '{}');
  kept.set('rimstone-prefs', '"text"');
  const { outbox, store } = await setUp();
  expect(outbox()).toEqual([]);
  expect(store.getState().prefs.units.pressure).toBe('psi');
});
