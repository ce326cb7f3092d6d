import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { stepsOf } from '../../core/job';
import { canHave, SYMPTOMS, SYMPTOM_WORDS, trouble, type Symptom } from '../../core/job/procedure';
import { tireSize } from '../../core/fit/tires';
import { tryRimCode } from '../../core/fit/wheels';
import { attempt } from '../../core/base/working';
import { Button } from '../parts/Button';
import { useKeys } from '../parts/keys';
import { BasisTag } from '../shared/working';
import { useJob } from '../shared/job-context';
import { useDo } from '../store';
import { shopChanged } from '../store/records-api';
import { Sheet } from '../parts/Sheet';

/** The rim assumed if neither rim nor tire tells: no small wheel. */
const USUAL_RIM_IN = 18;

/**
 * When it will not go on: what is seen, what to look at in the order of likelihood, and what cured
 * it.
 */
export const Trouble = ({ first: given }: { first?: readonly Symptom[] }) => {
  const { state, station, wheel, shop, write } = useJob();
  const dispatch = useDo();
  const steps = stepsOf(state, station);
  const [open, setOpen] = useState(false);
  const [symptom, setSymptom] = useState<Symptom | null>(null);
  useKeys([{ key: 'x', label: 'Trouble: it will not go on', run: () => setOpen(true) }]);
  // The step at hand knows its own best; then what comes up at the station.
  const atStep = steps.find((s) => !state.steps[s.id])?.troubles ?? [];
  const first = [...new Set([...(given ?? atStep), ...steps.flatMap((s) => s.troubles)])];
  const order = [
    ...first,
    ...SYMPTOMS.filter((s) => !first.includes(s) && canHave(s, wheel.build)),
  ];
  const size = attempt(tireSize, { marking: wheel.tireMarking });
  const found = symptom
    ? attempt(trouble, {
        symptom,
        build: wheel.build,
        tube: state.chosen?.tube ?? wheel.tube,
        rimLocks: wheel.rimLockDegs.length,
        rimDiameterIn:
          tryRimCode(wheel.rimCode)?.rimDiameterIn ??
          (size.ok ? size.working.result.rimDiameterIn : USUAL_RIM_IN),
        disc: wheel.discSide !== 'none',
        cures: [...shop.cures],
      })
    : null;
  const close = () => {
    setOpen(false);
    setSymptom(null);
  };
  const end = async (curedBy: string | null) => {
    const done = await write(
      [{ kind: 'trouble', data: { symptom: symptom!, curedBy } }],
      curedBy ? 'Fixed. Saved for next time.' : 'Trouble saved.',
    );
    if (!done) return;
    close();
    await dispatch(shopChanged());
  };
  return (
    <Dialog.Root open={open} onOpenChange={(is) => (is ? setOpen(true) : close())}>
      <Dialog.Trigger asChild>
        <Button className="shrink-0" hotkey="X">
          Trouble
        </Button>
      </Dialog.Trigger>
      <Sheet
        title={symptom ? `${SYMPTOM_WORDS[symptom]}.` : 'Stop. What do you see?'}
        closes="Close trouble"
      >
        {!symptom && (
          <div className="grid gap-2 sm:grid-cols-2">
            {order.map((s) => (
              <Button key={s} className="!justify-start text-left" onClick={() => setSymptom(s)}>
                {SYMPTOM_WORDS[s]}
              </Button>
            ))}
          </div>
        )}
        {found?.ok && (
          <>
            <ul className="caution space-y-1">
              {found.working.cautions.map((c) => (
                <li key={c}>{c}</li>
              ))}
            </ul>
            <ol className="rows mt-4" aria-label="Check these, most likely first">
              {found.working.result.checks.map((c, i) => (
                <li key={c.id} className="flex items-start gap-3 border-b border-stone3 py-2.5">
                  <span className="num w-6 pt-0.5 text-right text-ink2">{i + 1}</span>
                  <div className="min-w-0 flex-1">
                    <p className="text-[18px] font-semibold">{c.check}</p>
                    <p className="text-[16px] text-ink2">
                      {c.why}
                      {c.likelier && ` More likely here: ${c.likelier}.`}
                      {c.cured > 0 &&
                        ` Fixed it in this shop ${c.cured === 1 ? 'once' : `${c.cured} times`}.`}
                    </p>
                  </div>
                  <Button
                    small
                    className="shrink-0"
                    aria-label={`Fixed by: ${c.check}`}
                    onClick={() => void end(c.id)}
                  >
                    This fixed it
                  </Button>
                </li>
              ))}
            </ol>
            {found.working.result.checks.length === 0 && (
              <p className="py-4">This wheel doesn’t have that part.</p>
            )}
            <div className="mt-4 flex flex-wrap items-center gap-3">
              <Button onClick={() => void end(null)}>None of these</Button>
              <Button onClick={() => setSymptom(null)}>Something else</Button>
              <BasisTag title="the order of the checks" working={found.working}>
                why this order
              </BasisTag>
            </div>
          </>
        )}
      </Sheet>
    </Dialog.Root>
  );
};
