import { randomUUID } from 'node:crypto';
import { estimate, type ChargedWheel } from '../../core/shop/costs';
import { timeLeft, timeLeftOf, type StationLeft } from '../../core/shop/day';
import { InputError } from '../../core/base/errors';
import type { JobSummary } from '../../core/job';
import { riderPaper } from '../../core/reports/papers';
import { ruleNumber, valuesOf } from '../../core/base/rules';
import { STATIONS } from '../../core/base/stations';
import {
  checkVisitAppend,
  checkVisitEntry,
  dayInput,
  type OpenVisit,
  type VisitEntry,
  type VisitEntryBody,
  type VisitSummary,
  type WheelNow,
  visitDefinitionOf,
} from '../../core/shop/visit';
import { daysBetween, type UnitPreferences } from '../../core/base/units';
import { POSITION_WORDS, type Build } from '../../core/fit/wheels';
import { NotFound } from '../errors';
import type { JobStore } from './job-store';
import type { PartsStore } from './parts-store';
import type { Db } from './open-db';
import type { RuleStore } from './rule-store';
import { FROM_NEWEST, visitPages } from './visit-pages';
import type { ShopStore } from './shop-store';
import { repeatedAppend } from './repeated-append';
import { visitLog } from './visit-log';

export interface VisitQuery {
  state: 'open' | 'done';
  search: string;
  limit: number;
  /** `openedAt id` of the last one seen; the page after it. */
  after?: string | undefined;
}

/** Refuses an entry of a visit by the names in it. */
type NameRefusal = (entry: VisitEntryBody, rider: string) => void;

/** So many machines are looked at for a plan, the newest first. */
const MAX_IN = 60;
const TIRE_ON = STATIONS.indexOf('tire-on');

interface VisitRow extends Omit<
  VisitSummary,
  'handedOver' | 'wheels' | 'left' | 'missing' | 'backAfterDays'
> {
  handedOver: 0 | 1;
  lastTimeAt: string | null;
}

interface WheelRow {
  jobId: string;
  visitId: string;
  wheelId: string;
  position: WheelNow['position'];
  number: number;
  sizeOn: string | null;
  setKpa: number | null;
  coolUntil: string | null;
  build: string;
  handedOver: 0 | 1;
  withdrawnBy: string | null;
  fills: string;
  wheelVersion: number;
}

const SUMMARY = `id, machine_id AS machineId, machine_name AS machineName, rider, wanted, due_at AS dueAt, waits,
  handed_over AS handedOver, opened_at AS openedAt, last_at AS lastAt, last_seq AS lastSeq, (
    SELECT earlier.last_at FROM visits AS earlier
    WHERE earlier.machine_id = visits.machine_id AND earlier.handed_over = 1 AND earlier.opened_at < visits.opened_at
    ORDER BY earlier.opened_at DESC LIMIT 1
  ) AS lastTimeAt`;

