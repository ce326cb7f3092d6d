import { goldenAnswers } from '../../../../tests/golden-answer';
import {
  directionFit,
  loadSpeedFit,
  rimWidthFit,
  sidewallRead,
  tireAge,
  tireCompare,
  tireSize,
  tireVolume,
  treadWear,
} from '.';

const sizes = (...markings: string[]) =>
  markings.map((marking) => [tireSize, { marking }] as const);
const reads = (...markings: string[]) =>
  markings.map((marking) => [sidewallRead, { marking }] as const);
const ages = (...dateCodes: string[]) =>
  dateCodes.map((dateCode) => [tireAge, { dateCode }] as const);
const reading = (km: number, depthMm: number, onDate: string) => ({ km, depthMm, onDate });
const sheet = { emptyFrontKg: 105, emptyRearKg: 110, riderKg: 95, passengerKg: 75, luggageKg: 30 };

/** Whole answers, word for word: a change in any of them is meant, or it is a mistake. */
describe('golden answers about tires', () => {
  goldenAnswers([
    ...sizes(
      '140/70-17 66H TL',
      '180/55ZR17 (73W)',
      '3.00-21',
      '4.00 R 18',
      '5.10-18',
      'MT90B16',
      'MH90-21',
      'MU85HB16',
    ),
    ...sizes(
      '25x8-12',
      'AT25x10R12 NHS',
      '27x9.00R14',
      '205/80R12',
      '145/70-6',
      '3.50-10',
      '11x7.10-5',
      '33.0/10.5-15',
    ),
    ...sizes(
      '120/70 D 17',
      '4.00H18',
      '130/90B16 M/C 73H TL F',
      '110/90-19 62M TT',
      '240/40VR18',
      '90/90-21 54S TT R',
    ),
    ...sizes(
      '',
      '140/70',
      '140/7-17',
      '150/70-170',
      'hello',
      '110/90-19 62M TT TL',
      '110/90-19 62M 54S',
    ),
    ...reads(
      '120/70 ZR 17 M/C (58W) TL',
      '110/90-19 62M TT NHS',
      '25x8-12 6PR',
      '3.00-21 51P REINF',
      'MT90B16 74H F TL',
    ),
    ...ages(
      '3824',
      '0126',
      '5326',
      '5320',
      '5321',
      '0026',
      '5424',
      '127',
      '1226',
      '2626',
      '12',
      'ab24',
    ),
    [tireAge, { dateCode: '1824', onDate: '2026-04-30' }],
    [tireAge, { dateCode: '1820', onDate: '2026-04-30' }],
    [tireAge, { dateCode: '1815', onDate: '2026-04-30' }],
    [tireAge, { dateCode: '1826', onDate: '2026-04-30' }],
    [tireAge, { dateCode: '1926', onDate: '2026-04-30' }],
    [tireCompare, {}],
    [tireCompare, { end: 'front' }],
    [
      tireCompare,
      { sizes: ['140/80-17', '150/80-17'], clearancesMm: { above: 10, left: 5, right: 4 } },
    ],
    [
      tireCompare,
      { sizes: ['140/80-17', '150/80-17'], clearancesMm: { above: 15 }, sprockets: undefined },
    ],
    [tireCompare, { sizes: ['140/80-17', '140/80-18'], clearancesMm: undefined }],
    [tireCompare, { sizes: ['140/80-17', '140/80-17'] }],
    [
      tireCompare,
      {
        sizes: ['140/80-17', '130/80-17', '150/70-17'],
        clearancesMm: { above: 3, left: 20, right: 2 },
      },
    ],
    [
      tireCompare,
      { sizes: ['33.0/10.5-15', '25x8-12'], sprockets: undefined, clearancesMm: undefined },
    ],
    [rimWidthFit, {}],
    [rimWidthFit, { rimWidthIn: 1.6 }],
    [rimWidthFit, { rimWidthIn: 1.85 }],
    [rimWidthFit, { rimWidthIn: 3 }],
    [rimWidthFit, { marking: '3.00-21', rimWidthIn: 1.6 }],
    [rimWidthFit, { marking: '25x8-12', rimWidthIn: 6, wheels: 'four' }],
    [rimWidthFit, { marking: '25x8-12', rimWidthIn: 9, wheels: 'four' }],
    [rimWidthFit, { marking: 'MT90B16', rimWidthIn: 3 }],
    [rimWidthFit, { marking: '33.0/10.5-15', rimWidthIn: 10, wheels: 'four' }],
    [loadSpeedFit, {}],
    [loadSpeedFit, { sheet: undefined }],
    [loadSpeedFit, { minLoadIndex: undefined, minSpeedSymbol: undefined, sheet: undefined }],
    [loadSpeedFit, { minLoadIndex: 70, minSpeedSymbol: 'H' }],
    [loadSpeedFit, { minLoadIndex: 71, minSpeedSymbol: 'V' }],
    [loadSpeedFit, { marking: '150/70R18', sheet }],
    [loadSpeedFit, { marking: '150/70R18 40H', sheet }],
    [loadSpeedFit, { marking: '150/70R18 53H', sheet, end: 'front' }],
    [loadSpeedFit, { marking: '25x8-12 50J', sheet, tiresOnEnd: 2 }],
    [loadSpeedFit, { marking: '150/70ZR18', minSpeedSymbol: 'V' }],
    // Load index 50 carries 190 kg: a load that is just as much is carried.
    [
      loadSpeedFit,
      {
        marking: '25x8-12 50J',
        sheet: { ...sheet, emptyRearKg: 190, riderKg: 0, passengerKg: 0, luggageKg: 0 },
      },
    ],
    [loadSpeedFit, { minSpeedSymbol: undefined, sheet: undefined }],
    [loadSpeedFit, { minLoadIndex: undefined, sheet: undefined }],
    [loadSpeedFit, { sheet: { ...sheet, emptyFrontKg: 0, emptyRearKg: 0 } }],
    [directionFit, {}],
    [directionFit, { arrows: 'none' }],
    [directionFit, { arrows: 'one', ground: 'road' }],
    [directionFit, { arrows: 'one', markedFor: 'front' }],
    [directionFit, { arrows: 'two', markedFor: 'rear', ground: 'road' }],
    [directionFit, { arrows: 'two', discSide: 'left', end: 'front' }],
    [directionFit, { arrows: 'two', discSide: 'none' }],
    [tireVolume, {}],
    [tireVolume, { tire: '180/55ZR17' }],
    [tireVolume, { tire: '25x8-12' }],
    [treadWear, {}],
    [treadWear, { readings: [reading(0, 7, '2026-03-01'), reading(2000, 6, '2026-05-01')] }],
    [treadWear, { readings: [reading(0, 7, '2026-03-01')] }],
    [treadWear, { readings: [] }],
    [
      treadWear,
      {
        readings: [
          reading(0, 7, '2026-03-01'),
          reading(1000, 7, '2026-04-01'),
          reading(2000, 7, '2026-05-01'),
        ],
      },
    ],
    [
      treadWear,
      {
        readings: [
          reading(0, 7, '2026-03-01'),
          reading(1000, 4, '2026-04-01'),
          reading(2000, 1, '2026-05-01'),
        ],
      },
    ],
    [
      treadWear,
      {
        readings: [
          reading(0, 7, '2026-03-01'),
          reading(1000, 4, '2026-04-01'),
          reading(2000, 1.7, '2026-05-01'),
        ],
      },
    ],
    [
      treadWear,
      {
        readings: [
          reading(0, 5, '2026-03-01'),
          reading(1000, 6, '2026-04-01'),
          reading(2000, 7, '2026-05-01'),
        ],
      },
    ],
    [treadWear, { readings: [reading(0, 5, '2026-03-01'), reading(0, 4, '2026-04-01')] }],
    [
      treadWear,
      {
        readings: [
          reading(0, 7, '2026-03-01'),
          reading(1000, 6.9, '2026-04-01'),
          reading(2000, 6.7, '2026-04-02'),
        ],
      },
    ],
  ]);
});
