import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import type { Entry } from '../../core/job';
import { sampleMachine, sampleWheel } from '../../../tests/sample';

/** A server in memory: enough of the append route to try the outbox against. */
const server = () => {
  const log: Entry[] = [];
  const photos: string[] = [];
  let down = false;
  let refusal: number | null = null;
  let refusedField = 'any';
  let isAnswerLost = false;
  const waits: number[] = [];
  let posts = 0;
  const answer = (status: number, body: unknown) => new Response(JSON.stringify(body), { status });
  const error = (field: string, message: string) => ({
    error: { field, message, expected: 'something else' },
  });
  const fetch = async (url: string, init: RequestInit): Promise<Response> => {
    if (down) throw new TypeError('fetch failed');
    const job = { id: 'j', number: 1, lastSeq: log.length };
    if (init.method === 'GET')
      return url.endsWith('/jobs/j')
        ? answer(200, { job, entries: [...log] })
        : answer(404, error('path', 'Job not found.'));
    if (url.endsWith('/photos')) {
      if (refusal !== null) return answer(refusal, error('body', `Refused with ${refusal}.`));
      photos.push(await (init.body as Blob).text());
      return answer(201, { photoId: `photo-${photos.length}` });
    }
    posts++;
    const sent = JSON.parse(String(init.body)) as {
      expectedSeq: number;
      entries: Entry[];
      waitedS: number;
    };
    const { expectedSeq, entries } = sent;
    const there = entries.map((e) => log.find((l) => l.id === e.id));
    if (there.every(Boolean)) return answer(201, { entries: there, seq: log.length });
    if (entries.some((e) => e.kind === 'note' && e.data.text === 'bad'))
      return answer(422, error('entries[0].data.text', 'The text does not fit.'));
    if (entries.some((e) => e.kind === 'note' && e.data.text === 'too high')) {
      const limit = [{ value: 275.79, unit: 'kPa' }];
      const inUnits = { message: '{0} is the limit.', expected: 'Enter less', quantities: limit };
      return answer(422, { error: { ...error('data', '276 kPa is the limit.').error, inUnits } });
    }
    if (refusal !== null) return answer(refusal, error(refusedField, `Refused with ${refusal}.`));
    if (expectedSeq !== log.length)
      return answer(409, {
        ...error('expectedSeq', 'moved on'),
        entries: log.slice(expectedSeq),
        seq: log.length,
      });
    const written = entries.map((e, i) => ({
      ...e,
      seq: log.length + i + 1,
      at: '2026-04-30T10:00:00.000Z',
    }));
    log.push(...written);
    waits.push(sent.waitedS);
    if (isAnswerLost) throw new TypeError('fetch failed');
    return answer(201, { entries: written, seq: log.length });
  };
  const elsewhere = { at: '2026-04-30T10:00:00.000Z', who: 'Other', station: 'inspect' } as const;
  return {
    fetch,
    log,
    photos,
    waits,
    texts: () => log.flatMap((e) => (e.kind === 'note' ? [e.data.text] : [])),
    posts: () => posts,
    setDown: (is: boolean) => void (down = is),
    /** Takes what it is sent and loses its answer. */
    setAnswerLost: (is: boolean) => void (isAnswerLost = is),
    /** Answers every write with this status; null: as usual. */
    setRefusal: (status: number | null, field = 'any') => {
      refusal = status;
      refusedField = field;
    },
    /**
     * Another person writes; beside an entry `of` this log, the server writes in the name of that
     * one.
     */
    addElsewhere: (text: string, of?: string) =>
      void log.push({
        ...elsewhere,
        who: log.find((e) => e.id === of)?.who ?? elsewhere.who,
        id: `other-${log.length}`,
        seq: log.length + 1,
        ...(of === undefined
          ? { kind: 'note', data: { text } }
          : { kind: 'step', data: { stepId: text, of } }),
      }),
  };
};
type Server = ReturnType<typeof server>;

/** Channels between the tabs of one browser. */
const channels = new Set<{ heard: (() => void)[]; postMessage(): void }>();
class TabChannel {
  heard: (() => void)[] = [];
  constructor() {
    channels.add(this);
  }
  addEventListener(_kind: string, heard: () => void): void {
    this.heard.push(heard);
  }
  postMessage(): void {
    for (const other of channels) if (other !== this) other.heard.forEach((tell) => tell());
  }
}

