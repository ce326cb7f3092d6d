import { useMemo, useState } from 'react';
import {
  hiddenSidewall,
  isAnswered,
  judgeAnswer,
  TOPICS,
  TOPIC_WORDS,
  type SidewallAct,
  type SidewallLevel,
} from '../../../core/practice';
import type { FitContext, Topic } from '../../../core/bench/fitting';
import { TREAD_WORDS } from '../../../core/fit/tires';
import { readRimCode } from '../../../core/fit/wheels';
import { Button } from '../../parts/Button';
import { ChoiceField } from '../../shared/fields';
import { useKeys } from '../../parts/keys';
import { VerdictShape } from '../../parts/VerdictMark';
import { EndButton } from './EndButton';
import type { RunProps } from './run-props';
import { useRound } from './use-round';

const WHY = TOPICS.map((topic) => [topic, TOPIC_WORDS[topic]] as const);

/** The wheel and what its machine asks for. */
const Wheel = ({ wheel }: { wheel: FitContext }) => {
  const rows = [
    ['Comes off', wheel.from],
    ['Rim', `${readRimCode(wheel.rimCode).canonical}, ${wheel.build}`],
    ['Goes on', `${wheel.end}, ${wheel.tube ? 'with a tube' : 'tubeless'}`],
    ['Spec', `load index ${wheel.minLoadIndex}, speed ${wheel.minSpeedSymbol}`],
    ['Checked on', wheel.onDate],
  ] as const;
  return (
    <dl className="flex flex-wrap gap-x-8 gap-y-1">
      {rows.map(([says, value]) => (
        <div key={says}>
          <dt className="text-[15px] text-ink2">{says}</dt>
          <dd className="num">{value}</dd>
        </div>
      ))}
    </dl>
  );
};

/**
 * Sidewalls on the screen: which one suits, which one must be refused, and why; an answer is judged
 * at once.
 */
export const SidewallRun = ({ at, who, onDone }: RunProps) => {
  const { acts, act, tookS } = useRound<SidewallAct>(at, who);
  const hidden = useMemo(
    () => hiddenSidewall(at.seed, at.level as SidewallLevel),
    [at.seed, at.level],
  );
  const [tire, setTire] = useState(1);
  const [why, setWhy] = useState<Topic>('size');
  const judged = acts.map((it) => judgeAnswer(hidden, it));
  const answered = (what: SidewallAct['do']) =>
    acts.some((it, i) => it.do === what && judged[i]!.right);
  const isDone = isAnswered(hidden, acts);
  const say = (it: SidewallAct) => () => !isDone && act(it);
  const fits = say({ do: 'fits', tire });
  const refuse = say({ do: 'refuse', tire, why });
  const done = () => onDone(acts, tookS());
  useKeys([
    ...hidden.tires.map((_, i) => ({
      key: String(i + 1),
      label: `Pick tire ${i + 1}`,
      run: () => setTire(i + 1),
    })),
    { key: 'f', label: 'The picked tire fits', run: () => void fits() },
    { key: 'r', label: 'Refuse the picked tire', run: () => void refuse() },
    { key: 'n', label: 'Done: show results', run: done },
  ]);
  return (
    <div className="grid gap-x-10 gap-y-5 lg:grid-cols-[minmax(0,1fr)_400px]">
      <section aria-label="The rack">
        <Wheel wheel={hidden.wheel} />
        <fieldset className="mt-4 grid gap-2">
          <legend className="mb-1 text-[15px] text-ink2">
            Which tire fits? Which must be refused?
          </legend>
          {hidden.tires.map(({ marking, tread, dateCode }, i) => (
            <label
              key={i}
              className={`grid cursor-pointer grid-cols-[28px_1fr] items-center gap-x-3 border-2 px-4 py-3 ${tire === i + 1 ? 'border-water' : 'border-stone3'}`}
            >
              <input
                type="radio"
                name="tire"
                className="h-6 w-6 accent-[var(--water)]"
                checked={tire === i + 1}
                onChange={() => setTire(i + 1)}
              />
              <span>
                <span className="num block text-[26px] leading-tight">{marking}</span>
                <span className="text-ink2">
                  tire {i + 1} · {TREAD_WORDS[tread]} · date code {dateCode}
                </span>
              </span>
            </label>
          ))}
        </fieldset>
      </section>
      <section aria-label="Your answers" className="grid content-start gap-4">
        {!isDone && (
          <>
            <Button go hotkey="F" disabled={answered('fits')} onClick={fits}>
              Tire {tire} suits
            </Button>
            <div className="grid grid-cols-[1fr_auto] items-end gap-2">
              <ChoiceField
                label="Refused for"
                value={why}
                onChange={(v) => setWhy(v as Topic)}
                options={WHY}
              />
              <Button hotkey="R" disabled={answered('refuse')} onClick={refuse}>
                Refuse tire {tire}
              </Button>
            </div>
          </>
        )}
        <EndButton isOver={isDone} onEnd={done} />
        <ol aria-label="Answers so far" aria-live="polite" className="grid gap-2">
          {acts.map((it, i) => (
            <li key={i} className="grid grid-cols-[28px_1fr] gap-2">
              <VerdictShape verdict={judged[i]!.right ? 'good' : 'check'} size={20} />
              <span>
                {it.do === 'fits'
                  ? `Tire ${it.tire} fits`
                  : `Tire ${it.tire} refused for ${TOPIC_WORDS[it.why]}`}
                : {judged[i]!.right ? 'right.' : 'no.'}{' '}
                {it.do === 'fits' && (
                  <span className="text-ink2">{judged[i]!.reasons[0]?.says}</span>
                )}
              </span>
            </li>
          ))}
        </ol>
      </section>
    </div>
  );
};
