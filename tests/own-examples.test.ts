import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  DEMO_INSTRUMENTS,
  DEMO_MACHINES,
  DEMO_TIRES,
  DEMO_TUBES,
  DEMO_WEIGHTS,
  DEMO_WHEELS,
  DEMO_WRENCHES,
} from '../src/demo/demo-shop';
import { FT_LBF_IN_NM } from '../src/core/base/units';
import { WORKINGS } from '../src/core/workings';
import { testApp } from './server/test-app';

/**
 * Worked values of the trade are check values of the tests: nothing that a fitter sees repeats
 * them.
 */
const SIZES = ['150/70-17', '130/90-16', '130/80-16', '130/70-12', '160/60-17'];
/** A size in every notation of its construction: `150/70-17`, `150/70R17`, `150/70 ZR 17`. */
const sizePattern = (size: string): string => {
  const [front, rim] = size.split('-');
  return `${front}\\s*(-|Z?R|B)?\\s*${rim}\\b`;
};
const TORQUES_LBF_FT = [16, 44, 47, 80];
const WRENCH_LBF_FT = [20, 150];
const CHECK_VALUES: readonly RegExp[] = [
  ...SIZES.map((size) => new RegExp(sizePattern(size))),
  /\b1523\b/,
  new RegExp(`\\b(${TORQUES_LBF_FT.join('|')}) (lbf·ft|ft·lbf)`),
  new RegExp(`lbfFt\\((${[...TORQUES_LBF_FT, ...WRENCH_LBF_FT].join('|')})\\)`),
  /20-to-150|20 (to|–) 150 lbf/,
  /four (quarter ounces|pieces of a quarter)/i,
  /\b30 g?,? ?(and|then) (try )?20 g/i,
];

const foundIn = (text: string): string[] =>
  CHECK_VALUES.flatMap((pattern) => pattern.exec(text)?.[0] ?? []);

const filesUnder = (dir: string, wanted: (file: string) => boolean): string[] =>
  readdirSync(dir, { recursive: true, encoding: 'utf8' })
    .map((name) => join(dir, name))
    .filter(wanted);

const SHOWN = [
  'README.md',
  ...filesUnder('docs', (f) => /\.(md|ndjson|json)$/.test(f)),
  ...filesUnder('scripts', (f) => f.endsWith('.mjs')),
  ...filesUnder('src', (f) => /\.(tsx?|sql|css|html)$/.test(f) && !f.includes('.test.')),
];

test('the check finds what it looks for', () => {
  expect(
    foundIn('150/70R17 and 160/60 ZR 17, 1523, 44 lbf·ft, a 20-to-150 wrench, 30 and 20 g'),
  ).toHaveLength(6);
  expect(foundIn('150/70R18, 11523, 144 lbf·ft, 130/80-17')).toEqual([]);
  expect(SHOWN.length).toBeGreaterThan(200);
});

test('screens, docs, scripts and the sentences of the core have examples of their own', () => {
  const found = SHOWN.map((file) => [file, foundIn(readFileSync(file, 'utf8'))] as const);
  expect(found.filter(([, values]) => values.length > 0)).toEqual([]);
});

test('so have the examples and fields of all workings', () => {
  const found = WORKINGS.map(
    (w) => [w.name, foundIn(JSON.stringify([w.example, w.schema.describe()]))] as const,
  );
  expect(found.filter(([, values]) => values.length > 0)).toEqual([]);
});

test('the demo shop has torques and wrenches of its own, in any unit', () => {
  const shown = (nm: number) => Math.round(nm / FT_LBF_IN_NM);
  const torques = DEMO_MACHINES.flatMap((m) => m.fasteners).flatMap((f) =>
    f.torqueNm === null ? [] : [shown(f.torqueNm)],
  );
  expect(torques.length).toBeGreaterThan(10);
  for (const torque of torques) expect(TORQUES_LBF_FT).not.toContain(torque);
  for (const { minNm, maxNm } of DEMO_WRENCHES)
    expect([shown(minNm), shown(maxNm)]).not.toEqual(WRENCH_LBF_FT);
});

test('no record, log or note of the filled demo shop repeats one', () => {
  expect(
    foundIn(
      JSON.stringify([
        DEMO_MACHINES,
        DEMO_WHEELS,
        DEMO_TIRES,
        DEMO_TUBES,
        DEMO_WEIGHTS,
        DEMO_INSTRUMENTS,
      ]),
    ),
  ).toEqual([]);
  const { db } = testApp();
  const logs = db
    .prepare<[], { data: string }>('SELECT data FROM entries')
    .all()
    .map((e) => e.data);
  expect(logs.length).toBeGreaterThan(500);
  // Date codes of the demo follow the day it is filled, so one of them may be any code.
  const withoutCodes = logs.join('\n').replace(/"dateCode":"\d{4}"/g, '');
  expect(foundIn(withoutCodes)).toEqual([]);
});

test('the demo shop makes sense together: no note speaks of a part that its wheel does not have', () => {
  const { db } = testApp();
  const rows = db
    .prepare<[], { note: string; spokes: number; tube: number }>(
      `SELECT n.data ->> 'text' AS note, o.data ->> '$.wheel.spokes' AS spokes, o.data ->> '$.wheel.tube' AS tube
       FROM entries n JOIN entries o ON o.job_id = n.job_id AND o.kind = 'opened' WHERE n.kind = 'note'`,
    )
    .all();
  expect(rows.length).toBeGreaterThan(3);
  for (const { note, spokes, tube } of rows) {
    if (/spoke|nipple/.test(note)) expect(spokes).toBeGreaterThan(0);
    if (/strip/.test(note)) expect(tube).toBe(1);
  }
});