/** One at a time for each name, over all tabs. */
const held = new Map<string, Promise<unknown>>();
const locks = {
  request<T>(name: string, task: () => Promise<T>): Promise<T> {
    const next = (held.get(name) ?? Promise.resolve()).then(task, task);
    held.set(name, next);
    return next;
  },
};

const texts = new Map<string, string>();

/** A log with its opening. */
const newServer = (): Server => {
  const it = server();
  const machine = sampleMachine();
  const common = { at: '', who: 'x', station: 'intake' } as const;
  const data = { machine, wheel: sampleWheel(), rider: machine.rider };
  it.log.push({ ...common, id: 'a', seq: 1, kind: 'opened', data });
  it.log.push({ ...common, id: 'b', seq: 2, kind: 'rules', data: { values: {} } });
  return it;
};

/** The core holds no state: the tabs share it, and a new one loads the store alone. */
const CORE = [
  'base/errors',
  'base/rules',
  'base/units',
  'base/working',
  'bench/balance',
  'bench/devices',
  'fit/wheels',
  'job',
  'job/procedure',
  'job/recheck',
  'shop/records',
  'shop/visit',
].map((name) => [`../../core/${name}`, jest.requireActual<object>(`../../core/${name}`)] as const);

/** A tab of the browser, with the job open. */
const openTab = async (it: Server) => {
  Object.assign(globalThis, {
    fetch: it.fetch,
    BroadcastChannel: TabChannel,
    navigator: { locks },
    localStorage: {
      get length() {
        return texts.size;
      },
      key: (i: number) => [...texts.keys()][i] ?? null,
      getItem: (k: string) => texts.get(k) ?? null,
      setItem: (k: string, v: string) => void texts.set(k, v),
      removeItem: (k: string) => void texts.delete(k),
    },
  });
  jest.resetModules();
  for (const [path, module] of CORE) jest.doMock(path, () => module);
  const { store } = await import('.');
  const { selectJobState, selectUnsentIds } = await import('./job-selectors');
  const { readJob } = await import('./job-reading');
  const writing = await import('./job-writing');
  const sender = await import('./outbox-sender');
  const kept = await import('./outbox-store');
  await store.dispatch(readJob('j'));
  await store.dispatch(sender.startOutbox());
  return {
    store,
    writing,
    readJob,
    sender,
    kept,
    note: (text: string) =>
      store.dispatch(writing.write('j', 'inspect', [{ kind: 'note', data: { text } }])),
    state: () => selectJobState(store.getState(), 'j'),
    notes: () => selectJobState(store.getState(), 'j').notes.map((n) => n.text),
    outbox: () => store.getState().jobs.outbox,
    unsent: () => selectUnsentIds(store.getState(), 'j').size,
    said: () => store.getState().jobs.announcement,
    sendNow: () => store.dispatch(sender.sendNow()),
  };
};

const setUp = async () => {
  const it = newServer();
  return { ...it, ...(await openTab(it)) };
};

/** What other tabs are told takes them a moment. */
const aMoment = () => new Promise((done) => setTimeout(done, 50));

beforeEach(() => {
  texts.clear();
  channels.clear();
  globalThis.indexedDB = new IDBFactory();
  jest.useFakeTimers({
    advanceTimers: true,
    doNotFake: ['setImmediate', 'queueMicrotask', 'nextTick', 'performance'],
  });
});
afterEach(() => {
  jest.clearAllTimers();
  jest.useRealTimers();
});

test('an entry that the server confirms stands in the log, and nothing waits', async () => {
  const { note, notes, outbox, unsent, kept } = await setUp();
  await expect(note('dry bead')).resolves.toBe('written');
  expect(notes()).toEqual(['dry bead']);
  expect(outbox()).toEqual([]);
  expect(unsent()).toBe(0);
  await expect(kept.keptParcels()).resolves.toEqual([]);
});

test('entries written in one breath arrive once each, in their order', async () => {
  const { note, notes, log } = await setUp();
  const done = await Promise.all(['one', 'two', 'three', 'four'].map(note));
  expect(done).toEqual(['written', 'written', 'written', 'written']);
  expect(notes()).toEqual(['one', 'two', 'three', 'four']);
  expect(log.map((e) => e.seq)).toEqual([1, 2, 3, 4, 5, 6]);
});

test('pressed three times before the answer it is one write; pressed again later it is another', async () => {
  const { note, notes } = await setUp();
  await Promise.all([note('once'), note('once'), note('once')]);
  expect(notes()).toEqual(['once']);
  await note('once');
  expect(notes()).toEqual(['once', 'once']);
});

