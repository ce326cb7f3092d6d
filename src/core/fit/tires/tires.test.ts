import fc from 'fast-check';
import { InputError } from '../../base/errors';
import { problemOf } from '../../../../tests/sample';
import {
  LOAD_INDEX_KG,
  parseMarking,
  readTire,
  sidewallRead,
  SPEED_SYMBOL_KMH,
  tireAge,
  tireSize,
} from '.';

describe('reading a marking', () => {
  test.each([
    ['150/70-17 69H TL', '150/70-17 69H TL'],
    ['  150/70 - 17  m/c 69h tl ', '150/70-17 69H TL'],
    ['120/70 ZR 17 M/C (58W) TL', '120/70R17 58W TL'],
    ['130/90B16 67H', '130/90B16 67H'],
    ['3.00-21', '3.00-21'],
    ['4.00 R 18', '4.00R18'],
    ['2.75 x 17', '2.75-17'],
    ['3.50×10 51J', '3.50-10 51J'],
    ['110/90-19 62M TT NHS', '110/90-19 62M TT NHS'],
    ['110/80-19 59V Front', '110/80-19 59V Front'],
    ['150/70-17 Reinf 75S REAR', '150/70-17 75S Rear Reinf'],
    ['90/90–21 54H TUBELESS', '90/90-21 54H TL'],
    ['2 3/4 - 17', '2.75-17'],
    ['5.10-18 tt', '5.10-18 TT'],
    ['mt90b16 m/c 72h', 'MT90B16 72H'],
    ['MH90 - 21 Front', 'MH90-21 Front'],
    ['AT 25 X 10 R 12 NHS', '25x10R12 NHS'],
    ['27×9.00R14', '27x9R14'],
    ['11x7.10-5', '11x7.1-5'],
    ['205/80R12', '205/80R12'],
    ['145/70-6', '145/70-6'],
    ['33.0/10.5-15', '33.0/10.5-15'],
    ['90/90x21 54s', '90/90-21 54S'],
    ['25x8x12 6 PR', '25x8-12 6PR'],
    ['26 x 11 R 14 8P.R. NHS', '26x11R14 8PR NHS'],
    ['110/80B19 59H TL M+S F', '110/80B19 59H TL Front M+S'],
    ['3.50-10 51J R', '3.50-10 51J Rear'],
    ['180/55 zr17 m/c (73w) tl reinf.', '180/55R17 73W TL Reinf'],
    ['180/55 ZR 17', '180/55ZR17'],
    ['240/40VR18', '240/40VR18'],
    ['240/40 VR 18 79V', '240/40R18 79V'],
    ['120/70VR17 TL', '120/70VR17 TL'],
    ['120/90V18', '120/90V18'],
    ['120/90 V18 65V', '120/90-18 65V'],
    ['150/70VB17', '150/70VB17'],
    ['4.00H18', '4.00H18'],
    ['MT90HB16', 'MT90HB16'],
    ['mt90 h b 16 71h', 'MT90B16 71H'],
    ['110/90D19 62M', '110/90-19 62M'],
    ['3.25 D 19', '3.25-19'],
    ['120 / 70 - 17', '120/70-17'],
    ['120/80-18 TL/TT', '120/80-18 TL'],
    ['120/80-18 tt / tl', '120/80-18 TL'],
    ['90/90-21 54S F/R', '90/90-21 54S'],
    ['90/90-21 Front / Rear 54S TT', '90/90-21 54S TT'],
    ['190/55R17 75Y', '190/55R17 75Y'],
    ['100/90-19 57H TL TL', '100/90-19 57H TL'],
    ['25x8-12 20PR', '25x8-12 20PR'],
    ['3.00-21 2PR', '3.00-21 2PR'],
  ])('%s is written %s', (printed, canonical) => {
    expect(parseMarking(printed).canonical).toBe(canonical);
  });

  test('construction, service and what is printed after it', () => {
    const size = readTire('150/70R17 69H TL Rear');
    expect(size).toMatchObject({
      notation: 'metric',
      construction: 'radial',
      loadIndex: 69,
      maxLoadKg: 325,
      speedSymbol: 'H',
      maxSpeedKmh: 210,
      tubeless: true,
      position: 'rear',
      aspectRatio: 70,
      sectionWidthMm: 150,
      rimDiameterIn: 17,
      estimated: false,
    });
  });

  test('an inch size is an estimate and says so', () => {
    const working = tireSize.run({ marking: '3.00-21' });
    expect(working.result.estimated).toBe(true);
    expect(working.result.sectionWidthMm).toBeCloseTo(76.2, 6);
    expect(working.verdict).toBe('check');
    expect(working.basis.map((b) => b.kind)).toContain('memory');
    expect(working.cautions[0]).toMatch(/are estimates/);
    // 5% of a height of 76.2 mm, at the top and at the bottom.
    expect(working.result.likelyErrorMm).toBeCloseTo(7.62, 6);
  });

  test.each([
    ['2 3/4-17', 'inch', 69.85, 69.85, 571.7, true],
    ['4.60-18', 'inch-low', 116.84, 105.156, 667.312, true],
    ['MT90B16', 'letter', 130, 117, 640, true],
    ['MU85B16', 'letter', 140, 119, 644, true],
    ['25x8-12', 'flotation', 203.2, 165, 635, false],
    ['27x9.00R14', 'flotation', 228.6, 164.9, 685.8, false],
    ['11x7.10-5', 'flotation', 180.34, 76.2, 279.4, false],
    ['33.0/10.5-15', 'slick', 266.7, 228.6, 838.2, true],
    ['205/80R12', 'metric', 205, 164, 633, false],
  ] as const)(
    '%s is %s: %d mm wide, %d mm high, %d mm across',
    (marking, notation, widthMm, heightMm, diameterMm, estimated) => {
      const size = readTire(marking);
      expect(size.notation).toBe(notation);
      expect(size.sectionWidthMm).toBeCloseTo(widthMm, 6);
      expect(size.sectionHeightMm).toBeCloseTo(heightMm, 6);
      expect(size.overallDiameterMm).toBeCloseTo(diameterMm, 6);
      expect(size.estimated).toBe(estimated);
    },
  );

  test('the shop may know better what a size does not state', () => {
    expect(readTire('4.00-18', { 'size.inchHeightPct': 80 }).sectionHeightMm).toBeCloseTo(81.28, 6);
    expect(readTire('4.60-18', { 'size.inchLowHeightPct': 85 }).sectionHeightMm).toBeCloseTo(
      99.314,
      6,
    );
    expect(readTire('MT90B16', { 'size.letterMtMm': 132 }).sectionWidthMm).toBe(132);
    expect(readTire('3.00-21', { 'size.likelyErrorPct': 10 }).likelyErrorMm).toBeCloseTo(15.24, 6);
  });

  test.each([
    ['240/40VR18', 'radial', 'V', 240],
    ['120/90V18', 'bias', 'V', 240],
    ['150/70VB17', 'belted', 'V', 240],
    ['4.00H18', 'bias', 'H', 210],
    ['MT90HB16', 'belted', 'H', 210],
    ['110/90RR18', 'radial', 'R', 170],
    ['120/70R17', 'radial', null, null],
    ['120/70B17', 'belted', null, null],
    ['120/70D17', 'bias', null, null],
    ['120/70X17', 'bias', null, null],
    ['120/70ZR17', 'radial', null, null],
  ])('the sign in %s: %s, speed symbol %s', (printed, construction, speedSymbol, maxSpeedKmh) => {
    const size = readTire(printed);
    expect(size).toMatchObject({
      construction,
      speedSymbol,
      maxSpeedKmh,
      loadIndex: null,
      maxLoadKg: null,
    });
    expect(readTire(size.canonical)).toEqual(size);
  });

  test('the size alone is the same with and without what is fast about it', () => {
    expect(readTire('180/55ZR17').size).toBe('180/55R17');
    expect(readTire('180/55R17 73W TL').size).toBe('180/55R17');
    expect(readTire('120/90V18').size).toBe('120/90-18');
    expect(readTire('MT90HB16').size).toBe('MT90B16');
  });

  test('what is not printed is not made up', () => {
    expect(readTire('90/90-21')).toMatchObject({
      loadIndex: null,
      maxLoadKg: null,
      speedSymbol: null,
      tubeless: null,
      position: null,
    });
  });

  test.each([
    ['', /empty|does not fit/],
    ['abc', /does not start like a size/],
    ['150', /does not start like a size/],
    ['150/70', /stops before the rim diameter/],
    ['150/70 17', /makes sense up to|does not follow/],
    ['150/70-', /does not follow|stops/],
    ['150/70-99', /99 is not a rim diameter/],
    ['999/70-17', /999 is not a section width/],
    ['150/10-17', /10 is not an aspect ratio/],
    ['150/70-17 69I', /I is not a speed symbol/],
    ['150/70-17 400H', /400 is not a load index/],
    ['150/70-17 69H plum', /"150\/70-17 69H"; "PLUM" does not follow/],
    ['25x8', /stops before the rim diameter/],
    ['12x8-12', /not be taller than its 12 inch rim/],
    ['99x8-12', /99 is not an overall diameter/],
    ['MZ90-16', /MZ is not a letter size/],
    ['MT90', /stops before the rim diameter/],
    ['33.0/10.5', /stops before the rim diameter/],
    ['2 3/4', /stops before the rim diameter/],
    ['2 2/4-17', /does not start like a size/],
    ['110/90-19 62M 54R', /two load indices: 62 and 54/],
    ['110/90-19 62M 62M', /two load indices: 62 and 62/],
    ['110/90-19 TL TT', /Both TL and TT are marked/],
    ['110/90-19 TT tubeless', /Both TL and TT are marked/],
    ['110/90-19 Front 62M Rear', /Both Front and Rear are marked/],
    ['110/90-19 R F', /Both Front and Rear are marked/],
    ['120/90V18 65H', /V stands in the size and H after it/],
    ['25x8-12 99PR', /99 is not a ply rating/],
    ['25x8-12 21PR', /21 is not a ply rating/],
    ['25x8-12 1PR', /1 is not a ply rating/],
    ['25x8-12 6PR 8PR', /two ply ratings: 6 and 8/],
    ['120/70AR17', /does not follow/],
    ['120/70CB17', /does not follow/],
  ])('"%s" is refused with where it stopped', (printed, said) => {
    const problem = problemOf(() => tireSize.run({ marking: printed }));
    expect(problem.field).toBe('marking');
    expect(problem.message).toMatch(said);
    expect(problem.expected.length).toBeGreaterThan(10);
  });

  test('any marking built from the notation reads back as itself', () => {
    const tail = fc.record({
      service: fc.option(
        fc.tuple(
          fc.integer({ min: 0, max: LOAD_INDEX_KG.length - 1 }),
          fc.constantFrom(...Object.keys(SPEED_SYMBOL_KMH)),
        ),
      ),
      tube: fc.constantFrom('', ' TL', ' TT'),
      end: fc.constantFrom('', ' Front', ' Rear'),
      reinf: fc.constantFrom('', ' Reinf'),
    });
    const size = fc.oneof(
      fc
        .tuple(fc.integer({ min: 5, max: 40 }), fc.integer({ min: 5, max: 22 }))
        .map(([w, a]) => `${w * 10}/${a * 5}`),
      fc.integer({ min: 150, max: 1200 }).map((w) => (w / 100).toFixed(2)),
      fc
        .tuple(fc.integer({ min: 25, max: 44 }), fc.integer({ min: 4, max: 40 }))
        .map(([d, w]) => `${d}x${w / 2}`),
      fc
        .tuple(fc.constantFrom('MH', 'MM', 'MT', 'MU', 'MV'), fc.integer({ min: 25, max: 99 }))
        .map(([l, a]) => `${l}${a}`),
      fc.integer({ min: 250, max: 440 }).map((d) => `${(d / 10).toFixed(1)}/10.5`),
    );
    fc.assert(
      fc.property(
        size,
        fc.constantFrom('-', 'R'),
        fc.integer({ min: 4, max: 23 }),
        tail,
        (s, sign, rim, t) => {
          const service = t.service ? ` ${t.service[0]}${t.service[1]}` : '';
          const text = `${s}${sign}${rim}${service}${t.tube}${t.end}${t.reinf}`;
          fc.pre(text.length <= 40);
          const once = parseMarking(text);
          expect(once.canonical).toBe(text);
          expect(parseMarking(once.canonical)).toEqual(once);
          expect(readTire(text.toLowerCase())).toEqual(readTire(text));
        },
      ),
    );
  });

  test('no text of up to 40 characters throws anything but the input error', () => {
    const close = fc
      .array(fc.constantFrom(...'0123456789/-.xRBZMC TLHW()×'), { maxLength: 40 })
      .map((c) => c.join(''));
    fc.assert(
      fc.property(fc.oneof(fc.string({ maxLength: 40 }), close), (marking) => {
        try {
          const { result } = tireSize.run({ marking });
          expect(result.overallDiameterMm).toBeGreaterThan(0);
        } catch (error) {
          expect(error).toBeInstanceOf(InputError);
        }
      }),
      { numRuns: 500 },
    );
  });
});

