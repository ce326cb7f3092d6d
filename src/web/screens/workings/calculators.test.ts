import { findWorking, WORKINGS } from '../../../core/workings';
import { SYNONYMS } from './synonyms';
import { resultRows } from './result-rows';

test('synonyms belong to calculators that exist', () => {
  for (const name of Object.keys(SYNONYMS))
    expect([name, findWorking(name)?.name]).toEqual([name, name]);
});

test('titles are nouns of at most 34 characters, each once', () => {
  const titles = WORKINGS.map((w) => w.title);
  expect(titles.filter((t) => t.length > 34)).toEqual([]);
  expect(titles.filter((t) => /^(What|Which|Whether|How|Where|In which)\b/.test(t))).toEqual([]);
  expect(new Set(titles).size).toBe(titles.length);
});

test('a result is shown with full names and money as money', () => {
  const bead = findWorking('bead-path')!;
  const labels = resultRows('bead-path', bead.run(bead.example as never).result).map(
    (r) => r.label,
  );
  expect(labels).toContain('longest bite that passes');
  expect(labels).not.toContain('one go');
  expect(resultRows('estimate', { currency: 'USD', totalMinor: 1250 })).toEqual([
    { label: 'currency', value: { as: 'text', text: 'USD' } },
    { label: 'total', value: { as: 'text', text: '$12.50' } },
  ]);
});