test('with no answer work goes on at this bench, over a reload, and all of it arrives in order by itself', async () => {
  const it = newServer();
  const first = await openTab(it);
  it.setDown(true);
  await expect(first.note('one')).resolves.toBe('waiting');
  await expect(first.note('two')).resolves.toBe('waiting');
  expect(first.notes()).toEqual(['one', 'two']);
  expect(first.unsent()).toBe(2);
  it.setDown(false);
  const id = first.outbox()[0]!.id;
  it.setDown(true);
  const second = await openTab(it);
  // Not read yet, since no one answers: nothing is lost by that.
  expect(second.outbox().map((p) => [p.status, p.isKept])).toEqual([
    ['unsent', true],
    ['unsent', true],
  ]);
  expect(second.outbox()[0]!.id).toBe(id);
  it.setDown(false);
  await second.store.dispatch(second.readJob('j'));
  expect(second.notes()).toEqual(['one', 'two']);
  await jest.advanceTimersByTimeAsync(31_000);
  await aMoment();
  expect(it.texts()).toEqual(['one', 'two']);
  expect(second.outbox()).toEqual([]);
  expect(second.unsent()).toBe(0);
});

test('what is undone while it waits is undone in the log', async () => {
  const { note, notes, setDown, store, writing, sendNow, log } = await setUp();
  setDown(true);
  await note('one');
  await note('two');
  await expect(store.dispatch(writing.undoLast('j', 'inspect'))).resolves.toMatchObject({
    data: { text: 'two' },
  });
  expect(notes()).toEqual(['one']);
  setDown(false);
  await sendNow();
  expect(log.slice(2).map((e) => e.kind)).toEqual(['note', 'note', 'undo']);
  expect(notes()).toEqual(['one']);
});

test('it says how long it waited, and nothing of it where it did not', async () => {
  const { note, waits, setDown, sendNow } = await setUp();
  await note('at once');
  setDown(true);
  await note('later');
  await jest.advanceTimersByTimeAsync(600_000);
  setDown(false);
  await sendNow();
  expect(waits[0]).toBe(0);
  expect(waits[1]).toBeGreaterThanOrEqual(600);
  expect(waits[1]).toBeLessThan(620);
});

test('a server that takes it and loses its answer has it once', async () => {
  const { note, notes, texts: there, setAnswerLost, sendNow, outbox } = await setUp();
  setAnswerLost(true);
  await expect(note('once')).resolves.toBe('waiting');
  setAnswerLost(false);
  await sendNow();
  expect(there()).toEqual(['once']);
  expect(notes()).toEqual(['once']);
  expect(outbox()).toEqual([]);
});

test('a server that says nothing for long lets the fitter work on', async () => {
  const it = newServer();
  const tab = await openTab(it);
  let answer = () => undefined as void;
  const slow = new Promise<void>((done) => (answer = done));
  globalThis.fetch = (async (url: string, init: RequestInit) => {
    await slow;
    return it.fetch(url, init);
  }) as typeof fetch;
  const written = tab.note('slow');
  await jest.advanceTimersByTimeAsync(1500);
  await expect(written).resolves.toBe('waiting');
  expect(tab.outbox()).toMatchObject([{ status: 'unsent', why: 'Waiting for the server.' }]);
  answer();
  await aMoment();
  expect(it.texts()).toEqual(['slow']);
  expect(tab.outbox()).toEqual([]);
});

test('where somebody else wrote meanwhile, each entry waits for a word, and none goes by itself', async () => {
  const {
    note,
    notes,
    outbox,
    store,
    sender,
    setDown,
    addElsewhere,
    sendNow,
    texts: there,
  } = await setUp();
  setDown(true);
  await note('mine');
  await note('mine too');
  await note('never mind');
  addElsewhere('from the other bench');
  setDown(false);
  await sendNow();
  expect(outbox().map((p) => p.status)).toEqual(['conflict', 'conflict', 'conflict']);
  expect(notes()).toEqual(['from the other bench']);
  await sendNow();
  expect(there()).toEqual(['from the other bench']);
  // What is written now, knowing it, goes at once.
  await expect(note('knowing it')).resolves.toBe('written');
  await store.dispatch(sender.drop(outbox()[2]!.id));
  await store.dispatch(sender.writeAfterAll(outbox()));
  expect(there()).toEqual(['from the other bench', 'knowing it', 'mine', 'mine too']);
  expect(notes()).toEqual(there());
  expect(outbox()).toEqual([]);
});

