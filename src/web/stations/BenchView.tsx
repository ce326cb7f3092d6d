import { useMemo } from 'react';
import { Link, useNavigate } from 'react-router';
import { STATION_WORDS, STEP_STATIONS, wheelCutAt } from '../../core/job';
import { Button } from '../parts/Button';
import { useSpeech } from '../shared/speak';
import { counted } from '../../core/base/units';
import { KeyHelp } from '../parts/KeyHelp';
import { useKeys } from '../parts/keys';
import { Reasons } from '../shared/Reasons';
import { useMainWorking } from '../shared/working';
import { useJob } from '../shared/job-context';
import { BatchList } from './BatchList';
import { Bites } from './Bites';
import { RingPanel } from './ring/RingPanel';
import { Schools } from './Schools';
import { Cautions, JobDial } from './StationLayout';
import { StepCut } from './StepCut';
import { StepNeeds } from './StepNeeds';
import { StepReading } from './StepReading';
import { StepTime } from './StepTime';
import { Trouble } from './Trouble';
import { useBites } from './use-bites';
import { useTireOrientation } from './use-tire-orientation';
import { useSteps } from './use-steps';

/**
 * One step, as large as the screen: to be read at two metres, with dirty gloves, by key or pedal.
 */
export const BenchView = ({ onTurn, onUndo }: { onTurn: () => void; onUndo: () => void }) => {
  const { job, state, station, sideUp } = useJob();
  const navigate = useNavigate();
  const { steps, current, index, next, isDone, held, batch, tick, back } = useSteps(
    (next) =>
      void navigate(`/jobs/${job.id}/${next}${STEP_STATIONS.includes(next) ? '/bench' : ''}`),
  );
  useSpeech(batch ? null : current?.say);
  const bites = useBites(current);
  const cut = useMemo(() => wheelCutAt(state, steps, index), [state, steps, index]);
  const lying = useTireOrientation(current);
  useMainWorking(lying ? 'turn over' : 'the bites', lying ?? bites.working);
  const out = `/jobs/${job.id}/${station}`;
  useKeys([
    { key: 'n', label: current ? 'Done, next step' : 'Next station', run: () => void tick() },
    { key: 'b', label: 'Back one step', run: back },
    { key: 'f', label: 'Leave the bench view', run: () => void navigate(out) },
    ...bites.keys,
  ]);
  const after = steps[index + 1];
  const turn = current?.sideUp && current.sideUp !== sideUp;
  return (
    <div className="flex min-h-full flex-col gap-3 px-5 pb-3">
      <div className="grid min-h-0 flex-1 gap-x-8 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.05fr)]">
        <section
          className="order-2 mx-auto w-full max-w-[680px] self-center lg:order-1"
          aria-label="The wheel"
        >
          <JobDial step={current} bite={bites.bite?.n ?? 0} />
        </section>
        <section className="order-1 min-w-0 self-center lg:order-2">
          <div className="mb-2 flex flex-wrap items-baseline gap-x-5">
            <p className="head text-[20px] text-water">
              {STATION_WORDS[station]},{' '}
              {current ? `step ${index + 1} of ${steps.length}` : 'all done'}
              {isDone && ', done'}
            </p>
            <StepTime />
          </div>
          <h2 className="text-[50px] leading-[1.04] max-lg:text-[34px]" aria-live="polite">
            {batch
              ? `${counted(batch.steps.length - batch.left.size, 'step')}, as shown.`
              : current
                ? current.say
                : `Next: ${STATION_WORDS[next]}.`}
          </h2>
          {current && !batch && (
            <p className="mt-3 text-[22px] text-ink2 max-lg:text-[18px]">{current.why}</p>
          )}
          {batch && (
            <BatchList
              rows={batch.rows}
              left={batch.left}
              toggle={batch.toggle}
              endRef={batch.endRef}
              isSeen={batch.isSeen}
            />
          )}
          {turn && (
            <p className="mt-2 text-[20px] font-semibold text-check">
              {current.sideUp === 'other' ? 'Disc side down for this.' : 'Disc side up for this.'}
            </p>
          )}
          {current?.caution && <Cautions big list={[current.caution]} />}
          {held && <Reasons reasons={held.result.reasons.slice(0, 1)} className="mt-3" />}
          {lying && (
            <Reasons reasons={lying.result.reasons} className="mt-3 border-l-4 border-water pl-3" />
          )}
          <Bites bites={bites} big />
          <RingPanel step={current} big />
          {current && !batch && <StepNeeds step={current} className="mt-4" />}
          <p className="mt-4 border-t-2 border-ink pt-2 text-[18px] text-ink2">
            {current && `Next: ${after ? after.say : STATION_WORDS[next]}`}
          </p>
          {cut && (
            <StepCut
              cut={cut}
              act={`${current?.id} ${bites.bite?.n ?? 0}`}
              className="mt-6 hidden [@media(min-width:1024px)_and_(min-height:960px)]:block"
            />
          )}
        </section>
      </div>
      <nav
        className="flex items-center gap-2 overflow-x-auto border-t border-stone3 bg-stone py-2 max-lg:sticky max-lg:bottom-0 lg:pb-0"
        aria-label="At the bench"
      >
        <Button
          go
          hotkey="N"
          className="shrink-0 !px-7"
          disabled={held !== null}
          onClick={() => void tick()}
        >
          {batch ? 'All done as shown' : !current ? STATION_WORDS[next] : isDone ? 'Next' : 'Done'}
        </Button>
        <Button hotkey="B" className="shrink-0" disabled={index === 0} onClick={back}>
          Back
        </Button>
        <Button hotkey="U" className="shrink-0" onClick={onUndo}>
          Undo
        </Button>
        <Button hotkey="T" className="shrink-0" onClick={onTurn}>
          Turn over
        </Button>
        <Trouble {...(current ? { first: current.troubles } : {})} />
        <span className="flex shrink-0 items-center gap-2">
          <StepReading step={current} />
          <Schools />
        </span>
        <span className="ml-auto flex shrink-0 items-center gap-3">
          <Link className="btn" to={out}>
            Station{' '}
            <kbd className="keycap max-sm:hidden" aria-hidden="true">
              F
            </kbd>
          </Link>
          <KeyHelp />
        </span>
      </nav>
    </div>
  );
};
