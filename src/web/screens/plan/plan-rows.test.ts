import { hasRoomFor, plannedWheels, type Bar } from './plan-rows';

const bar = (more: Partial<Bar>): Bar => ({
  key: 'k',
  visitId: 'v',
  jobId: 'j',
  block: 'bare',
  person: 'Juna Birk',
  startMs: 0,
  endMs: 60_000,
  fixed: false,
  wheelNumber: 1,
  wheel: 'Hob 250, rear',
  label: '',
  promisedMs: null,
  late: false,
  ...more,
});

test('a wheel of the plan ends with its last block; its promise and lateness come from any of them', () => {
  const wheels = plannedWheels([
    bar({ wheelNumber: 2, jobId: 'b', wheel: 'Hob 250, front', endMs: 90_000 }),
    bar({ endMs: 300_000, promisedMs: 240_000, late: true }),
    bar({ endMs: 120_000 }),
  ]);
  expect(wheels).toEqual([
    {
      number: 1,
      jobId: 'j',
      wheel: 'Hob 250, rear',
      endMs: 300_000,
      promisedMs: 240_000,
      late: true,
    },
    {
      number: 2,
      jobId: 'b',
      wheel: 'Hob 250, front',
      endMs: 90_000,
      promisedMs: null,
      late: false,
    },
  ]);
});

test('a name is written only where no word of it is cut', () => {
  // 13 letters of 8 px beside 46 px.
  expect(hasRoomFor('Hob 250, rear', 46 + 13 * 8, 1)).toBe(true);
  expect(hasRoomFor('Hob 250, rear', 46 + 13 * 8 - 1, 1)).toBe(false);
  expect(hasRoomFor('Hob 250, rear', 46 + 7 * 8, 2)).toBe(true);
  // Long enough in all, but one word is not.
  expect(hasRoomFor('Quillfendune a b c', 46 + 11 * 8, 3)).toBe(false);
});