test('a fitter is asked even where this page has heard of the other entry by then', async () => {
  const { note, outbox, setDown, addElsewhere, store, readJob, sendNow } = await setUp();
  setDown(true);
  await note('not knowing');
  addElsewhere('theirs');
  setDown(false);
  await store.dispatch(readJob('j'));
  await sendNow();
  expect(outbox()).toMatchObject([{ status: 'conflict' }]);
});

test('what the server wrote beside an own entry at the other wheel is nobody else’s', async () => {
  const { note, notes, outbox, log, addElsewhere } = await setUp();
  await note('ticks the machine’s step');
  addElsewhere('back-ride', log.at(-1)!.id);
  await expect(note('next')).resolves.toBe('written');
  expect(notes()).toEqual(['ticks the machine’s step', 'next']);
  addElsewhere('back-ride', 'of somebody else');
  await expect(note('after a stranger’s')).resolves.toBe('conflict');
  expect(outbox()).toHaveLength(1);
});

test.each([0, 1, 3])(
  'a page killed while sending goes on: %i confirmed ones forgotten, nothing twice, no one blamed',
  async (forgotten) => {
    const it = newServer();
    const first = await openTab(it);
    it.setDown(true);
    const texts = ['one', 'two', 'three', 'four', 'five'];
    for (const text of texts) await first.note(text);
    const kept = await first.kept.keptParcels();
    // The server took three; the browser was killed before it had let go of all of them.
    for (const { bodies } of kept.slice(0, 3))
      it.log.push({
        ...bodies[0]!,
        seq: it.log.length + 1,
        at: '2026-04-30T10:00:00.000Z',
      } as Entry);
    for (const { id } of kept.slice(0, forgotten)) await first.kept.letGo(id);
    it.setDown(false);
    const again = await openTab(it);
    await again.sendNow();
    expect(it.texts()).toEqual(texts);
    expect(again.outbox()).toEqual([]);
    expect(again.notes()).toEqual(texts);
  },
);

test('a slow reading of the log does not take back what was confirmed meanwhile', async () => {
  const it = newServer();
  const tab = await openTab(it);
  let answer = () => undefined as void;
  const slow = new Promise<void>((done) => (answer = done));
  globalThis.fetch = (async (url: string, init: RequestInit) => {
    const response = await it.fetch(url, init);
    if (init.method === 'GET') await slow;
    return response;
  }) as typeof fetch;
  const read = tab.store.dispatch(tab.readJob('j'));
  await expect(tab.note('meanwhile')).resolves.toBe('written');
  answer();
  await read;
  expect(tab.notes()).toEqual(['meanwhile']);
  await expect(tab.note('after it')).resolves.toBe('written');
});

test('a shop that was put back as it was before is read as it is', async () => {
  const { note, notes, log, store, readJob } = await setUp();
  await note('kept');
  await note('gone with the restore');
  log.pop();
  await store.dispatch(readJob('j'));
  expect(notes()).toEqual(['kept']);
});

test('the tabs of a browser share what waits: sent by one it is gone from all, and sent once', async () => {
  const it = newServer();
  const first = await openTab(it);
  const second = await openTab(it);
  it.setDown(true);
  await first.note('from the first tab');
  await second.note('from the second tab');
  await aMoment();
  const both = ['from the first tab', 'from the second tab'];
  expect(first.notes()).toEqual(both);
  expect(second.notes()).toEqual(both);
  it.setDown(false);
  const before = it.posts();
  await second.sendNow();
  await aMoment();
  expect(it.posts() - before).toBe(2);
  expect(it.texts()).toEqual(both);
  expect(first.outbox()).toEqual([]);
  await first.sendNow();
  expect(it.texts()).toEqual(both);
});

test('a tab that has not heard that another sent it does not send it again', async () => {
  const it = newServer();
  const first = await openTab(it);
  it.setDown(true);
  await first.note('once');
  const second = await openTab(it);
  channels.clear();
  it.setDown(false);
  await second.sendNow();
  const before = it.posts();
  await first.sendNow();
  expect(it.posts()).toBe(before);
  expect(first.notes()).toEqual(['once']);
  expect(first.outbox()).toEqual([]);
});

