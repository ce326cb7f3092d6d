import fc from 'fast-check';
import Joi from 'joi';
import { beadPath } from '../bench/beads';
import { inputError, refusalText, tryInput } from './errors';
import { check, quantity, record, listOf } from './fields';
import { formatQuantity, fromDisplay, quantityText, UNIT_SYSTEMS, type Unit } from './units';

const US = UNIT_SYSTEMS.US;
const SYSTEMS = Object.values(UNIT_SYSTEMS);

const problemOf = (run: () => unknown) => {
  const found = tryInput(run);
  if (found.ok) throw new Error('It was not refused.');
  return found.problem;
};

describe('a refusal in the reader’s units', () => {
  const schema = Joi.object({
    slackMm: quantity('mm', 0, 300, 'Slack'),
    wheels: listOf(record({ kpa: quantity('kPa', 20, 500, 'Pressure') }, 'A wheel'), 4, 'Wheels'),
  });

  test('has the range of the field, and without units the one in SI', () => {
    const problem = problemOf(() => check(schema, { slackMm: 301, wheels: [] }));
    expect(refusalText(problem)).toBe('slackMm is too large. Enter slack, 0 to 300 millimeters.');
    expect(refusalText(problem, US)).toBe('slackMm is too large. Enter slack, 0 in to 11.81 in.');
  });

  test('finds the field inside a list', () => {
    const problem = problemOf(() => check(schema, { slackMm: 1, wheels: [{ kpa: 1 }] }));
    expect(refusalText(problem, US)).toBe('kpa is too small. Enter pressure, 3 psi to 72.5 psi.');
    expect(refusalText(problem)).toBe('kpa is too small. Enter pressure, 20 to 500 kilopascals.');
  });

  test('a field that is no quantity has none', () => {
    expect(problemOf(() => check(schema, { slackMm: 1 })).inUnits).toBeUndefined();
  });

  test('of a calculator too', () => {
    const problem = problemOf(() => beadPath.run({ ...beadPath.example, wellMm: 434 }));
    expect(refusalText(problem)).toMatch(/Enter less than the bead, 434 mm\.$/);
    expect(refusalText(problem, US)).toMatch(/Enter less than the bead, 17\.09 in\.$/);
  });

  test('both sentences may hold quantities', () => {
    const error = inputError('f', '{0} is over {1}.', 'enter {1} or less', [
      { value: 20, unit: 'g' },
      { value: 10, unit: 'g' },
    ]);
    expect(refusalText(error.toProblem())).toBe('20 g is over 10 g. Enter 10 g or less.');
    expect(error.message).toBe('20 g is over 10 g.');
  });
});

test('what a refusal asks for is not refused when it is typed as it is shown', () => {
  const units: Unit[] = ['mm', 'tread', 'kPa', 'g', 'kg', 'Nm', 'C', 'm', 'km', 'km/h', 'deg'];
  fc.assert(
    fc.property(
      fc.constantFrom(...units),
      fc.constantFrom(...SYSTEMS),
      fc.double({ min: -40, max: 900, noNaN: true }),
      fc.constantFrom('min', 'max'),
      (unit, system, limit, bound) => {
        const { text } = formatQuantity(limit, unit, system, { bound });
        const typed = fromDisplay(Number(text.replace('\u2212', '-')), unit, system);
        const over = bound === 'min' ? limit - typed : typed - limit;
        expect(over).toBeLessThan(1e-6 * Math.max(1, Math.abs(limit)));
      },
    ),
    { numRuns: 2000 },
  );
});

test.each([
  [6 * (25.4 / 32), '6/32 in', '4.8 mm'],
  [1.6, '2/32 in', '1.6 mm'],
  [0.8, '1/32 in', '0.8 mm'],
  [3.5, '4/32 in', '3.5 mm'],
])('%f mm of tread is read as %s, or as %s', (mm, us, metric) => {
  expect(quantityText(mm, 'tread', US)).toBe(us);
  expect(quantityText(mm, 'tread', UNIT_SYSTEMS.metric)).toBe(metric);
});
