import fc from 'fast-check';
import { InputError } from '../errors';
import {
  counted,
  angleBetween,
  clockText,
  DEFAULT_UNITS,
  degText,
  displayUnit,
  formatMoney,
  formatQuantity,
  fromDisplay,
  meanDeg,
  mirrored,
  normalDeg,
  parseAngle,
  parseMoney,
  quantityText,
  placeText,
  said,
  sayIn,
  writtenApart,
  toDisplay,
  writeMoney,
  UNIT_NAMES,
  UNIT_SYSTEMS,
  unitsOfSystem,
  type Unit,
  type UnitPreferences,
} from '.';

const deg = fc.double({ min: -1000, max: 1000, noNaN: true });

describe('angles on the wheel', () => {
  test.each([
    ['7', 210],
    ['12', 0],
    ['7:05', 212.5],
    ['12:30', 15],
    ['212°', 212],
    ['212 deg', 212],
    ['90', 90],
    ['3°', 3],
    ["7 o'clock", 210],
    ['360°', 0],
    [' 1:00 ', 30],
    ['236.57°', 236.57],
    ['0', 0],
  ])('%s is at %d degrees', (typed, expected) => {
    expect(parseAngle(typed)).toBeCloseTo(expected, 6);
  });

  test.each(['', 'seven', '13:00', '7:60', '400°', '-5', '7:5', '1e2', '7:05 212°'])(
    '"%s" is no place',
    (typed) => {
      expect(() => parseAngle(typed)).toThrow(InputError);
    },
  );

  test('a refusal names the field and says what would be right', () => {
    try {
      parseAngle('13:00', 'trialDeg');
    } catch (error) {
      expect(error).toMatchObject({
        field: 'trialDeg',
        message: '13 is not an hour on the clock.',
        expected: 'Enter a clock reading such as 7:05, or degrees such as 212°',
      });
    }
    expect.assertions(1);
  });

  test('both ways of saying it', () => {
    expect(placeText(212.5)).toBe('7:05 o’clock (213°)');
    expect(placeText(210)).toBe('7 o’clock (210°)');
    expect(placeText(359.9)).toBe('12 o’clock (0°)');
    expect(clockText(0)).toBe('12:00');
    expect(degText(-90)).toBe('270°');
  });

  test('what is said reads back to the same place', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 719 }), (halfDeg) => {
        expect(parseAngle(clockText(halfDeg / 2))).toBeCloseTo(halfDeg / 2, 9);
      }),
    );
  });

  test('mirroring twice is where it was, and keeps the valve', () => {
    expect(mirrored(0)).toBe(0);
    expect(mirrored(210)).toBe(150);
    fc.assert(
      fc.property(
        deg,
        (d) => void expect(angleBetween(mirrored(mirrored(d)), d)).toBeCloseTo(0, 6),
      ),
    );
  });

  test('the shortest turn is never more than half, and leads there', () => {
    fc.assert(
      fc.property(deg, deg, (a, b) => {
        const turn = angleBetween(a, b);
        expect(Math.abs(turn)).toBeLessThanOrEqual(180);
        expect(Math.abs(angleBetween(normalDeg(a + turn), b))).toBeLessThan(1e-6);
      }),
    );
  });

  test('the middle of places minds the circle', () => {
    expect(meanDeg([350, 10])).toBeCloseTo(0, 6);
    expect(meanDeg([208, 212])).toBeCloseTo(210, 6);
    expect(meanDeg([])).toBe(0);
  });
});