test('a browser that keeps nothing holds it on the page, and says so', async () => {
  globalThis.indexedDB = {
    open: () => {
      throw new Error('private');
    },
  } as never;
  const { note, notes, outbox, setDown, sendNow, texts: there } = await setUp();
  setDown(true);
  await expect(note('held')).resolves.toBe('waiting');
  expect(outbox()).toMatchObject([{ isKept: false }]);
  expect(notes()).toEqual(['held']);
  setDown(false);
  await sendNow();
  expect(there()).toEqual(['held']);
});

test('a disk that cannot be read any more does not lose what waits', async () => {
  const { note, setDown, sendNow, texts: there } = await setUp();
  setDown(true);
  await note('still connected');
  setDown(false);
  const read = jest.spyOn(IDBIndex.prototype, 'get').mockImplementation(() => {
    throw new Error('damaged');
  });
  await sendNow();
  read.mockRestore();
  expect(there()).toEqual(['still connected']);
});

test('what an earlier program left is taken over, and the fitter is asked', async () => {
  const body = { id: 'old', who: 'x', station: 'inspect', kind: 'note', data: { text: 'old' } };
  const old = { id: 'old', jobId: 'j', bodies: [body], status: 'unsent' };
  texts.set('rimstone-outbox', JSON.stringify([old]));
  texts.set(
    'rimstone-outbox/old2',
    JSON.stringify({ ...old, id: 'old2', bodies: [{ ...body, id: 'old2' }] }),
  );
  texts.set('rimstone-outbox/x', '["nor a parcel');
  texts.set('rimstone-outbox/y', '{}');
  texts.set('rimstone-prefs', '"text"');
  const { outbox, texts: there, store, sender } = await setUp();
  expect(outbox().map((p) => [p.id, p.status])).toEqual([
    ['old', 'refused'],
    ['old2', 'refused'],
  ]);
  expect([...texts.keys()]).toEqual(['rimstone-prefs']);
  expect(store.getState().prefs.units).toEqual({});
  expect(there()).toEqual([]);
  await store.dispatch(sender.writeAfterAll(outbox()));
  expect(there()).toEqual(['old', 'old']);
});

test.each([401, 403, 429, 500, 502, 503, 507])(
  'an answer of %d keeps the entry, says why, and it goes through later',
  async (status) => {
    const { note, outbox, setRefusal, sendNow, notes, texts: there } = await setUp();
    setRefusal(status);
    await expect(note('keep me')).resolves.toBe('waiting');
    expect(outbox()).toMatchObject([{ status: 'unsent', why: `Refused with ${status}.` }]);
    expect(notes()).toEqual(['keep me']);
    setRefusal(null);
    await sendNow();
    expect(there()).toEqual(['keep me']);
  },
);

test('a role that may not write it is a refusal, not an outage: it is said, not kept, and what follows goes on', async () => {
  const { note, notes, outbox, setRefusal, said, texts: there } = await setUp();
  setRefusal(403, 'role');
  await expect(note('not by a learner')).resolves.toBe('refused');
  expect(outbox()).toEqual([]);
  expect(notes()).toEqual([]);
  expect(said()).toMatchObject({ tone: 'stop' });
  setRefusal(null);
  await expect(note('goes on')).resolves.toBe('written');
  expect(there()).toEqual(['goes on']);
});

test('an entry in another’s name waits for them, and can be discarded meanwhile', async () => {
  const { note, notes, outbox, setRefusal, sendNow, store, sender, texts: there } = await setUp();
  setRefusal(403, 'who');
  await expect(note('of who has left')).resolves.toBe('waiting');
  await note('the next');
  expect(outbox().map((p) => p.status)).toEqual(['unsent', 'unsent']);
  await store.dispatch(sender.drop(outbox()[0]!.id));
  expect(notes()).toEqual(['the next']);
  setRefusal(null);
  await sendNow();
  expect(there()).toEqual(['the next']);
});

test('what waited and is then refused by role waits for a word, and holds up nothing behind it', async () => {
  const { note, outbox, setDown, setRefusal, sendNow } = await setUp();
  setDown(true);
  await note('first');
  await note('second');
  setDown(false);
  setRefusal(403, 'role');
  await sendNow();
  expect(outbox().map((p) => p.status)).toEqual(['refused', 'refused']);
});

