import { InputError } from '../errors';
import { parseTubeLabel, tubePick } from '.';

describe('reading a label', () => {
  test.each([
    ['2.75/3.00-21', 21, 69.85, 76.2],
    ['3.00-10', 10, 76.2, 76.2],
    ['100/100-18, 110/90-18', 18, 100, 110],
    ['80/100-21, 90/90-21, 2.75-21', 21, 69.85, 90],
  ])('%s', (label, rim, min, max) => {
    const range = parseTubeLabel(label);
    expect(range.rimDiameterIn).toBe(rim);
    expect(range.minWidthMm).toBeCloseTo(min, 6);
    expect(range.maxWidthMm).toBeCloseTo(max, 6);
  });

  test.each(['', 'big', '2.75/3.00', '100/100-18, 110/90-19'])('"%s" is refused', (label) => {
    expect(() => parseTubeLabel(label)).toThrow(InputError);
  });
});

describe('picking a tube', () => {
  const tubes = [
    { id: 'covers', label: '100/90-19, 110/90-19, 120/80-19', count: 3 },
    { id: 'narrow', label: '90/90-19', count: 9 },
    { id: 'near', label: '100/90-19, 105/90-19', count: 1 },
    { id: 'other rim', label: '110/90-18', count: 9 },
  ];
  const pick = (tire: string, stock = tubes) => tubePick.run({ tire, tubes: stock });

  test('the label that covers the tire wins; every other says why not', () => {
    const { result, verdict } = pick('110/90-19');
    expect(verdict).toBe('good');
    expect(result.bestId).toBe('covers');
    expect(result.fits.map((f) => [f.id, f.fit])).toEqual([['covers', 'covers'], ['near', 'near'], ['other rim', 'no'], ['narrow', 'no']]);
    expect(result.fits.find((f) => f.id === 'other rim')?.reason).toBe('for a 18 inch rim');
    expect(result.fits.find((f) => f.id === 'narrow')?.reason).toMatch(/stretched/);
  });

  test('out of stock a near one is a check, and none at all a stop', () => {
    const empty = tubes.map((t) => (t.id === 'covers' ? { ...t, count: 0 } : t));
    expect(pick('110/90-19', empty)).toMatchObject({ verdict: 'check', result: { bestId: 'near' } });
    expect(pick('150/70-17')).toMatchObject({ verdict: 'stop', result: { bestId: null } });
    expect(pick('110/90-19', [])).toMatchObject({ verdict: 'stop', result: { bestId: null, fits: [] } });
  });

  test('a tube for a wider tire folds', () => {
    expect(pick('95/90-19').result.fits.find((f) => f.id === 'covers')).toMatchObject({ fit: 'near', reason: expect.stringMatching(/fold/) });
  });

  test('3.00 in and 76 mm are the same tire', () => {
    expect(pick('3.00-21', [{ id: 'a', label: '2.75/3.00-21', count: 1 }]).result.bestId).toBe('a');
  });

  test('a bad label is named by its place', () => {
    try {
      pick('110/90-19', [...tubes, { id: 'bad', label: 'torn off', count: 1 }]);
    } catch (error) {
      expect((error as InputError).field).toBe('tubes[4].label');
    }
    expect.assertions(1);
  });
});
