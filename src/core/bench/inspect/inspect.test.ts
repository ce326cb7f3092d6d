import { problemOf } from '../../../../tests/sample';
import { FINDINGS, INSPECTED, inspectionOf } from '.';

describe.each(INSPECTED)('%s', (part) => {
  test('nothing found is good, and the job goes on', () => {
    expect(inspectionOf(part).run({ found: [] })).toMatchObject({
      verdict: 'good',
      result: { goOn: true },
    });
  });

  test.each(FINDINGS[part])(
    '$id is judged by its severity, with advice',
    ({ id, severity, advice }) => {
      const working = inspectionOf(part).run({ found: [id] });
      expect(working.verdict).toBe(severity);
      expect(working.result.goOn).toBe(severity !== 'stop');
      expect(working.result.reasons[0]!.says).toContain(advice);
      expect(working.cautions.length > 0).toBe(severity === 'stop');
    },
  );

  test('all at once: the worst decides, each is said once; a finding of another part is refused', () => {
    const all = FINDINGS[part].map((f) => f.id);
    const { result, verdict } = inspectionOf(part).run({ found: all });
    expect(verdict).toBe('stop');
    expect(result.reasons).toHaveLength(all.length);
    expect(problemOf(() => inspectionOf(part).run({ found: ['horn'] })).field).toBe('found[0]');
  });
});
