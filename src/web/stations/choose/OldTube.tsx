import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { tubeReuse } from '../../../core/fit/tubes';
import { attempt } from '../../../core/base/working';
import { QuantityField } from '../../shared/fields';
import { Reasons } from '../../shared/Reasons';
import { VerdictMark } from '../../parts/VerdictMark';
import { useJob } from '../../shared/job-context';
import { Sheet } from '../../parts/Sheet';

const CHECKS = [
  ['holdsAir', 'Holds air outside the tire, no hiss'],
  ['unchafed', 'No chafing on the inside, where the nipples rub'],
  ['valveSound', 'Valve is straight and not torn'],
] as const;

const whole = (text: string): number | null =>
  /^\d{1,2}$/.test(text.trim()) ? Number(text) : null;

/** The check list for an old tube, and whether reuse it by the shop's school. */
export const OldTube = () => {
  const { state } = useJob();
  const [ticked, setTicked] = useState<Record<string, boolean>>({});
  const [age, setAge] = useState('');
  const [patches, setPatches] = useState('0');
  const years = whole(age);
  const count = whole(patches);
  const result =
    years === null || count === null
      ? null
      : attempt(tubeReuse, {
          holdsAir: Boolean(ticked.holdsAir),
          chafed: !ticked.unchafed,
          valveSound: Boolean(ticked.valveSound),
          ageYears: years,
          patches: count,
          rules: state.rules,
        });
  return (
    <Dialog.Root>
      <Dialog.Trigger className="min-h-12 cursor-pointer text-[16px] underline">
        Check the old tube
      </Dialog.Trigger>
      <Sheet title="Reuse the old tube?" closes="Close the check list" widthPx={480}>
        {CHECKS.map(([key, says]) => (
          <label key={key} className="flex min-h-12 items-center gap-3">
            <input
              type="checkbox"
              className="h-6 w-6 shrink-0 accent-[var(--water)]"
              checked={Boolean(ticked[key])}
              onChange={(e) => setTicked((all) => ({ ...all, [key]: e.target.checked }))}
            />
            {says}
          </label>
        ))}
        <div className="mt-2 grid grid-cols-2 gap-3">
          <QuantityField
            label="Age in years"
            unit={null}
            value={age}
            onChange={setAge}
            problem={age.trim() && years === null ? 'Enter whole years, 0 to 40.' : null}
          />
          <QuantityField
            label="Patches"
            unit={null}
            value={patches}
            onChange={setPatches}
            problem={count === null ? 'Enter a whole number.' : null}
          />
        </div>
        <div className="mt-4" aria-live="polite">
          {result?.ok ? (
            <>
              <VerdictMark verdict={result.working.verdict!}>
                {result.working.result.again ? 'reuse it' : 'use a new one'}
              </VerdictMark>
              <Reasons reasons={result.working.result.reasons} className="mt-2" />
            </>
          ) : (
            <p className="text-ink2">{result ? result.problem.message : 'Enter how old it is.'}</p>
          )}
        </div>
      </Sheet>
    </Dialog.Root>
  );
};
