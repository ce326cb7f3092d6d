import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { HIGHEST_CEILING_KPA } from '../../../core/bench/pressure';
import { Button } from '../../parts/Button';
import { QuantityField, TextField } from '../../shared/fields';
import { useUnits } from '../../shared/quantity';
import { Sheet } from '../../parts/Sheet';
import { useJob } from '../../shared/job-context';
import { useApp } from '../../store';

/**
 * The other school's ceiling for this one job: a number, a name and a reason, and it stands in the
 * log.
 */
export const CeilingSheet = () => {
  const { write } = useJob();
  const who = useApp((s) => s.prefs.who);
  const { read, say, write: show } = useUnits();
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState(show(HIGHEST_CEILING_KPA, 'kPa', 0));
  const [by, setBy] = useState(who);
  const [why, setWhy] = useState('');
  const [tried, setTried] = useState(false);
  const kpa = read(typed, 'kPa');
  // 50 psi as typed is a hair more than 344.74 kPa.
  const fits = kpa !== null && kpa >= 20 && kpa < HIGHEST_CEILING_KPA + 0.05;
  const keep = async () => {
    setTried(true);
    if (!fits || !by.trim() || !why.trim()) return;
    if (
      await write(
        [
          {
            kind: 'seat-ceiling',
            data: {
              ceilingKpa: Math.min(kpa, HIGHEST_CEILING_KPA),
              by: by.trim(),
              why: why.trim(),
            },
          },
        ],
        'Limit raised for this job.',
      )
    )
      setOpen(false);
  };
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <button
          type="button"
          className="-my-2 inline-flex min-h-12 min-w-12 cursor-pointer items-center"
        >
          <span className="basis">Raise limit</span>
        </button>
      </Dialog.Trigger>
      <Sheet title="Raise the limit for this job" closes="Close without raising">
        <p className="mb-3">
          Two methods: the shop ceiling, or up to {say(HIGHEST_CEILING_KPA, 'kPa')} by a named
          person who takes responsibility and gives a reason. A lower sidewall or rim limit always
          wins.
        </p>
        <form
          className="space-y-3"
          onSubmit={(e) => {
            e.preventDefault();
            void keep();
          }}
        >
          <QuantityField
            label="Ceiling"
            unit="kPa"
            value={typed}
            onChange={setTyped}
            problem={
              tried && !fits
                ? `From ${say(20, 'kPa')} to ${say(HIGHEST_CEILING_KPA, 'kPa')}, never more.`
                : null
            }
          />
          <TextField
            label="Who takes responsibility"
            value={by}
            onChange={setBy}
            maxLength={60}
            problem={tried && !by.trim() ? 'A name.' : null}
          />
          <TextField
            label="Why"
            value={why}
            onChange={setWhy}
            maxLength={200}
            problem={tried && !why.trim() ? 'Enter a reason.' : null}
          />
          <Button go type="submit">
            Raise limit
          </Button>
        </form>
        <p className="caution mt-4 text-[16px]">
          A bursting tire or rim kills. The maker’s manual and local codes come before this.
        </p>
      </Sheet>
    </Dialog.Root>
  );
};
