import { goldenAnswers } from '../../../../tests/golden-answer';
import {
  balanceAdvise,
  balanceEstimate,
  balanceIndex,
  balanceParts,
  balancePlace,
  balanceTrial,
  residualUnbalance,
  standBand,
  type Observation,
} from '.';

const on = [{ massG: 40, deg: 70 }];
const settle = (restDeg: number, weights: typeof on = []): Observation => ({
  kind: 'settle',
  restDeg,
  from: null,
  weights,
});
const level = (deg: number, moved: 'rises' | 'sinks' | 'stays', weights = on): Observation => ({
  kind: 'level',
  deg,
  moved,
  weights,
});
const machine = (massG: number, deg: number, weights: typeof on = []): Observation => ({
  kind: 'machine',
  massG,
  deg,
  stepG: 1,
  stepDeg: 3,
  weights,
});
const swing = (periodS: number, weights: typeof on = []): Observation => ({
  kind: 'swing',
  periodS,
  weights,
});
const told = [settle(209), settle(211), settle(139, on), settle(141, on)];
const counter = [{ massG: 40, deg: 30 }];
const both = (moved: 'rises' | 'sinks' | 'stays') => [
  level(30, moved, counter),
  level(120, moved, counter),
];
/** The test that ends the work: 3 o'clock, 9 o'clock, and a quarter turn on. */
const closing = (moved: 'rises' | 'sinks' | 'stays'): Observation[] => [
  { ...level(30, moved, counter), at: 'right' } as Observation,
  { ...level(30, moved, counter), at: 'left' } as Observation,
  { ...level(120, 'stays', counter), at: 'right' } as Observation,
];
const restsOn = [settle(250, counter), settle(60, counter)];
const lopsided: Observation[] = [
  { ...level(30, 'sinks', counter), at: 'right' } as Observation,
  { ...level(30, 'rises', counter), at: 'left' } as Observation,
];
const STOCK = [
  { massG: 10, count: 8 },
  { massG: 5, count: 12 },
];

/** Whole answers, word for word: a change in any of them is meant, or it is a mistake. */
describe('golden answers about balance', () => {
  goldenAnswers([
    [balanceEstimate, {}],
    [balanceEstimate, { seen: [] }],
    [balanceEstimate, { seen: [settle(209), settle(211)] }],
    [balanceEstimate, { seen: told, on: counter }],
    [balanceEstimate, { seen: told, rules: { 'balance.bandG': 3 } }],
    [balanceEstimate, { seen: [...told, settle(320, on), settle(140, on)] }],
    [
      balanceEstimate,
      { seen: [settle(209), settle(211)], prior: { massG: 60, deg: 210, spreadG: 8 } },
    ],
    [balanceEstimate, { seen: [machine(40, 200)] }],
    [
      balanceEstimate,
      { seen: [settle(209), settle(211), swing(2), swing(2.8, [{ massG: 20, deg: 30 }])] },
    ],
    [balanceAdvise, {}],
    [balanceAdvise, { seen: [] }],
    [balanceAdvise, { seen: [settle(209)] }],
    [balanceAdvise, { seen: [...told, settle(140, on)], on }],
    [balanceAdvise, { seen: [...told, ...both('stays')], on: counter }],
    [balanceAdvise, { seen: [...told, ...both('sinks')], on: counter }],
    [balanceAdvise, { seen: [...told, ...both('rises')], on: counter }],
    [balanceAdvise, { seen: [...told, level(30, 'stays', counter)], on: counter }],
    [balanceAdvise, { seen: [...told, ...restsOn, ...closing('stays')], on: counter }],
    [balanceAdvise, { seen: [...told, ...restsOn, ...closing('sinks')], on: counter }],
    [balanceAdvise, { seen: [...told, ...restsOn, ...lopsided], on: counter }],
    [balanceAdvise, { seen: [settle(209), settle(211), settle(280, on), settle(282, on)], on }],
    [balanceAdvise, { seen: [machine(40, 200)] }],
    [balanceAdvise, { seen: [machine(40, 200), machine(1, 90, counter)], on: counter }],
    [balanceAdvise, { seen: [machine(2, 200)] }],
    [balanceAdvise, { seen: told, sides: 'both', positions: [5, 15, 25, 35, 45] }],
    [balancePlace, {}],
    [balancePlace, { sides: 'one' }],
    [balancePlace, { sides: 'inner' }],
    [balancePlace, { counterMassG: 0 }],
    [balancePlace, { counterMassG: 4.9 }],
    [balancePlace, { counterMassG: 1000 }],
    [balancePlace, { stock: [] }],
    [balancePlace, { positions: [] }],
    [balancePlace, { positions: [30, 30, 40], sides: 'one' }],
    [balancePlace, { sides: 'one', clearOf: [32], rimMm: 1400 }],
    [balancePlace, { sides: 'one', perPlace: 1, mostPieces: 3 }],
    [balancePlace, { sides: 'one', mostSteps: 1000, stock: STOCK }],
    [balancePlace, { sides: 'one', limitG: 0.5 }],
    [balancePlace, { sides: 'one', rimMm: 1300, stock: [{ massG: 10, count: 8, lengthMm: 30 }] }],
    [balancePlace, { sides: 'one', rules: { 'balance.massFactor': 2 } }],
    [balanceParts, {}],
    [balanceParts, { secondLockG: undefined }],
    [balanceParts, { parts: [] }],
    [balanceParts, { parts: [{ what: 'rim lock', massG: 120, deg: 210, radiusMm: 200 }] }],
    [
      balanceParts,
      {
        parts: [
          { what: 'rim lock', massG: 120, deg: 0 },
          { what: 'rim lock', massG: 120, deg: 180 },
        ],
      },
    ],
    [balanceIndex, {}],
    [balanceIndex, { markDeg: 180 }],
    [balanceIndex, { bare: { massG: 34, deg: 200 }, assembly: { massG: 34, deg: 200 } }],
    [balanceIndex, { assembly: { massG: 4, deg: 10 } }],
    [balanceIndex, { bare: { massG: 0, deg: 0 }, assembly: { massG: 20, deg: 100 } }],
    [balanceTrial, {}],
    [balanceTrial, { restWithTrialDeg: 212.5 }],
    [balanceTrial, { restWithTrialDeg: 302 }],
    [balanceTrial, { trialDeg: 32, restWithTrialDeg: 212 }],
    [balanceTrial, { restDeg: 350, trialDeg: 80, restWithTrialDeg: 20 }],
    [residualUnbalance, {}],
    [residualUnbalance, { massG: 0 }],
    [residualUnbalance, { massG: 60 }],
    [residualUnbalance, { grade: 40, speedKmh: 10 }],
    [standBand, {}],
    [standBand, { wheels: [] }],
    [standBand, { wheels: [{ seen: told }, { seen: told }] }],
    [standBand, { wheels: [{ seen: [machine(40, 200)] }] }],
  ]);
});