describe('a marking explained piece by piece', () => {
  const called = (marking: string) =>
    sidewallRead.run({ marking }).result.parts.map((p) => [p.text, p.called]);

  test('every piece stands in its place', () => {
    expect(called('120/70 ZR 17 M/C (58W) TL Reinf')).toEqual([
      ['120', 'section width'],
      ['70', 'height as a percentage'],
      ['ZR', 'construction'],
      ['17', 'rim diameter'],
      ['M/C', 'motorcycle'],
      ['(58W)', 'load and speed'],
      ['TL', 'tubeless'],
      ['REINF', 'reinforced'],
    ]);
    expect(called('25x8-12 6PR NHS')).toEqual([
      ['25', 'overall diameter'],
      ['8', 'section width'],
      ['-', 'construction'],
      ['12', 'rim diameter'],
      ['6PR', 'strength'],
      ['NHS', 'not for the road'],
    ]);
    expect(called('MT90B16 72H TT Rear M+S').map(([, c]) => c)).toEqual([
      'width, in letters',
      'height as a percentage',
      'construction',
      'rim diameter',
      'load and speed',
      'tube type',
      'rear',
      'mud and snow',
    ]);
    expect(called('2 3/4-17 F')[0]).toEqual(['2 3/4', 'section width']);
    expect(called('33.0/10.5-15')[1]).toEqual(['10.5', 'tread width']);
  });

  test('it says what the piece means, and where one trips', () => {
    const { parts } = sidewallRead.run({ marking: '150/70-17 69H' }).result;
    expect(parts[1]).toMatchObject({
      says: '70% of the width: a sidewall 105 mm high.',
      mind: 'A percentage of the width, not millimeters.',
    });
    expect(parts.at(-1)?.says).toBe(
      'Load index 69: 325 kg at most. Speed symbol H: up to 210 km/h.',
    );
  });

  test('no piece of any marking is left unexplained', () => {
    for (const marking of [
      '4.00R18',
      '5.10-18 TT',
      'MU85B16',
      '205/80R12',
      '11x7.10-5',
      '90/90-21 54S M/C TL Front',
    ]) {
      const { text, parts } = sidewallRead.run({ marking }).result;
      expect(
        parts
          .map((p) => p.text)
          .join('')
          .replace(/[^0-9A-Z]/g, ''),
      ).toBe(text.replace(/[^0-9A-Z]/g, '').replace(/X/g, ''));
      for (const p of parts) expect(p.says.length).toBeGreaterThan(10);
    }
  });
});

