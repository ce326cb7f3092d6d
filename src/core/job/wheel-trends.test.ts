import { wheelTrends } from './wheel-trends';

const at = (day: number) => ({ onDate: `2026-0${day}-10`, jobId: `j-${day}` });
const piece = (massG: number) => ({ massG, deg: 20, side: 'disc', kind: 'adhesive' }) as never;

test('three of a kind are a trend, the oldest first; two are none', () => {
  const weights = [
    { pieces: [piece(20), piece(15)], residualG: 1, ...at(3) },
    { pieces: [piece(10)], residualG: 2, ...at(2) },
    { pieces: [], residualG: null, ...at(1) },
  ];
  expect(wheelTrends({ weights, runouts: [] })).toEqual([
    {
      what: 'weights on the rim',
      unit: 'g',
      points: [
        { onDate: '2026-01-10', value: 0 },
        { onDate: '2026-02-10', value: 10 },
        { onDate: '2026-03-10', value: 35 },
      ],
    },
  ]);
  expect(wheelTrends({ weights: weights.slice(1), runouts: [] })).toEqual([]);
});

test('what was not measured in a round of readings is no point of its trend', () => {
  const runouts = [4, 3, 2, 1].map((day) => ({
    lateralMm: day / 10,
    radialMm: day === 2 ? null : 0.2,
    ...at(day),
  }));
  const trends = wheelTrends({ weights: [], runouts });
  expect(trends.map((t) => [t.what, t.points.map((p) => p.value)])).toEqual([
    ['side to side', [0.1, 0.2, 0.3, 0.4]],
    ['up and down', [0.2, 0.2, 0.2]],
  ]);
});
