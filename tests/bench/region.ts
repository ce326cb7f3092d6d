import { PLANS, regionHeld } from '../region-held';

/**
 * How many of 100 hidden wheels the 90% region holds, for each dead band, known and not, and for
 * each way to look.
 */
const WHEELS = Number(process.env.BENCH_WHEELS ?? 200);
const BANDS = [1, 2, 3, 3.5, 4, 5, 6];

console.log(`| plan | band | ${BANDS.map((b) => `${b} g`).join(' | ')} |`);
console.log(`| --- | --- | ${BANDS.map(() => '---').join(' | ')} |`);
for (const plan of [...(Object.keys(PLANS) as (keyof typeof PLANS)[]), 'as advised'] as const)
  for (const bandKnown of [true, false]) {
    const shares = BANDS.map((bandG) =>
      regionHeld(WHEELS, { bandG, bandKnown, plan, firstSeed: bandG * 1_000_000 }),
    );
    console.log(
      `| ${plan} | ${bandKnown ? 'known' : 'unknown'} | ${shares.map((s) => (100 * s).toFixed(0)).join(' | ')} |`,
    );
  }