describe('quantities at the edge', () => {
  const imperial = {
    pressure: 'psi',
    length: 'in',
    mass: 'oz',
    torque: 'lbf·ft',
    temperature: '°F',
  } as const;

  test.each([
    [89.63, 'kPa', '13.0', 'psi'],
    [-13, 'mm', '\u221213', 'mm'],
    [21.7, 'Nm', '21.7', 'N·m'],
    [100, 'Nm', '100', 'N·m'],
    [1, 'days', '1', 'day'],
    [1.4, 'days', '1', 'day'],
    [2, 'days', '2', 'days'],
    [2.5, 'in', '2.5', 'in'],
    [0.04, 'g', '0', 'g'],
    [-0.2, 'g', '0', 'g'],
    [20, 'C', '20', '°C'],
    [325, 'kg', '325', 'kg'],
    [4.25, 'years', '4.3', 'years'],
  ] as const)('%d %s is shown as %s %s', (value, unit, text, label) => {
    expect(formatQuantity(value, unit, DEFAULT_UNITS)).toEqual({ text, label });
  });

  test.each([
    [13, 'mm', '0.51', 'in'],
    [7, 'g', '0.25', 'oz'],
    [21.69, 'Nm', '16', 'ft-lb'],
    [25, 'C', '77', '°F'],
    [160.93, 'km/h', '100', 'mph'],
    [304.8, 'm', '1000', 'ft'],
  ] as const)('%d %s is shown as %s %s to those who read inches', (value, unit, text, label) => {
    expect(formatQuantity(value, unit, imperial)).toEqual({ text, label });
  });

  test('decimals asked for in millimetres are one more in inches, and never fewer than usual', () => {
    const inches = (mm: number, digits: number) =>
      formatQuantity(mm, 'mm', imperial, { digits }).text;
    expect([inches(2.4, 0), inches(2.4, 1), inches(2.4, 2)]).toEqual(['0.09', '0.09', '0.094']);
    expect(formatQuantity(2.44, 'mm', DEFAULT_UNITS, { digits: 1 }).text).toBe('2.4');
    expect(formatQuantity(2.54, 'in', imperial, { digits: 1 }).text).toBe('2.5');
  });

  test('decimals asked for in grams are no fewer in ounces', () => {
    expect(formatQuantity(42.4, 'g', imperial, { digits: 0 }).text).toBe('1.50');
    expect(formatQuantity(1.4, 'g', imperial, { digits: 1 }).text).toBe('0.049');
    expect(formatQuantity(1.44, 'g', DEFAULT_UNITS, { digits: 1 }).text).toBe('1.4');
  });

  test('a change shows its sign, and nothing shows none', () => {
    expect(formatQuantity(3, 'mm', DEFAULT_UNITS, { sign: true }).text).toBe('+3');
    expect(formatQuantity(0, 'mm', DEFAULT_UNITS, { sign: true }).text).toBe('0');
  });

  test('every unit has a name and a label, and goes there and back', () => {
    for (const unit of Object.keys(UNIT_NAMES) as Unit[])
      for (const units of [DEFAULT_UNITS, imperial, { ...imperial, pressure: 'bar' as const }]) {
        expect(displayUnit(unit, units).length).toBeGreaterThan(0);
        expect(fromDisplay(toDisplay(37.5, unit, units), unit, units)).toBeCloseTo(37.5, 9);
      }
  });
});

describe('money', () => {
  test.each([
    [9250, 'USD', '$92.50'],
    [9250, 'EUR', '€92.50'],
    [9250, 'JPY', '¥9,250'],
    [0, 'GBP', '£0.00'],
  ] as const)('%d in %s is %s', (minor, currency, text) => {
    expect(formatMoney(minor, currency)).toBe(text);
  });

  test.each([
    ['92.50', 'USD', 9250],
    ['92,5', 'USD', 9250],
    ['92', 'USD', 9200],
    ['92', 'JPY', 92],
    ['92.5', 'JPY', null],
    ['1.234', 'USD', null],
    ['', 'USD', null],
    ['-4', 'USD', null],
    ['ten', 'USD', null],
  ] as const)('"%s" in %s is %p', (typed, currency, minor) => {
    expect(parseMoney(typed, currency)).toBe(minor);
  });

  test('what is written is read back', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 9_999_999 }),
        fc.constantFrom('USD', 'JPY'),
        (minor, currency) => {
          expect(parseMoney(writeMoney(minor, currency), currency)).toBe(minor);
        },
      ),
    );
  });
});

