import { goldenAnswers } from '../../../../tests/golden-answer';
import { runout, spokeRing, trueAdvise } from '.';

const bent = (mm: number, hop = 0) =>
  Array.from({ length: 12 }, (_, i) => ({
    angleDeg: i * 30,
    lateralMm: Math.round(100 * mm * Math.cos(((i * 30 - 100) * Math.PI) / 180)) / 100,
    radialMm: Math.round(100 * hop * Math.cos(((i * 60 - 40) * Math.PI) / 180)) / 100,
  }));
const turned = [
  { spoke: 9, eighths: -3 },
  { spoke: 10, eighths: 4 },
  { spoke: 12, eighths: 4 },
];

/** Whole answers, word for word: a change in any of them is meant, or it is a mistake. */
describe('golden answers about truing', () => {
  goldenAnswers([
    [runout, {}],
    [runout, { readings: bent(1.4, 0.4), build: 'cast' }],
    [spokeRing, {}],
    [trueAdvise, {}],
    [trueAdvise, { readings: bent(1.1, 0.9), spokes: 32, rimDiameterMm: 432 }],
    [trueAdvise, { readings: bent(0.9), firstTo: 'other side' }],
    [trueAdvise, { readings: bent(0.9), before: { readings: bent(1.4), turned } }],
    [trueAdvise, { readings: bent(1.6), before: { readings: bent(1.4), turned } }],
    [trueAdvise, { readings: bent(0.5) }],
    [trueAdvise, { readings: bent(1.2), rules: { 'true.mostTurns': 0.25, 'true.spreadPct': 15 } }],
  ]);
});
