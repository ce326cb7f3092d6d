import fc from 'fast-check';
import { InputError } from '../../base/errors';
import { readRimCode, rimCode, tryRimCode } from '.';

test.each([
  ['MT 3.50x17', 3.5, 17, 'MT', true, 'MT3.50x17'],
  ['17 M/C x MT3.50', 3.5, 17, 'MT', true, 'MT3.50x17'],
  ['17xMT 3.50', 3.5, 17, 'MT', true, 'MT3.50x17'],
  ['2.15-18', 2.15, 18, 'plain', null, '2.15x18'],
  ['WM3-18', 2.15, 18, 'WM', false, 'WM2.15x18'],
  ['wm 2 x 21', 1.85, 21, 'WM', false, 'WM1.85x21'],
  ['3.50 J', 3.5, null, 'J', null, 'J3.50'],
  ['1.60x21', 1.6, 21, 'plain', null, '1.60x21'],
  ['3.50×17 MT', 3.5, 17, 'MT', true, 'MT3.50x17'],
  ['12x6.0 AT', 6, 12, 'AT', true, 'AT6.00x12'],
  ['AT 6.00 x 12', 6, 12, 'AT', true, 'AT6.00x12'],
  ['J2.60', 2.6, null, 'J', null, 'J2.60'],
  ['7.0x12', 7, 12, 'plain', null, '7.00x12'],
])('%s: %d wide, %s', (code, widthIn, rimDiameterIn, contour, hump, canonical) => {
  expect(readRimCode(code)).toMatchObject({ widthIn, rimDiameterIn, contour, hump, canonical });
  expect(readRimCode(code).widthMm).toBeCloseTo(widthIn * 25.4, 6);
});

test('a code without a diameter has none, and one with has it in mm', () => {
  expect(rimCode.run({ code: '3.50 J' }).result.rimDiameterMm).toBeNull();
  expect(rimCode.run({ code: 'WM3-18' }).result.rimDiameterMm).toBe(457);
});

test.each(['', 'MT', 'MT3.50x99', '17', 'WM9-18', '99.0x17', 'MT3.50x17x2', '2.15-'])(
  '"%s" is refused in words',
  (code) => {
    expect(() => readRimCode(code)).toThrow(InputError);
    expect(tryRimCode(code)).toBeNull();
  },
);

test('what it writes reads back as itself, and no text throws anything but the input error', () => {
  fc.assert(
    fc.property(
      fc.oneof(
        fc.string({ maxLength: 40 }),
        fc
          .array(fc.constantFrom(...'MTWJA 0123456789./x-C'), { maxLength: 14 })
          .map((c) => c.join('')),
      ),
      (code) => {
        const read = tryRimCode(code);
        if (!read) return;
        const again = readRimCode(read.canonical);
        expect({ ...again, canonical: '' }).toEqual({ ...read, canonical: '' });
      },
    ),
    { numRuns: 3000 },
  );
});