describe('sentences with quantities', () => {
  const room = said('{0} of room; the shop wants {1}.', [
    { value: 25.4, unit: 'mm' },
    { value: 10, unit: 'mm' },
  ]);

  test('are said in the units of whoever reads them', () => {
    expect(room.says).toBe('25 mm of room; the shop wants 10 mm.');
    expect(sayIn(room, { ...DEFAULT_UNITS, length: 'in' })).toBe(
      '1.00 in of room; the shop wants 0.39 in.',
    );
    expect(sayIn(said('Nothing to convert.'), DEFAULT_UNITS)).toBe('Nothing to convert.');
  });

  test('a value and its limit are written with enough decimals to show the difference', () => {
    const mm = (value: number) => ({ value, unit: 'mm' as const });
    expect(said('{0}; wanted {1}.', [mm(9.7), mm(10)]).says).toBe('9.7 mm; wanted 10.0 mm.');
    expect(said('{0}; wanted {1}.', [mm(10), mm(10)]).says).toBe('10 mm; wanted 10 mm.');
    expect(
      said(
        '{0} on {1}.',
        [335.04, 335].map((value) => ({ value, unit: 'kg' })),
      ).says,
    ).toBe('335.04 kg on 335 kg.');
    expect(said('They differ by {0}.', [{ value: 0.2, unit: 'kPa' }]).says).toBe(
      'They differ by 0.03 psi.',
    );
    expect(said('They differ by {0}.', [{ value: 0, unit: 'kPa' }]).says).toBe(
      'They differ by 0.0 psi.',
    );
    // Of two units neither is larger.
    expect(said('{0}, {1}.', [mm(10.2), { value: 10, unit: 'deg' }]).says).toBe('10 mm, 10°.');
    // One asks for decimals, the other does not: the smaller one never reads as the larger.
    expect(said('{0}, {1}.', [mm(8.4), { ...mm(8.1), digits: 1 }]).says).toBe('8.4 mm, 8.1 mm.');
  });

  test('what is written never contradicts what is meant', () => {
    const unit = fc.constantFrom<Unit>(
      'kPa',
      'mm',
      'g',
      'Nm',
      'C',
      'kg',
      'in',
      'pct',
      'years',
      'days',
      'km',
      'm',
    );
    const units = fc.constantFrom(DEFAULT_UNITS, {
      pressure: 'bar',
      length: 'in',
      mass: 'oz',
      torque: 'lbf·ft',
      temperature: '°F',
    } as const);
    const value = fc.double({ min: -50, max: 1200, noNaN: true });
    const near = fc.double({ min: -0.5, max: 0.5, noNaN: true });
    const digits = fc.option(fc.integer({ min: 0, max: 2 }), { nil: undefined });
    fc.assert(
      fc.property(unit, units, value, near, digits, (of, prefs, a, by, shown) => {
        fc.pre(Math.abs(by) > 0.01);
        const pair = [
          { value: a, unit: of, ...(shown === undefined ? {} : { digits: shown }) },
          { value: a + by, unit: of },
        ];
        const [one, other] = writtenApart(pair, prefs).map(({ text }) =>
          Number(text.replace('\u2212', '-')),
        );
        expect(Math.sign(other! - one!)).toBe(Math.sign(by));
      }),
      { numRuns: 500 },
    );
  });

  test('a thing is counted in words that fit the number', () => {
    expect([0, 1, 2].map((n) => counted(n, 'bite'))).toEqual(['0 bites', '1 bite', '2 bites']);
    expect([1, 3].map((n) => counted(n, 'try', 'tries'))).toEqual(['1 try', '3 tries']);
  });

  test('a place without a quantity is left as it is', () => {
    expect(said('{0} and {7}', [{ value: 90, unit: 'deg' }]).says).toBe('90° and {7}');
  });
});

describe('the units of a shop', () => {
  const shown = (units: UnitPreferences) =>
    (['kPa', 'mm', 'g', 'Nm', 'C', 'km'] as const).map((unit) => displayUnit(unit, units));

  test('one choice sets all of them, and an unknown one is that of the US', () => {
    expect(shown(unitsOfSystem('US'))).toEqual(['psi', 'in', 'g', 'ft-lb', '°F', 'miles']);
    expect(shown(unitsOfSystem('metric'))).toEqual(['bar', 'mm', 'g', 'N·m', '°C', 'km']);
    expect(unitsOfSystem('furlongs')).toBe(UNIT_SYSTEMS.US);
  });

  test('a space before a unit, none before a percent or a degree', () => {
    expect(quantityText(262, 'kPa', UNIT_SYSTEMS.US)).toBe('38.0 psi');
    expect(quantityText(7.5, 'pct', UNIT_SYSTEMS.US)).toBe('7.5%');
    expect(quantityText(164, 'deg', UNIT_SYSTEMS.US)).toBe('164°');
    expect(quantityText(18, 'C', UNIT_SYSTEMS.metric)).toBe('18 °C');
  });
});
