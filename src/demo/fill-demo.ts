import { existsSync, renameSync, rmSync } from 'node:fs';
import { jobStores } from '../server/db/job-store';
import { openDb, type Db } from '../server/db/open-db';
import { ruleStore } from '../server/db/rule-store';
import { shopStore } from '../server/db/shop-store';
import {
  DEMO_INSTRUMENTS,
  DEMO_LOCKS,
  DEMO_MACHINES,
  DEMO_NAME,
  DEMO_ORDER,
  DEMO_PAIRS,
  DEMO_PEOPLE,
  DEMO_RULES,
  DEMO_STRIPS,
  DEMO_TUBES,
  DEMO_VALVES,
  DEMO_WEIGHTS,
  DEMO_WHEELS,
  DEMO_WRENCHES,
  demoTires,
  demoPressures,
  demoTreads,
} from './demo-shop';
import { DAY_MS } from '../core/base/units';
import { visitStore } from '../server/db/visit-store';
import { writeLooks } from './looks';
import { writePastJobs } from './past-jobs';
import { writePromises } from './promises';

/**
 * Fills an empty database with the demo shop: an interrupted fill is thrown away, so nothing waits
 * for the disk.
 */
export const fillDemo = (db: Db, now: number): void => {
  db.pragma('synchronous = OFF');
  const shop = shopStore(db);
  const rules = ruleStore(db);
  const { jobs, parts, rechecks } = jobStores(db, shop, rules);
  const { records } = shop;
  shop.rename(DEMO_NAME);
  DEMO_PEOPLE.forEach((p) => shop.addPerson(p));
  for (const { key, value, note } of DEMO_RULES)
    rules.change(key, {
      value,
      note,
      who: DEMO_PEOPLE[0]!,
      reason: 'set when the shop was set up',
    });
  for (const machine of DEMO_MACHINES)
    records.addMachine(
      machine,
      [...DEMO_WHEELS, ...DEMO_PAIRS].filter((w) => w.machineId === machine.id),
    );
  // The shelf is filled after the past jobs, which took from an older one.
  writePastJobs(jobs, now);
  writeLooks(db, jobs, rechecks, records, now);
  records.change('wheels', {
    ...records.find('wheels', 'w-vellan-r')!,
    treads: demoTreads(now),
    pressures: demoPressures(now),
  });
  writePromises(visitStore(db, shop, rules, jobs, parts), now);
  parts.place(DEMO_ORDER, new Date(now - DAY_MS).toISOString());
  demoTires(now).forEach((t) => records.add('tires', t));
  DEMO_TUBES.forEach((t) => records.add('tubes', t));
  DEMO_STRIPS.forEach((t) => records.add('strips', t));
  DEMO_LOCKS.forEach((t) => records.add('locks', t));
  DEMO_VALVES.forEach((t) => records.add('valves', t));
  DEMO_WEIGHTS.forEach((w) => records.add('weights', w));
  DEMO_WRENCHES.forEach((w) => records.add('wrenches', w));
  DEMO_INSTRUMENTS.forEach((i) => records.add('instruments', i));
  db.pragma('synchronous = FULL');
};

/**
 * Makes the demo database beside its place and moves it there when whole; leaves an existing one
 * alone.
 */
const makeDemoFile = (file: string): void => {
  if (existsSync(file)) return;
  const making = `${file}.making`;
  for (const end of ['', '-wal', '-shm', '-seal']) rmSync(making + end, { force: true });
  const db = openDb(making);
  fillDemo(db, Date.now());
  db.close();
  renameSync(making, file);
};

if (require.main === module) {
  const file = process.argv[2];
  if (!file) {
    process.stderr.write('Say which file to fill: node dist/server/fill-demo.cjs FILE\n');
    process.exit(2);
  }
  try {
    makeDemoFile(file);
  } catch (error) {
    process.stderr.write(`${(error as Error).message}\n`);
    process.exit(1);
  }
}
