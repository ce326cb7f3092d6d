import { goldenAnswers } from '../../../../tests/golden-answer';
import {
  beadPath,
  BITE_SCHOOLS,
  biteInputBy,
  bitePlan,
  leverEffort,
  mountOrientation,
  rimProfile,
} from '.';

const schools = (changes: object) =>
  BITE_SCHOOLS.map((school) => [bitePlan, { school, ...changes }] as const);

/** Whole answers, word for word: a change in any of them is meant, or it is a mistake. */
describe('golden answers about beads', () => {
  goldenAnswers([
    [beadPath, {}],
    [beadPath, { fillMm: 3 }],
    [beadPath, { fillMm: 30 }],
    [beadPath, { farUpDeg: 60 }],
    [beadPath, { farUpDeg: 360 }],
    [beadPath, { leftDeg: 30 }],
    [beadPath, { axialMm: 0, biteMm: 10 }],
    [beadPath, { wellMm: 425, biteMm: 200 }],
    [beadPath, { beadMm: 400, wellMm: 392, flangeMm: 430 }],
    [beadPath, { wellMm: 434 }],
    [beadPath, { flangeMm: 434 }],
    ...schools({ direction: 'on' }),
    ...schools({ direction: 'off', handFittedDeg: 0 }),
    ...schools({ direction: 'on', lockDegs: [], handFittedDeg: 90 }),
    ...schools({ direction: 'off', lockDegs: [120, 240], valveDeg: 0, handFittedDeg: 0 }),
    [bitePlan, { rim: { wellMm: 458, flangeMm: 510, axialMm: 38 } }],
    [
      bitePlan,
      {
        rim: { wellMm: 452, flangeMm: 510, axialMm: 38 },
        fill: { tube: 'doubled', wall: 'heavy', strips: 2 },
      },
    ],
    [rimProfile, {}],
    [rimProfile, { rimCode: 'MT3.50x17', wellMm: undefined, axialMm: 55 }],
    [leverEffort, {}],
    [leverEffort, { wellMm: 414, fillMm: 3 }],
    [leverEffort, { wellMm: 428, leftDeg: 60 }],
    [
      bitePlan,
      { direction: 'off', handFittedDeg: 0, rim: { wellMm: 476, flangeMm: 512, axialMm: 44 } },
    ],
    [bitePlan, { valveDeg: 40, lockDegs: [200], biteMm: 95 }],
    [bitePlan, { handFittedDeg: 359 }],
    [bitePlan, { lockDegs: [20], handFittedDeg: 30, biteMm: 40 }],
    [bitePlan, { lockDegs: [20, 340], handFittedDeg: 0, biteMm: 150, rimDiameterMm: 200 }],
    [
      bitePlan,
      {
        lockDegs: [30, 60, 90],
        handFittedDeg: 0,
        biteMm: 60,
        rimDiameterMm: 250,
        school: 'valve last',
      },
    ],
    [mountOrientation, {}],
    [mountOrientation, { arrowSeen: 'clockwise' }],
    [mountOrientation, { arrowSeen: 'none' }],
    [mountOrientation, { sideUp: 'right' }],
    [mountOrientation, { sideUp: 'right', arrowSeen: 'clockwise', school: 'heavy spot' }],
    [mountOrientation, { school: 'heavy spot' }],
    [mountOrientation, { school: 'heavy spot', heavySpotDeg: null }],
    [mountOrientation, { school: 'heavy spot', heavySpotDeg: 0 }],
    [mountOrientation, { lightMark: false }],
    [mountOrientation, { lightMark: false, school: 'heavy spot', heavySpotDeg: null }],
    [mountOrientation, { discSide: 'left' }],
    [mountOrientation, { discSide: 'left', school: 'heavy spot' }],
    [mountOrientation, { discSide: 'both' }],
    [mountOrientation, { discSide: 'none', sideUp: 'right', arrowSeen: 'clockwise' }],
  ]);

  test('hand fits the first arc on the way on alone', () => {
    const wheel = { rimDiameterMm: 483, lockDegs: [210] };
    const rules = { 'bite.handFittedDeg': 100, 'bite.lengthMm': 80 };
    expect(biteInputBy(wheel, 'on', rules)).toMatchObject({
      ...wheel,
      valveDeg: 0,
      direction: 'on',
      handFittedDeg: 100,
    });
    expect(biteInputBy(wheel, 'off', rules)).toMatchObject({ direction: 'off', handFittedDeg: 0 });
  });
});