describe('the age of a tire', () => {
  const run = (dateCode: string, onDate = '2026-04-30', rules = {}) =>
    tireAge.run({ dateCode, onDate, rules });

  test('years since the week it was made', () => {
    expect(run('1523').result.ageYears).toBeCloseTo(3.06, 2);
    expect(run('1523').verdict).toBe('good');
    expect(run('1520').verdict).toBe('check');
    expect(run('1515').verdict).toBe('stop');
  });

  test('the shop may judge age by its own years', () => {
    const working = run('1523', '2026-04-30', { 'tire.ageCheckYears': 2 });
    expect(working.verdict).toBe('check');
    expect(working.basis).toContainEqual(
      expect.objectContaining({ kind: 'shop rule', says: 'Tire age: check: 2.0 years' }),
    );
  });

  test('three digits are from before 2000', () => {
    const working = run('159');
    expect(working.result.weekOf.year).toBe(1999);
    expect(working.verdict).toBe('stop');
    expect(working.cautions.join()).toMatch(/before 2000/);
  });

  test.each([
    ['0023', /no week 00/],
    ['5423', /no week 54/],
    ['9923', /no week 99/],
    ['1530', /still to come/],
    ['2026', /still to come/],
    ['15', /not a date code/],
    ['15234', /not a date code/],
    ['15a3', /not a date code/],
  ])('%s is refused', (dateCode, said) => {
    const problem = problemOf(() => run(dateCode));
    expect(problem.field).toBe('dateCode');
    expect(problem.message).toMatch(said);
    expect(problem.expected).toMatch(/3824/);
  });

  test('a day that does not exist is refused', () => {
    expect(problemOf(() => run('1523', '2026-02-30')).field).toBe('onDate');
    expect(problemOf(() => run('1523', 'yesterday')).expected).toMatch(/2026-04-30/);
  });
});

test('a speed symbol that no size has inside is refused, and the refusal’s own example is read', () => {
  const problem = problemOf(() => readTire('120/70Q17'));
  expect(problem.message).toMatch(/Q does not belong inside a size/);
  expect(problem.expected).toMatch(/after the load index, as in 69Q$/);
  expect(readTire('120/70-17 69Q').maxSpeedKmh).toBe(160);
});

test('every size that a refusal suggests is one that this program reads', () => {
  const begun = [
    '13x5',
    '11x7.10',
    '16x8',
    '22x11',
    '25x10',
    'AT25x10',
    'MT90',
    '33.0/10.5',
    '150/70',
    '3.50',
    '145/70',
  ];
  for (const printed of begun.flatMap((head) => [head, `${head}-`, `${head} ?`])) {
    const { expected } = problemOf(() => readTire(printed));
    const suggested = /as in (\S+)$/.exec(expected)?.[1];
    expect([printed, suggested]).toEqual([printed, expect.any(String)]);
    expect(() => readTire(suggested!)).not.toThrow();
  }
});
