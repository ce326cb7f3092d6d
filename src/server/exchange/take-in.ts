import { isDeepStrictEqual } from 'node:util';
import { InputError } from '../../core/base/errors';
import {
  LINE_KINDS,
  photosOf,
  TAKES,
  type FileOf,
  type Line,
  type LineKind,
  type LineOutcome,
  type ExchangePlan,
} from '../../core/reports/exchange';
import type { RecordKind, Records } from '../../core/shop/records';
import { jobStores } from '../db/job-store';
import type { Db } from '../db/open-db';
import { ruleStore } from '../db/rule-store';
import { shopStore } from '../db/shop-store';
import { visitLog } from '../db/visit-log';
import { jobIn } from './import-job';
import { personIn, plainIn, ruleIn } from './import-rows';
import { visitIn } from './visit-in';

/** So many names of what stays are told. */
const MAX_TOLD = 50;

const nameOf = (it: object): string => {
  const { name, marking, label, id } = it as Record<string, unknown>;
  return String(name ?? marking ?? label ?? id);
};

const noCounts = (): ExchangePlan['counts'] =>
  Object.fromEntries(
    LINE_KINDS.map((kind) => [kind, Object.fromEntries(TAKES.map((t) => [t, 0]))]),
  ) as ExchangePlan['counts'];

/**
 * Takes the lines of a file into a database, one after the other: what is here stays, what is not
 * comes in. It is to be a copy: a line that does not fit throws `InputError`, and the copy is
 * thrown away.
 */
export const takingIn = (db: Db) => {
  const shop = shopStore(db);
  const { jobs } = jobStores(db, shop, ruleStore(db));
  const visits = visitLog(db);
  const rules = ruleIn(db);
  const plain = plainIn(db);
  const person = personIn(db);
  const job = jobIn(db, jobs, shop.records);
  const visit = visitIn(db, visits);
  // Without a note that someone changed it: it came with the file.
  const putName = db.prepare(
    "INSERT OR REPLACE INTO settings (key, value) VALUES ('shop-name', ?)",
  );
  let heading: Line<'shop'> | null = null;
  const plan: Omit<ExchangePlan, 'of' | 'from' | 'photographs'> & { photoIds: Set<string> } = {
    counts: noCounts(),
    entries: 0,
    staying: [],
    renumbered: [],
    photoIds: new Set(),
  };

  const record = <K extends RecordKind>(kind: K, it: Records[K]): LineOutcome => {
    const known = shop.records.find(kind, it.id);
    if (known)
      return isDeepStrictEqual({ ...known, version: 1 }, { ...it, version: 1 }) ? 'same' : 'stays';
    shop.records.bringIn(kind, it);
    return 'new';
  };
  const name = (to: string): LineOutcome => {
    if (shop.name() === to) return 'same';
    if (shop.name() !== '' || to === '') return 'stays';
    putName.run(to);
    return 'new';
  };

  const IN: { [K in LineKind]: (line: Line<K>) => LineOutcome } = {
    shop: (line) => {
      if (heading)
        throw new InputError(
          'line',
          'The file has two header lines.',
          'Start with one line that describes the file',
        );
      heading = line;
      return line.of === 'shop' ? name(line.name) : 'stays';
    },
    person,
    rule: rules.rule,
    'rule-change': rules.change,
    record: (line) => record(line.kind, line.record),
    visit,
    job: (line) => {
      const { taken, number } = job(line, heading!.of);
      if (number !== line.number) plan.renumbered.push({ from: line.number, to: number });
      return taken;
    },
    order: plain.order,
    practice: plain.practice,
    change: plain.change,
  };

  let last: LineKind | null = null;
  return {
    take(line: Line): void {
      if (last === null && line.line !== 'shop')
        throw new InputError(
          'line',
          'The file does not start with a header line.',
          'Start with a line of kind shop',
        );
      if (last !== null && LINE_KINDS.indexOf(line.line) < LINE_KINDS.indexOf(last))
        throw new InputError(
          'line',
          `A line ${line.line} stands after one of ${last}.`,
          `Use ${LINE_KINDS.join(', ')}`,
        );
      last = line.line;
      const taken = (IN[line.line] as (line: Line) => LineOutcome)(line);
      plan.counts[line.line][taken]++;
      if (taken === 'stays' && line.line !== 'shop' && plan.staying.length < MAX_TOLD)
        plan.staying.push({
          kind: line.line,
          name:
            line.line === 'record'
              ? nameOf(line.record)
              : line.line === 'rule'
                ? line.key
                : nameOf(line),
        });
      if (taken === 'new' && (line.line === 'job' || line.line === 'visit'))
        plan.entries += line.entries.length;
      for (const photoId of photosOf(line)) plan.photoIds.add(photoId);
    },
    /** The effect of all lines together. Throws `InputError` if there was none. */
    end(): Omit<ExchangePlan, 'photographs'> & { photoIds: ReadonlySet<string> } {
      if (!heading)
        throw new InputError('file', 'The file is empty.', 'Choose a file exported from a shop');
      visits.settleAll();
      const { of, name: from } = heading as { of: FileOf; name: string };
      return { of, from, ...plan };
    },
  };
};
