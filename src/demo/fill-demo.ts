import { existsSync, renameSync, rmSync } from 'node:fs';
import { jobStore } from '../server/db/jobs';
import { openDb, type Db } from '../server/db/open';
import { ruleStore } from '../server/db/rules';
import { shopStore } from '../server/db/shop';
import { DEMO_MACHINES, DEMO_NAME, DEMO_PEOPLE, DEMO_TUBES, DEMO_WEIGHTS, DEMO_WHEELS, DEMO_WRENCHES, demoTires } from './demo-shop';
import { writePastJobs } from './past-jobs';

/** Fills an empty database with the demo shop. */
export const fillDemo = (db: Db, now: number): void => {
  const shop = shopStore(db);
  const jobs = jobStore(db, shop, ruleStore(db));
  db.transaction(() => {
    shop.rename(DEMO_NAME);
    DEMO_PEOPLE.forEach((p) => shop.addPerson(p));
    for (const machine of DEMO_MACHINES) shop.addMachine(machine, DEMO_WHEELS.filter((w) => w.machineId === machine.id));
    demoTires(now).forEach((t) => shop.addStock('tires', t));
    DEMO_TUBES.forEach((t) => shop.addStock('tubes', t));
    DEMO_WEIGHTS.forEach((w) => shop.addStock('weights', w));
    DEMO_WRENCHES.forEach((w) => shop.addStock('wrenches', w));
    writePastJobs(jobs, now);
  })();
};

/** Makes the demo database beside its place and moves it there when whole; leaves an existing one alone. */
const makeDemoFile = (file: string): void => {
  if (existsSync(file)) return;
  const making = `${file}.making`;
  for (const end of ['', '-wal', '-shm']) rmSync(making + end, { force: true });
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
