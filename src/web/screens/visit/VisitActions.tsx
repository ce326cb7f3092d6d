import { useId, useState, type ComponentType } from 'react';
import type { VisitSummary } from '../../../core/shop/visit';
import { Button } from '../../parts/Button';
import {
  AgreedForm,
  NoteForm,
  PromiseForm,
  useWriteVisit,
  WaitsForm,
  type FormProps,
} from './VisitForms';

const FORMS = {
  promise: PromiseForm,
  hold: WaitsForm,
  approval: AgreedForm,
  note: NoteForm,
} as const satisfies Record<string, ComponentType<FormProps>>;
type Action = keyof typeof FORMS;

const labelOf = (action: Action, visit: VisitSummary): string =>
  ({
    promise: visit.dueAt === null ? 'Promise' : 'Change promise',
    hold: 'Hold',
    approval: 'Approval',
    note: 'Note',
  })[action];

/** The actions on a visit, one button each; the form of the one that was chosen stands below. */
export const VisitActions = ({ visit }: { visit: VisitSummary }) => {
  const write = useWriteVisit(visit);
  const [open, setOpen] = useState<Action | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const formId = useId();
  const takeOffHold = async () => setProblem(await write({ kind: 'waits', data: { what: null } }));
  const Form = open && FORMS[open];
  return (
    <div>
      <div role="group" aria-label="Actions" className="mb-4 flex flex-wrap gap-2">
        {(Object.keys(FORMS) as Action[]).map((action) =>
          action === 'hold' && visit.waits !== null ? (
            <Button key={action} onClick={() => void takeOffHold()}>
              Take off hold
            </Button>
          ) : (
            <Button
              key={action}
              aria-expanded={open === action}
              aria-controls={formId}
              onClick={() => setOpen(open === action ? null : action)}
            >
              {labelOf(action, visit)}
            </Button>
          ),
        )}
      </div>
      {problem && (
        <p role="alert" className="mb-4 text-stop">
          {problem}
        </p>
      )}
      <div id={formId}>
        {Form && <Form key={open} visit={visit} onKept={() => setOpen(null)} />}
      </div>
    </div>
  );
};
