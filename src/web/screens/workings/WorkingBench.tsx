import { useMemo, useState } from 'react';
import { tryInput, refusalText, type InputAttempt } from '../../../core/base/errors';
import { formOf } from '../../../core/base/field-form';
import type { AnyWorking, Working } from '../../../core/base/working';
import { Button } from '../../parts/Button';
import { useUnits } from '../../parts/quantity';
import { WorkingView } from '../../parts/working';
import { recordDraft, recordOf, type RecordDraft } from './input-draft';
import { RecordControl, type AtField } from './InputFields';
import { ResultTable } from './ResultTable';

/** A working on its own: its fields, filled with its example, and what comes of them. */
export const WorkingBench = ({ definition }: { definition: AnyWorking }) => {
  const units = useUnits();
  const fields = useMemo(() => formOf(definition.schema), [definition]);
  const [before] = useState(() => ({
    draft: recordDraft(fields, definition.example as Record<string, unknown>, units),
    value: definition.example,
  }));
  const [draft, setDraft] = useState<RecordDraft>(before.draft);
  const [found, setFound] = useState<InputAttempt<Working>>(() =>
    tryInput(() => definition.run(definition.example as never)),
  );
  const problem: AtField | null = found.ok
    ? null
    : { path: found.problem.field, text: refusalText(found.problem) };
  const isAtField =
    problem !== null &&
    fields.some(
      (f) =>
        problem.path === f.name ||
        problem.path.startsWith(`${f.name}.`) ||
        problem.path.startsWith(`${f.name}[`),
    );
  return (
    <div className="grid gap-8 lg:grid-cols-2">
      <form
        className="space-y-4"
        onSubmit={(e) => {
          e.preventDefault();
          setFound(tryInput(() => definition.run(recordOf(fields, draft, units, before) as never)));
        }}
      >
        <RecordControl
          fields={fields}
          path=""
          draft={draft}
          problem={problem}
          onChange={setDraft}
        />
        {problem && !isAtField && (
          <p role="alert" className="text-stop">
            {problem.text}
          </p>
        )}
        <Button go type="submit">
          Calculate
        </Button>
      </form>
      <div aria-live="polite">
        {found.ok ? (
          <WorkingView working={found.value}>
            <ResultTable working={found.value} />
          </WorkingView>
        ) : (
          <p className="py-10 text-ink2">No result: {problem!.text}</p>
        )}
      </div>
    </div>
  );
};
