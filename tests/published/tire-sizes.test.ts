import {
  LOAD_INDEX_KG,
  maxLoadKg,
  maxSpeedKmh,
  nominalRimMm,
  readTire,
} from '../../src/core/fit/tires';

/**
 * Source: UN Regulation No. 75, paragraph on tire dimensions: H = S1 x 0.01 Ra, D = d + 2H, and its
 * table of nominal rim diameters; ISO 5751 (motorcycle tires, metric series) computes with the
 * same. Expected values are worked by hand from the formula and the table, and stand as data:
 * marking, H in mm, D in mm.
 */
const SIZES: [marking: string, heightMm: number, diameterMm: number][] = [
  ['150/70-17', 105, 642],
  ['60/100-14', 60, 476],
  ['70/100-17', 70, 572],
  ['80/100-21', 80, 693],
  ['90/90-21', 81, 695],
  ['90/90-18', 81, 619],
  ['100/90-19', 90, 663],
  ['110/90-19', 99, 681],
  ['120/90-18', 108, 673],
  ['110/80-19', 88, 659],
  ['110/80R19', 88, 659],
  ['120/70ZR17', 84, 600],
  ['120/80-16', 96, 598],
  ['130/90-16', 117, 640],
  ['130/80-16', 104, 614],
  ['130/80-17', 104, 640],
  ['140/80-18', 112, 681],
  ['150/70R18', 105, 667],
  ['160/60ZR17', 96, 624],
  ['170/80-15', 136, 653],
  ['180/55ZR17', 99, 630],
  ['190/50ZR17', 95, 622],
  ['200/60-16', 120, 646],
  ['110/70-12', 77, 459],
  ['120/70-13', 84, 498],
  ['90/100-16', 90, 586],
  ['70/90-17', 63, 558],
  ['80/90-17', 72, 576],
  ['80/90-21', 72, 677],
  ['90/80-16', 72, 550],
  ['90/90-14', 81, 518],
  ['90/90-10', 81, 416],
  ['100/80-17', 80, 592],
  ['100/90-18', 90, 637],
  ['100/100-18', 100, 657],
  ['110/70-17', 77, 586],
  ['110/100-18', 110, 677],
  ['120/60ZR17', 72, 576],
  ['120/70-14', 84, 524],
  ['120/80-18', 96, 649],
  ['120/100-18', 120, 697],
  ['130/60-13', 78, 486],
  ['130/70-12', 91, 487],
  ['130/90-15', 117, 615],
  ['140/70-17', 98, 628],
  ['140/90-15', 126, 633],
  ['150/60R17', 90, 612],
  ['150/80-16', 120, 646],
  ['170/60R17', 102, 636],
  ['200/50ZR17', 100, 632],
  ['240/40R18', 96, 649],
];

test('there are at least forty of them, each once', () => {
  expect(new Set(SIZES.map(([marking]) => marking)).size).toBeGreaterThanOrEqual(40);
});

test.each(SIZES)('%s is %d mm high and %d mm across', (marking, heightMm, diameterMm) => {
  const size = readTire(marking);
  expect(size.sectionHeightMm).toBeCloseTo(heightMm, 6);
  expect(size.overallDiameterMm).toBeCloseTo(diameterMm, 6);
  expect(size.circumferenceMm).toBeCloseTo(diameterMm * Math.PI, 6);
});

/** Source: UN Regulation No. 75, table of nominal rim diameters. */
test.each([
  [10, 254],
  [12, 305],
  [14, 356],
  [15, 381],
  [16, 406],
  [17, 432],
  [18, 457],
  [19, 483],
  [20, 508],
  [21, 533],
  [23, 584],
])('a %d inch rim is %d mm', (code, mm) => {
  expect(nominalRimMm(code)).toBe(mm);
});

test('a rim diameter outside the table is not made up', () => {
  expect(nominalRimMm(24)).toBeUndefined();
  expect(nominalRimMm(3)).toBeUndefined();
});

/** Source: ISO 4000-1, load index table. */
test.each([
  [0, 45],
  [10, 60],
  [20, 80],
  [30, 106],
  [35, 121],
  [40, 140],
  [45, 165],
  [50, 190],
  [51, 195],
  [54, 212],
  [57, 230],
  [58, 236],
  [59, 243],
  [60, 250],
  [61, 257],
  [62, 265],
  [65, 290],
  [66, 300],
  [69, 325],
  [70, 335],
  [73, 365],
  [75, 387],
  [77, 412],
  [80, 450],
  [85, 515],
  [90, 600],
  [95, 690],
  [100, 800],
  [110, 1060],
  [120, 1400],
])('load index %d carries %d kg', (index, kg) => {
  expect(maxLoadKg(index)).toBe(kg);
});

test('the load index table rises without a gap', () => {
  expect(LOAD_INDEX_KG).toHaveLength(121);
  for (let i = 1; i < LOAD_INDEX_KG.length; i++) {
    const step = LOAD_INDEX_KG[i]! / LOAD_INDEX_KG[i - 1]!;
    expect(step).toBeGreaterThan(1.015);
    expect(step).toBeLessThan(1.045);
  }
});

/** Source: UN Regulation No. 75, speed category symbols; ISO 4000-1. */
test.each([
  ['J', 100],
  ['K', 110],
  ['L', 120],
  ['M', 130],
  ['N', 140],
  ['P', 150],
  ['Q', 160],
  ['R', 170],
  ['S', 180],
  ['T', 190],
  ['U', 200],
  ['H', 210],
  ['V', 240],
  ['W', 270],
])('speed symbol %s is %d km/h', (symbol, kmh) => {
  expect(maxSpeedKmh(symbol)).toBe(kmh);
});

test('a letter that is no speed symbol has no speed', () => {
  expect(maxSpeedKmh('I')).toBeUndefined();
  expect(maxSpeedKmh('O')).toBeUndefined();
});