test.each([400, 404, 413, 415])(
  'an answer of %d judges the entry: it is said and not kept',
  async (status) => {
    const { note, notes, outbox, setRefusal, said, kept } = await setUp();
    setRefusal(status);
    await expect(note('never')).resolves.toBe('refused');
    expect(outbox()).toEqual([]);
    expect(notes()).toEqual([]);
    expect(said()).toMatchObject({ tone: 'stop' });
    await expect(kept.keptParcels()).resolves.toEqual([]);
  },
);

test('an entry that does not fit is said and not kept', async () => {
  const { note, outbox, said } = await setUp();
  await expect(note('bad')).resolves.toBe('refused');
  expect(outbox()).toEqual([]);
  expect(said()).toMatchObject({
    tone: 'stop',
    text: 'Not saved. The text does not fit. Something else.',
  });
});

test('a refusal is told in the units of this device, at once and when it comes later', async () => {
  const { store, note, outbox, said, setDown, sendNow } = await setUp();
  const { unitChosen } = await import('./prefs-slice');
  store.dispatch(unitChosen({ pressure: 'bar' }));
  await expect(note('too high')).resolves.toBe('refused');
  expect(said()).toMatchObject({ text: 'Not saved. 2.76 bar is the limit. Enter less.' });
  setDown(true);
  await note('too high');
  setDown(false);
  await sendNow();
  expect(outbox()).toMatchObject([
    { status: 'refused', why: '2.76 bar is the limit. Enter less.' },
  ]);
});

test('what was told to be kept and is judged later waits for a word; what follows it goes on', async () => {
  const { note, notes, outbox, setDown, sendNow, texts: there } = await setUp();
  setDown(true);
  await note('bad');
  await note('good');
  setDown(false);
  await sendNow();
  expect(there()).toEqual(['good']);
  expect(notes()).toEqual(['good']);
  expect(outbox()).toMatchObject([
    { status: 'refused', why: expect.stringContaining('The text does not fit.') },
  ]);
});

test('a photograph waits with its entry, over a reload, and goes before it', async () => {
  const it = newServer();
  const first = await openTab(it);
  const { write } = first.writing;
  it.setDown(true);
  const entry = { kind: 'photo', data: { photoId: '', part: null, says: '' } } as const;
  await expect(
    first.store.dispatch(write('j', 'inspect', [entry], new Blob(['a picture']))),
  ).resolves.toBe('waiting');
  expect(first.state().photos).toMatchObject([{ photoId: `waiting:${first.outbox()[0]!.id}` }]);
  const second = await openTab(it);
  it.setDown(false);
  await second.store.dispatch(second.readJob('j'));
  // It is taken, but not its entry: it is not sent twice.
  it.setDown(true);
  it.setDown(false);
  await second.sendNow();
  expect(it.photos).toEqual(['a picture']);
  expect(it.log.at(-1)).toMatchObject({ kind: 'photo', data: { photoId: 'photo-1' } });
  expect(second.outbox()).toEqual([]);
  await expect(second.kept.pictureOf(first.outbox()[0]?.id ?? 'gone')).resolves.toBeUndefined();
});

test('undo takes the newest away, again and again, until nothing is left', async () => {
  const { note, state, store, writing } = await setUp();
  await note('one');
  await note('two');
  const undo = () => store.dispatch(writing.undoLast('j', 'inspect'));
  expect(await undo()).toMatchObject({ data: { text: 'two' } });
  expect(await undo()).toMatchObject({ data: { text: 'one' } });
  expect(await undo()).toBeUndefined();
  expect(state().notes).toEqual([]);
});

test('a job that is not there, and a server that is not, are told apart', async () => {
  const { store, readJob, setDown } = await setUp();
  await store.dispatch(readJob('nothing'));
  expect(store.getState().jobs.problem.nothing).toMatchObject({
    status: 404,
    message: 'Job not found.',
  });
  setDown(true);
  await store.dispatch(readJob('other'));
  expect(store.getState().jobs.problem.other).toMatchObject({
    status: 0,
    message: 'Can’t reach the shop server.',
  });
});

test('a job that this browser has seen opens without the server', async () => {
  const it = newServer();
  const first = await openTab(it);
  const { keepOfflineCache } = await import('./keep-offline-cache');
  keepOfflineCache(first.store);
  await first.note('seen');
  await jest.advanceTimersByTimeAsync(1500);
  await aMoment();
  it.setDown(true);
  const second = await openTab(it);
  expect(second.notes()).toEqual(['seen']);
  await second.note('written without the server');
  it.setDown(false);
  await second.sendNow();
  expect(it.texts()).toEqual(['seen', 'written without the server']);
});