/** Machines that came in, in the database: list, open, read, append. */
export const visitStore = (
  db: Db,
  shop: ShopStore,
  rules: RuleStore,
  jobs: JobStore,
  stock: PartsStore,
) => {
  const log = visitLog(db);
  const page = visitPages<VisitRow>(db, SUMMARY);
  const statements = {
    one: db.prepare<[string], VisitRow>(`SELECT ${SUMMARY} FROM visits WHERE id = ?`),
    wheels: db.prepare<[string], WheelRow>(
      `SELECT j.id AS jobId, j.visit_id AS visitId, j.wheel_id AS wheelId, j.wheel_position AS position, j.number,
         j.size_on AS sizeOn, j.set_kpa AS setKpa, j.cool_until AS coolUntil, w.build,
         j.handed_over AS handedOver, j.withdrawn_by AS withdrawnBy, j.fills,
         w.version AS wheelVersion
       FROM jobs j JOIN wheels w ON w.id = j.wheel_id
       WHERE j.visit_id IN (SELECT value FROM json_each(?)) ORDER BY j.number`,
    ),
    visitOf: db.prepare<[string], { visitId: string | null }>(
      'SELECT visit_id AS visitId FROM jobs WHERE id = ?',
    ),
    leave: db.prepare('UPDATE jobs SET visit_id = NULL WHERE id = ?'),
  };

  const wheelNow = ({ visitId: _v, fills, handedOver, ...row }: WheelRow): WheelNow => {
    const known = JSON.parse(fills) as number[];
    const all = known.length === STATIONS.length ? known : jobs.fillsOf(row.jobId);
    const at = all.findIndex((f) => f < 1);
    return {
      ...row,
      fills: all,
      station: at < 0 ? null : STATIONS[at]!,
      handedOver: handedOver === 1,
    };
  };

  /** The work left on its wheels, with the times such stations took in this shop. */
  const stationsLeft = (
    wheels: readonly WheelNow[],
    samples: ReturnType<JobStore['timeSamples']>,
  ): StationLeft[] =>
    wheels
      .filter((w) => !w.handedOver)
      .flatMap((w) =>
        STATIONS.map((station, i) => ({
          station,
          leftPct: 100 * (1 - w.fills[i]!),
          tookS: samples.get(`${station} ${w.build}`) ?? [],
        })),
      );

  const withWheels = (rows: readonly VisitRow[]): VisitSummary[] => {
    const wheels = new Map<string, WheelNow[]>();
    for (const row of statements.wheels.all(JSON.stringify(rows.map((r) => r.id))))
      wheels.set(row.visitId, [...(wheels.get(row.visitId) ?? []), wheelNow(row)]);
    const samples = jobs.timeSamples();
    const values = valuesOf(rules.list());
    const parts = stock.allocated().filter((p) => p.here < p.count);
    return rows.map(({ lastTimeAt, ...row }) => {
      const its = wheels.get(row.id) ?? [];
      // Once the tire is on, its parts were here.
      const open = new Set(its.filter((w) => w.fills[TIRE_ON]! < 1).map((w) => w.jobId));
      const missing = parts
        .filter((p) => open.has(p.jobId))
        .map(({ jobId, what, count, here, short }) => ({
          jobId,
          what,
          count: count - here,
          isOrdered: short === 0,
        }));
      const left = row.handedOver === 1 ? null : timeLeftOf(stationsLeft(its, samples), values);
      const days =
        lastTimeAt === null
          ? null
          : daysBetween(lastTimeAt.slice(0, 10), row.openedAt.slice(0, 10));
      const backAfterDays =
        days !== null && days <= ruleNumber('day.backDays', values) ? days : null;
      return {
        ...row,
        handedOver: row.handedOver === 1,
        wheels: its,
        backAfterDays,
        missing,
        left,
      };
    });
  };

  const find = (id: string): VisitSummary => {
    const row = statements.one.get(id);
    if (!row) throw new NotFound('Visit not found.');
    return withWheels([row])[0]!;
  };

  const addWheel = (
    visitId: string,
    wheel: OpenVisit['wheels'][number],
    machineId: string,
    who: string,
    at: string,
  ) => {
    const job: JobSummary = jobs.open(
      { id: wheel.jobId, machineId, wheelId: wheel.wheelId, who, visitId },
      at,
    );
    log.write(
      visitId,
      [
        {
          id: randomUUID(),
          who,
          kind: 'wheel-added',
          data: { jobId: job.id, wheelId: wheel.wheelId, position: job.wheelPosition },
        },
      ],
      at,
    );
  };

  const open = db.transaction((input: OpenVisit, at: string): VisitSummary => {
    const { id, machineId, wheels, who, wanted, dueAt } = input;
    // A client that lost the answer sends again.
    if (statements.one.get(id)) {
      const known = find(id);
      const same = (w: WheelNow) =>
        wheels.some((x) => x.jobId === w.jobId && x.wheelId === w.wheelId);
      if (
        known.machineId === machineId &&
        known.wheels.length === wheels.length &&
        known.wheels.every(same)
      )
        return known;
      throw new InputError('id', 'A visit with that ID already exists.', 'Use a new ID');
    }
    const machine = shop.machine(machineId);
    if (!machine)
      throw new InputError('machineId', 'Machine not found.', 'Choose one of the shop’s machines');
    const twice = wheels.findIndex(
      (w, i) => wheels.findIndex((x) => x.wheelId === w.wheelId) !== i,
    );
    if (twice >= 0)
      throw new InputError(
        `wheels[${twice}].wheelId`,
        'This wheel is listed twice.',
        'List each wheel once',
      );
    const { name: machineName, rider } = machine;
    log.open({ id, machineId, machineName, rider, who, entryId: randomUUID() }, at);
    for (const wheel of wheels) addWheel(id, wheel, machineId, who, at);
    const more: VisitEntryBody[] = [
      ...(wanted === null
        ? []
        : [{ id: randomUUID(), who, kind: 'wanted' as const, data: { text: wanted } }]),
      ...(dueAt === null
        ? []
        : [{ id: randomUUID(), who, kind: 'promised' as const, data: { dueAt } }]),
    ];
    const state = log.stateOf(id);
    for (const body of more) checkVisitAppend(body, state, jobsNow, at);
    log.write(id, more, at);
    return find(id);
  });

  const jobsNow = {
    isBegun: (jobId: string) => jobs.isBegun(jobId),
    isHandedOver: (jobId: string) => jobs.find(jobId).handedOver,
  };

  const append = db.transaction(
    (
      visitId: string,
      expectedSeq: number,
      raw: unknown[],
      at: string,
      refuse: NameRefusal,
    ): VisitEntry[] => {
      const { rider } = find(visitId);
      const bodies = raw.map((value, i) => {
        try {
          return checkVisitEntry(value);
        } catch (error) {
          if (!(error instanceof InputError)) throw error;
          throw new InputError(`entries[${i}].${error.field}`, error.message, error.expected);
        }
      });
      const held = bodies.map((b) => log.heldAt(b.id));
      if (new Set(bodies.map((b) => b.id)).size < bodies.length)
        throw new InputError('entries', 'Two entries have the same ID.', 'Give each its own ID');
      if (held.some(Boolean)) {
        const known = log.entriesOf(visitId);
        return repeatedAppend(bodies, (i) =>
          held[i]?.visitId === visitId ? known[held[i].seq - 1] : undefined,
        );
      }
      log.checkSeq(visitId, expectedSeq);
      for (const body of bodies) {
        refuse(body, rider);
        const known = log.entriesOf(visitId);
        if (body.kind === 'undo') {
          const { entryId } = (body as VisitEntryBody<'undo'>).data;
          const target = known.find((e) => e.id === entryId);
          if (!target)
            throw new InputError(
              'data.entryId',
              'Entry not found in this visit.',
              'Use the ID of an entry of this visit',
            );
          if (visitDefinitionOf(target.kind).undo === 'never')
            throw new InputError(
              'data.entryId',
              'Wheels are added and removed by their own entries.',
              'Use the ID of a different entry',
            );
        }
        checkVisitAppend(body, log.stateOf(visitId), jobsNow, at);
        log.write(visitId, [body], at);
        if (body.kind === 'wheel-removed')
          statements.leave.run((body as VisitEntryBody<'wheel-removed'>).data.jobId);
      }
      log.settle(visitId, at);
      return log.entriesOf(visitId, expectedSeq);
    },
  );

  return {
    find,
    entriesOf: (id: string) => log.entriesOf(id),
    /** The visit that a job is part of; null where it was taken out. */
    ofJob(jobId: string): VisitSummary | null {
      const row = statements.visitOf.get(jobId);
      if (!row) throw new NotFound('Job not found.');
      return row.visitId === null ? null : find(row.visitId);
    },
    open: (input: OpenVisit, at = new Date().toISOString()) => open.immediate(input, at),
    /**
     * Appends, all or nothing; `refuse` sees each entry, and throws to leave everything as it was.
     */
    append: (
      id: string,
      expectedSeq: number,
      entries: unknown[],
      at = new Date().toISOString(),
      refuse: NameRefusal = () => undefined,
    ) => append.immediate(id, expectedSeq, entries, at, refuse),
    /**
     * A page of visits, the newest first, and from where the next page goes on; null after the
     * last.
     */
    list({ state, search, limit, after }: VisitQuery): {
      visits: VisitSummary[];
      next: string | null;
    } {
      const [openedAt = FROM_NEWEST.openedAt, id = FROM_NEWEST.id] = after?.split(' ') ?? [];
      const rows = page({ handedOver: state === 'done', search, from: { openedAt, id }, limit });
      const last = rows.length === limit ? rows.at(-1)! : null;
      return { visits: withWheels(rows), next: last ? `${last.openedAt} ${last.id}` : null };
    },
    /** Rider sheet. */
    paper: (id: string, of: { shopName: string; today: string; units: UnitPreferences }) =>
      riderPaper(
        log.stateOf(id),
        find(id).wheels.map(({ jobId }) => ({ jobId, state: jobs.stateOf(jobId) })),
        of,
      ),
    /** The cost of its work by the shop's rates, beside what was agreed, with its working. */
    estimate(id: string) {
      const samples = jobs.timeSamples();
      const wheels = find(id).wheels.map((wheel): ChargedWheel => {
        const left = wheel.handedOver
          ? null
          : timeLeftOf(stationsLeft([wheel], samples), valuesOf(rules.list()));
        const state = jobs.stateOf(wheel.jobId);
        return {
          name: POSITION_WORDS[wheel.position].toLowerCase(),
          build: wheel.build as Build,
          parts: (state.chosen?.parts ?? []).map(({ what, count, stockId }) => ({
            what,
            count,
            priceMinor: stock.priceOf(stockId),
          })),
          spentS: jobs.spentS(wheel.jobId),
          leftMedianS: Math.round(left?.medianS ?? 0),
          leftNinetyS: Math.max(Math.round(left?.medianS ?? 0), Math.round(left?.ninetyS ?? 0)),
          tiresToDispose: state.chosen ? 1 : 0,
        };
      });
      const { agreed } = log.stateOf(id);
      return estimate.run({
        wheels,
        ...(agreed ? { agreedMinor: agreed.amountMinor } : {}),
        rules: valuesOf(rules.list()),
      });
    },
    /** The input of a plan of the day, by all machines that are in. */
    dayInput(people: string[], nowMs: number) {
      const all = page({ handedOver: false, search: '', from: FROM_NEWEST, limit: MAX_IN });
      const samples = jobs.timeSamples();
      const values = valuesOf(rules.list());
      const inNow = withWheels(all).map(({ id, wheels, missing }) => ({
        id,
        missing: missing.map((m) => m.what),
        state: log.stateOf(id),
        wheels: wheels.map((now) => ({ now, left: stationsLeft([now], samples) })),
      }));
      return dayInput(inNow, {
        people,
        benches: ruleNumber('day.benches', values),
        nowMs,
        rules: values,
      });
    },
    /** The time that a visit's work will take, with its working. */
    timeLeft: (id: string) =>
      timeLeft.run({
        stations: stationsLeft(find(id).wheels, jobs.timeSamples()),
        rules: valuesOf(rules.list()),
      }),
  };
};
export type VisitStore = ReturnType<typeof visitStore>;
