import { nanoid } from '@reduxjs/toolkit';
import { useState, type ReactNode } from 'react';
import { parseMoney } from '../../../core/base/units';
import type { VisitEntryBody, VisitSummary } from '../../../core/shop/visit';
import { Button } from '../../parts/Button';
import { ApprovalPin } from '../../shared/ApprovalPin';
import { TextField } from '../../shared/fields';
import { useApproval } from '../../shared/use-approval';
import { selectCurrency, today, useApp } from '../../store';
import { useWriteVisitMutation } from '../../store/visits-api';
import { serverProblem } from '../../shared/server-problem';
import { dueFrom } from './due-from';

type Writing = Pick<VisitEntryBody, 'kind' | 'data'>;

/** Writes into the visit's log; says the refusal where there is one. */
export const useWriteVisit = (visit: VisitSummary) => {
  const who = useApp((s) => s.prefs.who);
  const [send] = useWriteVisitMutation();
  return async (writing: Writing): Promise<string | null> => {
    try {
      const entries = [{ ...writing, id: nanoid(), who }] as VisitEntryBody[];
      await send({ id: visit.id, expectedSeq: visit.lastSeq, entries }).unwrap();
      return null;
    } catch (error) {
      return serverProblem(error);
    }
  };
};

/** The props of each form; `onKept` once the log has its entry. */
export interface FormProps {
  visit: VisitSummary;
  onKept: () => void;
}

/** One thing to write down: its fields, its button, and what is wrong with it. */
const OneForm = ({
  keeps,
  read,
  visit,
  onKept,
  children,
}: {
  keeps: string;
  /** Reads what was typed, or gives the sentence that says what is wrong. */
  read: () => Writing | string | Promise<Writing | string>;
  visit: VisitSummary;
  onKept: () => void;
  children: ReactNode;
}) => {
  const write = useWriteVisit(visit);
  const [problem, setProblem] = useState<string | null>(null);
  const keep = async () => {
    const told = await read();
    const refused = typeof told === 'string' ? told : await write(told);
    setProblem(refused);
    if (refused === null) onKept();
  };
  return (
    <form
      className="mb-4 flex flex-wrap items-end gap-3"
      aria-label={keeps}
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      {children}
      <Button type="submit">{keeps}</Button>
      {problem && (
        <p role="alert" className="w-full text-stop">
          {problem}
        </p>
      )}
    </form>
  );
};

/** When it is promised. */
export const PromiseForm = ({ visit, onKept }: FormProps) => {
  const [day, setDay] = useState(today);
  const [time, setTime] = useState('');
  const read = () => {
    const dueAt = dueFrom(day, time);
    if (dueAt instanceof Error) return dueAt.message;
    return dueAt === null
      ? 'Promised for: enter a time such as 3:30 PM.'
      : { kind: 'promised' as const, data: { dueAt } };
  };
  return (
    <OneForm keeps="Save promise" visit={visit} read={read} onKept={onKept}>
      <TextField label="Promised for" type="date" value={day} onChange={setDay} />
      <TextField label="At" type="time" value={time} onChange={setTime} />
    </OneForm>
  );
};

/** The reason it is on hold, and until when if known. */
export const WaitsForm = ({ visit, onKept }: FormProps) => {
  const [what, setWhat] = useState('');
  const [day, setDay] = useState(today);
  const [time, setTime] = useState('');
  const read = () => {
    const text = what.trim();
    if (text === '') return 'On hold for what? A part, a hot exhaust, the rider’s OK.';
    const until = dueFrom(day, time, 'When it is expected');
    return until instanceof Error
      ? until.message
      : { kind: 'waits' as const, data: { what: text, until } };
  };
  return (
    <OneForm keeps="Put on hold" visit={visit} read={read} onKept={onKept}>
      <TextField label="On hold for" value={what} onChange={setWhat} maxLength={120} />
      <TextField label="Expected" type="date" value={day} onChange={setDay} />
      <TextField label="Time, about" type="time" value={time} onChange={setTime} />
    </OneForm>
  );
};

/** The approved cost, and who approved it. */
export const AgreedForm = ({ visit, onKept }: FormProps) => {
  const currency = useApp(selectCurrency);
  const [amount, setAmount] = useState('');
  const [by, setBy] = useState(visit.rider);
  const approval = useApproval(visit.id, visit.rider);
  const read = async () => {
    const amountMinor = parseMoney(amount, currency);
    if (amountMinor === null) return 'Amount: enter a price such as 120.50.';
    if (by.trim() === '') return 'Approved by is empty. Enter a name.';
    const refused = await approval.approve(by.trim());
    if (refused !== null) return refused;
    return { kind: 'agreed' as const, data: { amountMinor, currency, by: by.trim() } };
  };
  return (
    <OneForm keeps="Save approval" visit={visit} read={read} onKept={onKept}>
      <TextField
        label={`Approved up to, ${currency}`}
        value={amount}
        onChange={setAmount}
        maxLength={14}
      />
      <TextField label="Approved by" value={by} onChange={setBy} maxLength={80} />
      <ApprovalPin approval={approval} name={by.trim()} />
    </OneForm>
  );
};

/** Anything else worth keeping. */
export const NoteForm = ({ visit, onKept }: FormProps) => {
  const [text, setText] = useState('');
  return (
    <OneForm
      keeps="Save note"
      visit={visit}
      read={() =>
        text.trim() === ''
          ? 'The note is empty. Enter it.'
          : { kind: 'note', data: { text: text.trim() } }
      }
      onKept={onKept}
    >
      <div className="min-w-0 flex-1 basis-60">
        <TextField label="A note" value={text} onChange={setText} maxLength={2000} />
      </div>
    </OneForm>
  );
};
