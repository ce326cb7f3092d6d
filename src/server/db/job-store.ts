import { randomUUID } from 'node:crypto';
import { InputError } from '../../core/base/errors';
import {
  checkEntryBody,
  coolUntil,
  definitionOf,
  effectiveEntries,
  effectOf,
  jobReport,
  readyOf,
  type Effect,
  type Entry,
  type EntryBody,
  type JobState,
  type JobSummary,
  type UsualTime,
} from '../../core/job';
import type { LiveNews } from '../../core/base/live';
import type { Cure } from '../../core/job/procedure';
import { valuesOf } from '../../core/base/rules';
import { daysAfter } from '../../core/base/units';
import { POSITION_WORDS } from '../../core/fit/wheels/wheel';
import { LogMovedOn, NotFound } from '../errors';
import { partsStore } from './parts-store';
import { recheckStore } from './recheck-store';
import { handOverStore } from './hand-over-store';
import { jobLogs } from './job-logs';
import { FIRST, jobSearch, LAST } from './job-search';
import { shopStatsStore } from './shop-stats-store';
import { machineSteps } from './machine-steps';
import type { Db } from './open-db';
import type { RuleStore } from './rule-store';
import { repeatedAppend } from './repeated-append';
import type { ShopStore } from './shop-store';
import { stationTimes } from './station-times';
import { troubleStore } from './trouble-store';
import { visitLog } from './visit-log';

export interface JobQuery {
  search: string;
  from?: string | undefined;
  to?: string | undefined;
  limit: number;
  offset: number;
}

interface JobRow extends Omit<JobSummary, 'handedOver'> {
  handedOver: 0 | 1;
}

/** What a job is opened with; without a visit it is one of its own. */
export interface OpenJob {
  id: string;
  machineId: string;
  wheelId: string;
  who: string;
  visitId?: string;
}

/** Refuses an append by what it brings about, and by the entries that were written; `rider` is the machine's. */
export type EffectCheck = (effect: Effect, written: readonly Entry[], rider: string) => void;

/** When entries reached the server, ISO 8601, and how long they had waited by then. */
interface Sent {
  at: string;
  waitedS?: number;
}

const FIRST_NUMBER = 1001;
/** Its opening, and the rules it was decided with. */
const OPENING_ENTRIES = 2;

/** How far each station is, in their order. */
const fillsFrom = (state: JobState, at: string): number[] =>
  jobReport(state, at.slice(0, 10)).map((r) => Number(r.fill.toFixed(3)));

const SUMMARY = `id, number, machine_id AS machineId, wheel_id AS wheelId, machine_name AS machineName,
  wheel_position AS wheelPosition, rider, size_off AS sizeOff, size_on AS sizeOn, handed_over AS handedOver,
  withdrawn_by AS withdrawnBy, opened_at AS openedAt, last_at AS lastAt, last_seq AS lastSeq`;

const toSummary = (row: JobRow): JobSummary => ({ ...row, handedOver: row.handedOver === 1 });

/** The later of two times: a log's time never runs backwards, whatever the clock of the machine does. */
const later = (at: string, before: string): string => (at > before ? at : before);

