import { nanoid } from '@reduxjs/toolkit';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { POSITION_WORDS, type Machine, type Wheel } from '../../../core/fit/wheels';
import { Button } from '../../parts/Button';
import { TextField } from '../../shared/fields';
import { Sheet } from '../../parts/Sheet';
import { SheetFoot } from '../../parts/SheetFoot';
import { today, useApp } from '../../store';
import { useOpenVisitMutation } from '../../store/visits-api';
import { serverProblem } from '../../shared/server-problem';
import { dueFrom } from './due-from';

/**
 * A machine that comes in with several wheels: which of them, what is wanted, and when it is
 * promised.
 */
const Form = ({ machine, wheels }: { machine: Machine; wheels: readonly Wheel[] }) => {
  const who = useApp((s) => s.prefs.who);
  const navigate = useNavigate();
  const [openVisit, { isLoading }] = useOpenVisitMutation();
  // Made once: sent again after a lost answer it is the same visit.
  const [ids] = useState(() => ({
    visit: nanoid(),
    jobs: new Map(wheels.map((w) => [w.id, nanoid()])),
  }));
  const [taken, setTaken] = useState<readonly string[]>(() => wheels.map((w) => w.id));
  const [wanted, setWanted] = useState('');
  const [day, setDay] = useState(today);
  const [time, setTime] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const toggle = (id: string) =>
    setTaken((all) => (all.includes(id) ? all.filter((x) => x !== id) : [...all, id]));
  const keep = async () => {
    if (!who) return setProblem('Choose who’s working first: tap the initials, top right.');
    if (taken.length === 0) return setProblem('No wheel selected. Select at least one.');
    const dueAt = dueFrom(day, time);
    if (dueAt instanceof Error) return setProblem(dueAt.message);
    setProblem(null);
    try {
      const { visit } = await openVisit({
        id: ids.visit,
        machineId: machine.id,
        wheels: wheels
          .filter((w) => taken.includes(w.id))
          .map((w) => ({ jobId: ids.jobs.get(w.id)!, wheelId: w.id })),
        who,
        wanted: wanted.trim() || null,
        dueAt,
      }).unwrap();
      await navigate(`/jobs/${visit.wheels[0]!.jobId}/intake`);
    } catch (error) {
      setProblem(serverProblem(error));
    }
  };
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <fieldset className="mb-4">
        <legend className="mb-1 text-[15px] text-ink2">Wheels to work on</legend>
        <div className="flex flex-wrap gap-2">
          {wheels.map((w) => (
            <label key={w.id} className="btn cursor-pointer">
              <input
                type="checkbox"
                className="h-6 w-6 accent-[var(--water)]"
                checked={taken.includes(w.id)}
                onChange={() => toggle(w.id)}
              />
              {POSITION_WORDS[w.position]}
            </label>
          ))}
        </div>
      </fieldset>
      <div className="grid gap-3 sm:grid-cols-2">
        <div className="sm:col-span-2">
          <TextField
            label="Work requested"
            value={wanted}
            onChange={setWanted}
            maxLength={500}
            autoFocus
          />
        </div>
        <TextField label="Promised for" type="date" value={day} onChange={setDay} />
        <TextField
          label="At"
          type="time"
          value={time}
          onChange={setTime}
          hint="leave empty for no promise"
        />
      </div>
      <SheetFoot
        keeps={isLoading ? 'One moment' : 'Check in'}
        onKeep={() => void keep()}
        problem={problem}
      />
    </form>
  );
};

/** Opens the sheet for a machine. */
export const SeveralWheels = ({
  machine,
  wheels,
}: {
  machine: Machine;
  wheels: readonly Wheel[];
}) => (
  <Dialog.Root>
    <Dialog.Trigger asChild>
      <Button>
        Pick wheels<span className="sr-only"> of {machine.name}</span>
      </Button>
    </Dialog.Trigger>
    <Sheet title={`Check in ${machine.name}`} closes="Cancel" footed>
      <Form machine={machine} wheels={wheels} />
    </Sheet>
  </Dialog.Root>
);
