import { readLine, type DeviceLine } from '../../src/core/bench/devices';
import { InputError } from '../../src/core/base/errors';
import { angleBetween } from '../../src/core/base/units';
import { simulatedStand } from '../../src/server/devices/balance-stand';

/** The simulated stand with what it said, its clock turned by hand. */
const listened = () => {
  jest.useFakeTimers();
  const stand = simulatedStand('s');
  const lines: DeviceLine[] = [];
  const stop = stand.start((line) => lines.push(line));
  return {
    stand,
    lines,
    stop,
    wait: (seconds: number) => jest.advanceTimersByTime(seconds * 1000),
    rests: () => lines.filter((l) => l.event === 'rest'),
  };
};
afterEach(() => jest.useRealTimers());

test('let go from either side it says once that it rests, near the heavy spot, in lines that the protocol takes', () => {
  const { stand, lines, wait, rests, stop } = listened();
  stand.hold({ heavyG: 40, heavyDeg: 100, bandG: 3, weights: [], pace: 20 });
  for (const [i, from] of (['left', 'right'] as const).entries()) {
    stand.hold({ from });
    wait(30);
    expect(rests()).toHaveLength(i + 1);
    expect(Math.abs(angleBetween(100, rests().at(-1)!.value))).toBeLessThan(4.4);
  }
  for (const line of lines) expect(readLine(JSON.stringify(line)).value).toBe(line.value);
  // Twenty lines a second, each later than the one before.
  expect(lines.length).toBe(2 * 30 * 20);
  stop();
  wait(5);
  expect(lines.length).toBe(2 * 30 * 20);
});

test('weights that balance it leave it where it is held level; too much sinks, too little rises', () => {
  const { stand, wait, rests } = listened();
  stand.hold({ heavyG: 40, heavyDeg: 100, bandG: 2, pace: 20 });
  const heldLevel = (massG: number) => {
    stand.hold({ weights: [{ massG, deg: 280 }], level: 280 });
    wait(40);
    // Held at 3 o’clock (10°) was at the bottom.
    return angleBetween(10, rests().at(-1)!.value);
  };
  expect(heldLevel(40)).toBeCloseTo(0, 0);
  expect(Math.abs(heldLevel(60) + 90)).toBeLessThan(8);
  expect(Math.abs(heldLevel(20) - 90)).toBeLessThan(8);
});

test('what it cannot do is refused by name, and it goes on', () => {
  const { stand, lines, wait } = listened();
  for (const bad of [
    { pace: 400 },
    { bandG: 0 },
    { from: 'above' },
    { weights: [{ massG: -1, deg: 0 }] },
    { level: 720 },
    { spin: true },
  ])
    expect(() => stand.hold(bad)).toThrow(InputError);
  wait(1);
  expect(lines).toHaveLength(20);
});
