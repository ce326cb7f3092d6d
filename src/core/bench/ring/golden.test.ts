import { goldenAnswers } from '../../../../tests/golden-answer';
import {
  beadCrush,
  boltCircle,
  clampForce,
  ringGap,
  ringOrder,
  rollout,
  rolloutMatch,
  splitRim,
  wheelOffset,
} from '.';

const tape = (...mm: number[]) =>
  mm.map((circumferenceMm, run) => ({ run, circumferenceMm, gaugeKpa: 41.37 }));

/** Whole answers, word for word: a change in any of them is meant, or it is a mistake. */
describe('golden answers about ring, pair and split', () => {
  goldenAnswers([
    [boltCircle, {}],
    [boltCircle, { holes: 5, chordMm: 82 }],
    [boltCircle, { holes: 5, chordMm: undefined, skipped: undefined, holeToFlatMm: 120 }],
    [boltCircle, { holes: 4, chordMm: 81 }],
    [wheelOffset, {}],
    [wheelOffset, { other: undefined }],
    [wheelOffset, { overallWidthMm: undefined, innerWidthMm: 240, other: undefined }],
    [beadCrush, {}],
    [beadCrush, { other: [{ side: 'outer', bundleMm: [18.5, 18.9], gapMm: [16.8] }] }],
    [clampForce, {}],
    [clampForce, { torqueNm: 10 }],
    [clampForce, { torqueNm: 30, lubricant: 'oiled' }],
    [ringOrder, { bolts: 5 }],
    [ringGap, {}],
    [ringGap, { bolts: undefined }],
    [ringGap, { when: 'after the torque' }],
    [ringGap, { when: 'bolts just started' }],
    [rollout, {}],
    [rollout, { readings: tape(2480) }],
    [rollout, { readings: tape(2480, 2500, 2501) }],
    [rolloutMatch, {}],
    [rolloutMatch, { stretchMmPerKpa: undefined }],
    [rolloutMatch, { leftMm: 2520, pair: 'rear and driven sidecar' }],
    [rolloutMatch, { limitKpa: 50 }],
    [splitRim, {}],
    [splitRim, { silent: false, gaugeKpa: null, coreOut: false, torqueNm: null }],
    [splitRim, { tube: false, sealed: true }],
  ]);
});
