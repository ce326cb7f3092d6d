import { valueWord } from '../../core/base/value-words';
import { Dialog } from 'radix-ui';
import { schoolsOf } from '../../core/job';
import { findRule } from '../../core/base/rules';
import { Button } from '../parts/Button';
import { useJob } from '../shared/job-context';
import { Sheet } from '../parts/Sheet';

/**
 * The methods on which fitters disagree: what this job does, why others do it otherwise, and what a change would
 * change.
 */
export const Schools = () => {
  const { state, write } = useJob();
  return (
    <Dialog.Root>
      <Dialog.Trigger asChild>
        <Button>Methods</Button>
      </Dialog.Trigger>
      <Sheet title="Methods for this job" closes="Close methods">
        <p className="text-[16px] text-ink2">
          The shop’s methods are under Rules. A change here applies to this job only and is logged.
        </p>
        {schoolsOf(state).map(({ school, value, why, others }) => (
          <section key={school} className="mt-4 border-t-2 border-ink pt-2">
            <h3 className="text-xl">{findRule(school).says}</h3>
            <p className="text-[16px]">
              <span className="font-semibold text-water">{valueWord(value)}</span> {why}{' '}
              <span className="text-ink2">{findRule(school).note}</span>
            </p>
            <ul>
              {others.map((o) => (
                <li key={o.value} className="flex items-start gap-3 border-t border-stone3 py-1.5">
                  <Button
                    small
                    className="shrink-0"
                    onClick={() =>
                      void write(
                        [{ kind: 'school', data: { school, value: o.value } }],
                        `For this job: ${valueWord(o.value)}.`,
                      )
                    }
                  >
                    {valueWord(o.value)}
                  </Button>
                  <div className="pt-1 text-[15px] leading-snug text-ink2">
                    <p className="text-ink">{o.why}</p>
                    {o.changes.length > 0 ? (
                      <ul>
                        {o.changes.map((c) => (
                          <li key={c}>{c}</li>
                        ))}
                      </ul>
                    ) : (
                      <p>changes no step for this wheel</p>
                    )}
                  </div>
                </li>
              ))}
            </ul>
          </section>
        ))}
      </Sheet>
    </Dialog.Root>
  );
};
