import { logOf, problemOf } from '../../../tests/sample';
import { checkKeptEntry } from '.';

const AROUND = {
  id: 'e-1',
  at: '2026-04-30T15:30:00.000Z',
  who: 'Juna Birk',
  station: 'inspect',
  kind: 'note',
  data: { text: 'a crack' },
};
const checked = (more: object = {}) => checkKeptEntry({ ...AROUND, ...more });

describe('an entry as a file holds it', () => {
  test('comes back as it stood, with when it was written, when it arrived, and what it corrects', () => {
    expect(checked()).toEqual(AROUND);
    const late = { arrivedAt: '2026-05-01T08:00:00.000Z', replaces: 'e-0' };
    expect(checked(late)).toEqual({ ...AROUND, ...late });
  });

  test('every entry of a log of its own is one', () => {
    const l = logOf().open();
    l.add('note', { text: 'x' });
    for (const { seq: _seq, ...entry } of l.log) expect(checkKeptEntry(entry)).toEqual(entry);
  });

  test('may name the entry of another wheel that it follows from, where its kind can', () => {
    const step = { kind: 'step', data: { stepId: 'off-lift', of: 'e-0' } };
    expect(checked(step)).toEqual({ ...AROUND, ...step });
    expect(checked({ kind: 'step', data: { stepId: 'off-lift' } }).data).toEqual({
      stepId: 'off-lift',
    });
    expect(problemOf(() => checked({ data: { text: 'x', of: 'e-0' } })).field).toBe('data.of');
    expect(() => checked({ kind: 'step', data: { stepId: 'off-lift', of: 7 } })).toThrow();
  });

  test('keeps rules that this program does not know, and takes no other shape of them', () => {
    const rules = (values: object) => ({ kind: 'rules', station: 'intake', data: { values } });
    const kept = rules({ 'gone.rule': 3, 'seat.tries': 99, 'bite.start': 'by nobody' });
    expect(checked(kept)).toEqual({ ...AROUND, ...kept });
    expect(() => checked(rules({ 'Not a key': 1 }))).toThrow();
    expect(() => checked(rules({ 'seat.tries': { deep: 1 } }))).toThrow();
    // The rest is held to what the program of today takes.
    expect(problemOf(() => checked({ kind: 'pop', data: { gaugeKpa: 90_000 } })).field).toBe(
      'data.gaugeKpa',
    );
  });

  test.each([
    [{ at: 'yesterday' }, 'at'],
    [{ arrivedAt: '2026-05-01' }, 'arrivedAt'],
    [{ who: '' }, 'who'],
    [{ kind: 'weather' }, 'kind'],
    [{ station: 'moon' }, 'station'],
    [{ more: 1 }, 'more'],
    [{ data: undefined }, 'data'],
  ])('%j is refused by its field', (more, field) => {
    expect(problemOf(() => checked(more)).field).toBe(field);
  });
});
