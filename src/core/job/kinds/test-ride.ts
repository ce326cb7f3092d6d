import { oneOf, quantity, text } from '../../base/fields';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { maybe, ofServer } from '../entry-fields';

/** A test ride, or who declined it. `of` is the same ride entered at another wheel of the visit. */
interface TestRideData {
  how: 'ridden' | 'not good' | 'refused';
  by: string;
  shakesAtKmh: number | null;
  found: string;
  of?: string;
}

export const testRideEntry = defineEntry<
  TestRideData,
  { ride: (TestRideData & { at: string; who: string }) | null }
>({
  ...WHEEL_WORK,
  scope: 'machine',
  schema: () => ({
    how: oneOf(['ridden', 'not good', 'refused'], 'How it went'),
    by: text(60, 'Who rode or declined'),
    shakesAtKmh: maybe(quantity('km/h', 5, 300, 'Speed at which it shakes')),
    found: text(300, 'What was found').allow(''),
    of: ofServer,
  }),
  text: ({ how, by, shakesAtKmh, found, of }, { q }) => {
    const what = { ridden: 'ridden', 'not good': 'ridden, problem found', refused: 'refused' }[how];
    const shakes = shakesAtKmh !== null && `shakes at ${q(shakesAtKmh, 'km/h')}`;
    return `Test ride${of === undefined ? '' : ', entered at the other wheel'}: ${what} by ${by}${shakes ? `, ${shakes}` : ''}${found ? `. ${found}` : ''}`;
  },
  initial: { ride: null },
  apply: (_, { data, at, who }) => ({ ride: { ...data, at, who } }),
  people: ({ by }) => [by],
});
