import { heldAgainst, sizeText, type Holdings } from '.';

const HELD: Holdings = {
  shopName: 'Marl & Ash',
  machines: 3,
  wheels: 6,
  tires: 12,
  visits: 4,
  jobs: 5,
  entries: 400,
  photographs: 7,
  lastAt: '2026-04-30T12:00:00.000Z',
};

test.each([
  [0, '0 bytes'],
  [999, '999 bytes'],
  [999.6, '1.0 kB'],
  [1000, '1.0 kB'],
  [9949, '9.9 kB'],
  [9951, '10 kB'],
  [135_695, '136 kB'],
  [999_499, '999 kB'],
  [999_500, '1.0 MB'],
  [2_400_000_000, '2.4 GB'],
  [5e15, '5000 TB'],
])('%d bytes are %s', (bytes, says) => expect(sizeText(bytes)).toBe(says));

test('what a backup holds against what is here: what would be gone is counted, photographs never', () => {
  const rows = heldAgainst({ ...HELD, jobs: 4, machines: 5, photographs: 2 }, HELD);
  const less = Object.fromEntries(rows.map((r) => [r.says, r.less]));
  expect(less).toEqual({
    Machines: 0,
    Wheels: 0,
    'Tire types': 0,
    Visits: 0,
    Jobs: 1,
    'Log entries': 0,
    Photos: 0,
  });
  expect(rows.find((r) => r.says === 'Machines')).toMatchObject({ inBackup: 5, here: 3 });
});
