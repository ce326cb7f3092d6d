import { howMany } from '../../../../tests/case-count';
import { spoiledSeries } from '../../../../tests/spoiled-series';

/**
 * On fine bearings the least that is left moves: a known piece more bounds it, which is a placement
 * of its own.
 */
const FINE_G = 1;

test.each(howMany([3.5], [FINE_G, 3.5, 6]))(
  'dead band %d g: two placements in the middle, three for nearly all, and balanced',
  (bandG) => {
    const wheels = howMany(5, 48);
    const out = Array.from({ length: wheels }, (_, i) => spoiledSeries(40_000 + i, {}, bandG));
    const counts = out.map((o) => o.placements).sort((a, b) => a - b);
    const nearlyAll = Math.ceil(0.95 * wheels) - 1;
    const more = bandG === FINE_G ? 1 : 0;
    expect(counts[Math.floor(wheels / 2)]).toBeLessThanOrEqual(2 + more);
    expect(counts[nearlyAll]).toBeLessThanOrEqual(3 + more);
    expect(out.map((o) => o.leftG).sort((a, b) => a - b)[nearlyAll]).toBeLessThanOrEqual(
      Math.max(5, bandG) * 1.15,
    );
  },
  60_000,
);
