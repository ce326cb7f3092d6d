import { Check } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { STATION_WORDS, wheelCutAt } from '../../core/job';
import type { Step } from '../../core/job/procedure';
import { lockPlaces } from '../../core/fit/wheels';
import { Button } from '../parts/Button';
import { useSpeech } from '../shared/speak';
import { counted } from '../../core/base/units';
import { useKeys } from '../parts/keys';
import { Reasons } from '../shared/Reasons';
import { SectionDrawing } from '../pictures/SectionDrawing';
import { useMainWorking } from '../shared/working';
import { useJob } from '../shared/job-context';
import { useApp } from '../store';
import { selectUnsentIds } from '../store/job-selectors';
import { Bites } from './Bites';
import { RingPanel } from './ring/RingPanel';
import { Schools } from './Schools';
import { Cautions, JobDial, StationLayout } from './StationLayout';
import { StepCut } from './StepCut';
import { StepNeeds } from './StepNeeds';
import { StepReading } from './StepReading';
import { StepTime } from './StepTime';
import { BatchList } from './BatchList';
import { useBites } from './use-bites';
import { useTireOrientation } from './use-tire-orientation';
import { useSteps } from './use-steps';

/** Steps in sight at once, so that a station fits the screen. */
const WINDOW = 4;
/** Fewer where bites or the arrow are explained beside them. */
const WINDOW_BESIDE = 2;
/** Fewest where a ring is worked beside them. */
const WINDOW_RING = 1;

/** The wheel at a step: its dial, and its cut through the axle, with the beads where they are. */
const StepPicture = ({
  steps,
  index,
  bite,
}: {
  steps: readonly Step[];
  index: number;
  bite: number;
}) => {
  const step = steps[index];
  const { state, wheel } = useJob();
  const cut = useMemo(() => wheelCutAt(state, steps, index), [state, steps, index]);
  const isCrush =
    step?.reads === 'crush' && wheel.overallWidthMm !== null && wheel.backspaceMm !== null;
  if (!isCrush)
    return (
      <>
        <JobDial
          step={step}
          bite={bite}
          className={`max-lg:order-2 ${cut ? 'lg:max-h-[calc(100dvh-340px)]' : 'lg:max-h-[calc(100dvh-180px)]'}`}
          letters={cut ? 1.15 : 1}
        />
        {cut && (
          <StepCut
            cut={cut}
            act={`${step?.id} ${bite}`}
            className="mx-auto max-w-[600px] max-lg:order-4"
          />
        )}
      </>
    );
  return (
    <>
      <SectionDrawing wheel={wheel} beads={state.beads} className="w-full" />
      <JobDial step={step} bite={bite} className="lg:max-h-[280px]" letters={1.45} />
    </>
  );
};

