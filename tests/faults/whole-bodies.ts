import type { Entry } from '../../src/core/job';
import { WORKINGS } from '../../src/core/workings';

/** Reads what a shop answers. */
export type Read = (path: string) => Promise<never>;

/** Entries of every kind from the shop's own logs, each with an id of its own. */
const entriesOf = async (read: Read): Promise<(n: number) => object> => {
  const { jobs } = (await read('/api/jobs?limit=200')) as { jobs: { id: string }[] };
  const logs = (await Promise.all(jobs.map((j) => read(`/api/jobs/${j.id}`)))) as {
    entries: Entry[];
  }[];
  const entries = logs
    .flatMap((l) => l.entries)
    .filter((e) => e.kind !== 'opened' && e.kind !== 'rules');
  const byKind = [...new Set(entries.map((e) => e.kind))].map((kind) =>
    entries.filter((e) => e.kind === kind),
  );
  return (n) => {
    const its = byKind[n % byKind.length]!;
    const { seq: _seq, at: _at, replaces: _replaces, ...body } = its[n % its.length]!;
    return { ...body, id: `fuzz-${n}` };
  };
};

/** Bodies that would be taken, by route: the n-th of them. */
export const wholeBodies = async (
  read: Read,
): Promise<(path: string, n: number) => Record<string, unknown>> => {
  const entryOf = await entriesOf(read);
  const { records: tires } = (await read('/api/records/tires?limit=5')) as { records: object[] };
  const { machine, wheels } = (await read('/api/machines/m-orrin')) as {
    machine: object;
    wheels: object[];
  };
  return (path, n) => {
    if (path.endsWith('/entries') && path.startsWith('/api/jobs'))
      return { expectedSeq: null, entries: [entryOf(n)], waitedS: n % 3 };
    if (path.startsWith('/api/visits/'))
      return {
        expectedSeq: null,
        entries: [{ id: `v-${n}`, who: 'x', kind: 'note', data: { text: 'x' } }],
      };
    if (path === '/api/visits')
      return {
        id: `visit-${n}`,
        machineId: 'm-orrin',
        who: 'x',
        wheels: [{ jobId: `j-${n}`, wheelId: 'w-orrin-f' }],
        wanted: 'x',
        dueAt: null,
      };
    if (path === '/api/jobs')
      return { id: `job-${n}`, machineId: 'm-orrin', wheelId: 'w-orrin-f', who: 'x' };
    if (path === '/api/machines')
      return {
        machine: { ...machine, id: `m-${n}` },
        wheels: wheels.map((w) => ({ ...w, machineId: `m-${n}` })),
      };
    if (path.startsWith('/api/records')) return { ...tires[n % tires.length], id: `t-${n}` };
    if (path.startsWith('/api/workings'))
      return { ...(WORKINGS[n % WORKINGS.length]!.example as object) };
    if (path.startsWith('/api/rules')) return { value: 1, note: '', who: 'x', reason: 'x' };
    if (path.startsWith('/api/people')) return { name: 'x', pace: 'by station' };
    return { name: 'x', who: 'x', id: `x-${n}`, count: 1, at: '2026-04-30', jobId: null, tab: 't' };
  };
};