/** Jobs and their logs in the database. */
export const jobStore = (
  db: Db,
  shop: ShopStore,
  rules: RuleStore,
  hasPhoto: (photoId: string) => boolean = () => false,
  tell: (news: LiveNews) => void = () => undefined,
) => {
  const statements = {
    one: db.prepare<[string], JobRow>(`SELECT ${SUMMARY} FROM jobs WHERE id = ?`),
    ofWheel: db.prepare<[string], JobRow>(
      `SELECT ${SUMMARY} FROM jobs WHERE wheel_id = ? ORDER BY number DESC`,
    ),
    nextNumber: db.prepare<[], { number: number | null }>(
      'SELECT max(number) + 1 AS number FROM jobs',
    ),
    insertJob: db.prepare(
      `INSERT INTO jobs (id, number, machine_id, wheel_id, machine_name, wheel_position, rider, opened_at, last_at,
         last_seq, search, visit_id)
       VALUES (@id, @number, @machineId, @wheelId, @machineName, @wheelPosition, @rider, @at, @at, 0, '', @visitId)`,
    ),
    insertEntry: db.prepare(
      `INSERT INTO entries (job_id, seq, id, at, who, station, kind, data, replaces, arrived_at)
       VALUES (@jobId, @seq, @id, @at, @who, @station, @kind, @data, @replaces, @arrivedAt)`,
    ),
    entryJob: db.prepare<[string], { jobId: string; seq: number }>(
      'SELECT job_id AS jobId, seq FROM entries WHERE id = ?',
    ),
    summarize: db.prepare(
      `UPDATE jobs SET size_off = @sizeOff, size_on = @sizeOn, handed_over = @handedOver,
         withdrawn_by = @withdrawnBy, last_at = @lastAt,
         last_seq = @lastSeq, search = @search, fills = '[]', set_kpa = @setKpa, cool_until = @coolUntil WHERE id = @id`,
    ),
    unlooked: db.prepare<[string], { id: string; number: number }>(
      `SELECT id, number FROM jobs WHERE handed_over = 1 AND opened_at >= ?
         AND NOT EXISTS (SELECT 1 FROM rechecks WHERE job_id = jobs.id) ORDER BY number`,
    ),
    keepFills: db.prepare('UPDATE jobs SET fills = ? WHERE id = ?'),
    visitOf: db.prepare<[string], { visitId: string | null }>(
      'SELECT visit_id AS visitId FROM jobs WHERE id = ?',
    ),
  };

  const find = (id: string): JobSummary => {
    const row = statements.one.get(id);
    if (!row) throw new NotFound('There is no such job.');
    return toSummary(row);
  };

  const logs = jobLogs(db);
  const entriesOf = (id: string, afterSeq = 0): Entry[] => logs.of(id).entries.slice(afterSeq);

  const settle = handOverStore(db, shop.records);
  const times = stationTimes(db);
  const visits = visitLog(db);
  const stepsOfSisters = machineSteps(db, logs.of);
  const troubles = troubleStore(db);
  const knows = shopStatsStore(db, troubles.between);
  const found = jobSearch<JobRow>(db, SUMMARY);
  const parts = partsStore(db, shop.records);
  const rechecks = recheckStore(db, shop.records, rules);

  const summarize = (id: string, log = logs.of(id)): JobState => {
    const { state } = log;
    const last = log.entries.at(-1)!;
    const { number, openedAt, wheelPosition } = find(id);
    times.settle(id, log, state.handedOver ? number : null);
    const sizeOff = state.cameOff?.marking ?? null;
    const sizeOn = state.chosen?.marking ?? null;
    const position = POSITION_WORDS[wheelPosition];
    const words = [
      number,
      state.machine?.name,
      state.machine?.kind,
      position,
      wheelPosition,
      state.rider,
      sizeOff,
      sizeOn,
      openedAt.slice(0, 10),
    ];
    statements.summarize.run({
      id,
      sizeOff,
      sizeOn,
      handedOver: state.handedOver ? 1 : 0,
      withdrawnBy: state.withdrawn?.who ?? null,
      lastAt: last.at,
      lastSeq: last.seq,
      setKpa: state.pressureSet?.rideKpa ?? null,
      coolUntil: state.steps['leave-cool'] ? null : coolUntil(state),
      search: words.filter(Boolean).join(' ').toLowerCase(),
    });
    const { visitId } = statements.visitOf.get(id)!;
    if (visitId !== null) visits.settle(visitId, last.at);
    return state;
  };

  /** Refuses targets that are not in this log or do not stand, so that no entry dangles. */
  const checkTargets = (log: readonly Entry[], bodies: EntryBody[]): void => {
    // Most entries name no other: what stands is asked for only by those that do.
    const named = bodies.some((b) => b.kind === 'undo' || b.replaces !== undefined)
      ? effectiveEntriesWithUndos(log)
      : [];
    const known = new Map(named.map((e) => [e.id, e.kind]));
    for (const body of bodies) {
      if (body.kind === 'photo' && !hasPhoto((body as EntryBody<'photo'>).data.photoId))
        throw new InputError(
          'data.photoId',
          'There is no such photograph.',
          'the id that keeping the photograph gave',
        );
      const target =
        body.kind === 'undo' ? (body as EntryBody<'undo'>).data.entryId : body.replaces;
      if (target !== undefined) {
        const kind = known.get(target);
        const field = body.kind === 'undo' ? 'data.entryId' : 'replaces';
        if (!kind)
          throw new InputError(
            field,
            'There is no such entry in this job.',
            'the id of an entry of this job',
          );
        if (definitionOf(kind).author === 'server')
          throw new InputError(field, 'The opening of a job stands.', 'the id of a later entry');
        if (body.kind !== 'undo' && kind !== body.kind)
          throw new InputError(
            field,
            'A correction is of the same kind as what it replaces.',
            `an entry of kind ${kind}`,
          );
      }
      known.set(body.id, body.kind);
    }
  };

  /**
   * A release that begins to stand needs every safety check on record, or a person who releases it anyway and why. One
   * that an undo brings back needs all of them: what was accepted then may not be what is open now.
   */
  const checkRelease = (begun: readonly Entry[], fromSeq: number, state: JobState): void => {
    const release = begun.find(
      (e) => e.kind === 'handed-over' && !(e.seq > fromSeq && e.data.despite),
    );
    const missing = release ? readyOf(state).result.missing : [];
    if (release === undefined || missing.length === 0) return;
    const open = `Safety checks are open: ${missing.map((p) => `${p.says.toLowerCase()} (${p.by})`).join('; ')}.`;
    throw release.seq > fromSeq
      ? new InputError(
          `entries[${release.seq - fromSeq - 1}].data.despite`,
          open,
          'every safety check on record, or who releases it anyway and why',
        )
      : new InputError('entries[0].data.entryId', open, 'a new release instead of the old one');
  };

  const write = (
    jobId: string,
    bodies: EntryBody[],
    fromSeq: number,
    at: string,
    arrivedAt: string | null = null,
  ): void => {
    bodies.forEach((body, i) =>
      statements.insertEntry.run({
        ...body,
        jobId,
        at,
        seq: fromSeq + i + 1,
        data: JSON.stringify(body.data),
        replaces: body.replaces ?? null,
        arrivedAt,
      }),
    );
  };

  /** Jobs of the same visit that the append at hand wrote into as well. */
  const grownBeside: string[] = [];
  const append = db.transaction(
    (
      jobId: string,
      expectedSeq: number,
      raw: unknown[],
      sent: Sent,
      refuse: EffectCheck,
    ): Entry[] => {
      const job = find(jobId);
      const { at: now, waitedS = 0 } = sent;
      const arrivedAt = waitedS > 0 ? now : null;
      const clock = new Date(Date.parse(now) - waitedS * 1000).toISOString();
      const at = later(clock, job.lastAt);
      const bodies = raw.map((value, i) => {
        try {
          return checkEntryBody(value);
        } catch (error) {
          if (error instanceof InputError)
            throw new InputError(`entries[${i}].${error.field}`, error.message, error.expected);
          throw error;
        }
      });
      if (new Set(bodies.map((b) => b.id)).size < bodies.length)
        throw new InputError(
          'entries',
          'Two entries have the same id.',
          'an id of its own for each',
        );
      const held = bodies.map((b) => statements.entryJob.get(b.id));
      if (held.some(Boolean)) {
        const log = logs.of(jobId).entries;
        return repeatedAppend(bodies, (i) =>
          held[i]?.jobId === jobId ? log[held[i].seq - 1] : undefined,
        );
      }
      if (expectedSeq !== job.lastSeq)
        throw new LogMovedOn(entriesOf(jobId, expectedSeq), job.lastSeq);
      if (bodies.some((b) => definitionOf(b.kind).author === 'server'))
        throw new InputError(
          'entries',
          'A job is opened once, with the shop’s rules.',
          'any other kind of entry',
        );
      checkTargets(logs.of(jobId).entries, bodies);
      write(jobId, bodies, job.lastSeq, at, arrivedAt);
      for (const sister of stepsOfSisters(jobId, bodies)) {
        const { lastSeq, lastAt } = find(sister.jobId);
        write(sister.jobId, sister.bodies, lastSeq, later(clock, lastAt), arrivedAt);
        summarize(sister.jobId);
        grownBeside.push(sister.jobId);
      }
      const state = summarize(jobId);
      const log = logs.of(jobId).entries;
      const effect = effectOf(log, job.lastSeq);
      refuse(effect, log.slice(job.lastSeq), state.machine?.rider ?? state.rider);
      checkRelease(effect.begun, job.lastSeq, state);
      if (bodies.some((b) => b.kind === 'trouble' || b.kind === 'undo'))
        troubles.settle(jobId, logs.of(jobId));
      if (bodies.some((b) => definitionOf(b.kind).stock === 'parts'))
        parts.settle(jobId, entriesOf(jobId), state);
      if (job.handedOver || state.handedOver) {
        if (bodies.some((b) => definitionOf(b.kind).stock !== 'none')) settle(jobId, state);
        rechecks.settleJob(jobId, job.number, state);
        knows.settle(jobId, state);
      }
      return entriesOf(jobId, job.lastSeq);
    },
  );

  const open = db.transaction((input: OpenJob, at: string): JobSummary => {
    const existing = statements.one.get(input.id);
    // A client that lost the answer sends again.
    if (existing?.machineId === input.machineId && existing.wheelId === input.wheelId)
      return toSummary(existing);
    if (existing)
      throw new InputError('id', 'A job of that id exists already.', 'an id of your own making');
    const machine = shop.machine(input.machineId);
    const wheel = shop.wheel(input.wheelId);
    if (!machine)
      throw new InputError(
        'machineId',
        'There is no such machine.',
        'the id of a machine of the shop',
      );
    if (!wheel || wheel.machineId !== machine.id)
      throw new InputError(
        'wheelId',
        'There is no such wheel on this machine.',
        'the id of a wheel of this machine',
      );
    // A wheel that comes in by itself is a visit of one.
    const visitId = input.visitId ?? input.id;
    if (!input.visitId)
      visits.open(
        {
          id: visitId,
          machineId: machine.id,
          machineName: machine.name,
          rider: machine.rider,
          entryId: randomUUID(),
          who: input.who,
        },
        at,
      );
    statements.insertJob.run({
      ...input,
      visitId,
      at,
      number: statements.nextNumber.get()?.number ?? FIRST_NUMBER,
      machineName: machine.name,
      wheelPosition: wheel.position,
      rider: machine.rider,
    });
    const common = { who: input.who, station: 'intake' as const };
    write(
      input.id,
      [
        {
          ...common,
          id: randomUUID(),
          kind: 'opened',
          data: { machine, wheel, rider: machine.rider },
        },
        { ...common, id: randomUUID(), kind: 'rules', data: { values: valuesOf(rules.list()) } },
      ],
      0,
      at,
    );
    if (!input.visitId)
      visits.write(
        visitId,
        [
          {
            id: randomUUID(),
            who: input.who,
            kind: 'wheel-added',
            data: { jobId: input.id, wheelId: wheel.id, position: wheel.position },
          },
        ],
        at,
      );
    summarize(input.id);
    return find(input.id);
  });

  return {
    find,
    entriesOf,
    /** What its jobs and the shop's records ask to be looked at again. */
    rechecks,
    /** The parts that they want. */
    parts,
    /** What they say of the shop. */
    knows,
    /** For a database of an earlier program: what the jobs since a day ask to be looked at again. */
    settleRechecks: db.transaction((since: string): void => {
      const missing = statements.unlooked.all(since);
      for (const { id, number } of missing) rechecks.settleJob(id, number, logs.of(id).state);
      rechecks.settleRecords();
    }),
    /** Works out anew what is kept beside a log that was brought in whole; shelf and wheel record stay as they are. */
    settleAgain(id: string): JobState {
      const log = logs.of(id);
      const state = summarize(id, log);
      troubles.settle(id, log);
      parts.settle(id, log.entries, state);
      if (state.handedOver) {
        rechecks.settleJob(id, find(id).number, state);
        knows.settle(id, state);
      }
      return state;
    },
    /** Whether an entry of that id stands in any log. */
    holds: (entryId: string): boolean => statements.entryJob.get(entryId) !== undefined,
    /**
     * Appends, all or nothing; what waited on its way stands at the time when it was written at the bench. `refuse` sees
     * what the append brings about, and throws to leave everything as it was.
     */
    append(
      jobId: string,
      expectedSeq: number,
      entries: unknown[],
      sent: Partial<Sent> = {},
      refuse: EffectCheck = () => undefined,
    ): Entry[] {
      grownBeside.length = 0;
      const written = append.immediate(
        jobId,
        expectedSeq,
        entries,
        { at: new Date().toISOString(), ...sent },
        refuse,
      );
      // It stands now: the next one is folded on from here, and everybody may know.
      const grown = [jobId, ...grownBeside];
      tell({ jobs: Object.fromEntries(grown.map((id) => [id, logs.of(id).entries.length])) });
      return written;
    },
    open: (input: OpenJob, at = new Date().toISOString()) => open.immediate(input, at),
    stateOf: (id: string): JobState => logs.of(id).state,
    /** How long it was worked on, in seconds, by its log. */
    spentS: (id: string): number => times.spentS(id),
    /** Its log holds more than its opening. */
    isBegun: (id: string): boolean => find(id).lastSeq > OPENING_ENTRIES,
    /** How far each station of a job is, 0 to 1, worked out from its log once it is asked for, and kept until it grows. */
    fillsOf(id: string): number[] {
      const { entries, state } = logs.of(id);
      const fills = fillsFrom(state, entries.at(-1)!.at);
      statements.keepFills.run(JSON.stringify(fills), id);
      return fills;
    },
    /** What the latest jobs took at each station, in seconds, by `station build`. */
    timeSamples: () => times.samples(),
    /** What cured which trouble in this shop, and how often. */
    cures: (): Cure[] => troubles.cures(),
    /** How long each station usually takes in this shop, by the wheel's build. */
    usualTimes: (): UsualTime[] => times.usual(),
    ofWheel: (wheelId: string) => statements.ofWheel.all(wheelId).map(toSummary),
    list({ search, from, to, limit, offset }: JobQuery): { jobs: JobSummary[]; total: number } {
      const days = { from: from ?? FIRST, to: to ? daysAfter(to, 1) : LAST };
      const { rows, total } = found({ search, ...days }, limit, offset);
      return { jobs: rows.map(toSummary), total };
    },
  };
};
export type JobStore = ReturnType<typeof jobStore>;

/** Standing entries and all undos: what an undo or a correction may name. */
const effectiveEntriesWithUndos = (log: readonly Entry[]): Entry[] => [
  ...effectiveEntries(log),
  ...log.filter((e) => e.kind === 'undo'),
];
