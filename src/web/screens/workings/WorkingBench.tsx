import { useMemo, useState } from 'react';
import { tryInput, type InputAttempt } from '../../../core/base/errors';
import { formOf } from '../../../core/base/field-form';
import type { AnyWorking, Working } from '../../../core/base/working';
import { Button } from '../../parts/Button';
import { useUnits } from '../../shared/quantity';
import { selectCurrency, useApp } from '../../store';
import { WorkingView } from '../../shared/working';
import { recordDraft, recordOf, type RecordDraft } from './input-draft';
import { RecordControl, type AtField } from './InputFields';
import { calculatorPicture } from './pictures';
import { ResultTable } from './ResultTable';
import { refusalText } from '../../shared/refusal';

/** A working on its own: its fields, filled with its example, and what comes of them. */
export const WorkingBench = ({ definition }: { definition: AnyWorking }) => {
  const units = useUnits();
  const currency = useApp(selectCurrency);
  const written = { ...units, currency };
  const fields = useMemo(() => formOf(definition.schema), [definition]);
  const [before] = useState(() => ({
    draft: recordDraft(fields, definition.example as Record<string, unknown>, written),
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
  const drawn = found.ok ? calculatorPicture(found.value, units) : null;
  return (
    <div className="grid content-start gap-8 lg:grid-cols-2 lg:grid-rows-[auto_1fr]">
      {/* First on a phone, beside the fields on a wide screen. */}
      {drawn && <div className="lg:col-start-2">{drawn}</div>}
      <form
        className="space-y-4 lg:col-start-1 lg:row-span-2 lg:row-start-1"
        onSubmit={(e) => {
          e.preventDefault();
          setFound(
            tryInput(() => definition.run(recordOf(fields, draft, written, before) as never)),
          );
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
      <div aria-live="polite" className="lg:col-start-2">
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