/** The steps of a hands-on station for this wheel: one at a time, its neighbors in sight. */
export const Steps = () => {
  const { job, state, station, wheel, goTo } = useJob();
  const { steps, current, index, next, isDone, held, batch, look, tick } = useSteps(goTo);
  useSpeech(batch ? null : current?.say);
  const bites = useBites(current);
  const lying = useTireOrientation(current);
  useMainWorking(lying ? 'turn over' : 'the bites', lying ?? bites.working);
  const plan = bites.working;
  const [all, setAll] = useState(false);
  const waiting = useApp((s) => selectUnsentIds(s, job.id));
  const bench = `/jobs/${job.id}/${station}/bench`;
  const navigate = useNavigate();
  useKeys([
    { key: 'n', label: current ? 'Done, next step' : 'Next station', run: () => void tick() },
    { key: 'f', label: 'Full-screen bench view', run: () => void navigate(bench) },
    ...bites.keys,
  ]);

  const inSight = current?.shows === 'ring' ? WINDOW_RING : plan || lying ? WINDOW_BESIDE : WINDOW;
  const from = all
    ? 0
    : Math.max(0, Math.min(inSight > 2 ? index - 1 : index, steps.length - inSight));
  const shown = all ? steps : steps.slice(from, from + inSight);
  const notes = state.notes.filter((n) => n.station === station);
  const lockSaid = lockPlaces(wheel);
  return (
    <StationLayout
      split
      picture={<StepPicture steps={steps} index={index} bite={bites.bite?.n ?? 0} />}
      lead={
        current
          ? `Step ${index + 1} of ${steps.length}`
          : steps.length === 0
            ? 'Loose wheel: nothing to do here'
            : `All ${steps.length} steps done`
      }
      now={
        batch
          ? `${counted(batch.steps.length - batch.left.size, 'step')}, as shown.`
          : current
            ? current.say
            : `Next: ${STATION_WORDS[next]}.`
      }
      why={
        batch
          ? 'Untap any step you did not do. Safety steps and readings come one at a time.'
          : current?.why
      }
      act={
        <>
          {current?.caution && (
            <div className="-mt-1 mb-3">
              <Cautions list={[current.caution]} />
            </div>
          )}
          {held && <Reasons reasons={held.result.reasons.slice(0, 1)} className="mb-3" />}
          {current && !batch && <StepNeeds step={current} className="mb-3" />}
          {batch && (
            <BatchList
              rows={batch.rows}
              left={batch.left}
              toggle={batch.toggle}
              endRef={batch.endRef}
              isSeen={batch.isSeen}
            />
          )}
          <div className="flex flex-wrap gap-3">
            <Button go hotkey="N" disabled={held !== null} onClick={() => void tick()}>
              {batch
                ? 'All done as shown'
                : !current
                  ? STATION_WORDS[next]
                  : isDone
                    ? 'Next'
                    : 'Done'}
            </Button>
            <StepReading step={current} />
            <Schools />
          </div>
        </>
      }
    >
      {lying && (
        <Reasons reasons={lying.result.reasons} className="mt-4 border-l-4 border-water pl-3" />
      )}
      <Bites bites={bites} />
      <RingPanel step={current} />
      {!batch && (
        <ol className="rows mt-3" aria-label="Steps">
          {shown.map((s) => {
            const done = state.steps[s.id];
            const isWaiting = done !== undefined && waiting.has(done.entryId);
            return (
              <li key={s.id} className="border-b border-stone3">
                <button
                  type="button"
                  aria-current={s === current ? 'step' : undefined}
                  className={`flex min-h-12 w-full cursor-pointer items-center gap-3 py-1 text-left text-[16px] leading-tight hover:bg-stone2 ${s === current ? 'font-bold' : done ? 'text-ink2' : ''}`}
                  onClick={() => look(s.id)}
                >
                  <span
                    className={`grid h-6 w-6 shrink-0 place-items-center rounded-b-lg border-2 border-t-0 ${isWaiting ? 'border-check text-check' : done ? 'border-water bg-water text-paper' : 'border-edge'}`}
                  >
                    {done && <Check size={16} strokeWidth={3.5} aria-hidden="true" />}
                  </span>
                  <span className="sr-only">
                    {done ? 'done: ' : `step ${steps.indexOf(s) + 1}: `}
                  </span>
                  <span className="line-clamp-2">{s.say}</span>
                  {isWaiting && (
                    <span className="ml-auto shrink-0 font-semibold text-check">unsent</span>
                  )}
                </button>
              </li>
            );
          })}
        </ol>
      )}
      <div className="flex flex-wrap items-center gap-x-4">
        {steps.length > WINDOW_BESIDE && (
          <button
            type="button"
            className="min-h-12 cursor-pointer underline"
            aria-expanded={all}
            onClick={() => setAll(!all)}
          >
            {all ? 'Only the steps around this one' : `All ${steps.length} steps`}
          </button>
        )}
        <Link to={bench} className="inline-flex min-h-12 items-center gap-2">
          Bench view{' '}
          <kbd className="keycap max-sm:hidden" aria-hidden="true">
            F
          </kbd>
        </Link>
        <StepTime />
      </div>
      {lockSaid && station !== 'wheel-off' && !plan && (
        <p className="mt-1 text-[16px] text-ink2">
          Rim lock at {lockSaid}, seen from the disc side.
        </p>
      )}
      {notes.length > 0 && (
        <ul className="mt-3 space-y-1 text-[16px]">
          {notes.map((n) => (
            <li key={n.entryId}>
              <span className="text-ink2">{n.who}:</span> {n.text}
            </li>
          ))}
        </ul>
      )}
    </StationLayout>
  );
};
