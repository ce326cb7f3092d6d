import { stepsOf, tickOf } from '../../core/job';
import type { Step } from '../../core/job/procedure';
import { Button } from '../parts/Button';
import { useKeys } from '../parts/keys';
import { useMainWorking } from '../shared/working';
import { useJob } from '../shared/job-context';
import { useSpeech } from '../shared/speak';
import { BatchList } from './BatchList';
import { useBatch } from './use-batch';
import { useAutoAdvance } from './use-auto-advance';
import { BackFigures } from './back/BackFigures';
import { ChainPicture } from './back/ChainPicture';
import { NextFastener, NextWays } from './back/NextFastener';
import { backModeOf, backWordsOf, TORQUE, type BackMode } from './back/back-mode';
import { useTorqueBatch } from './back/use-torque-batch';
import { useTorqueWalk } from './back/use-torque-walk';
import { FastenerRow } from './FastenerRow';
import { Cautions, JobDial, StationLayout } from './StationLayout';
import { StepNeeds } from './StepNeeds';
import { StepReading } from './StepReading';

/** The chain where it is measured, else the wheel. */
const Picture = ({ step }: { step: Step | undefined }) => {
  const { state } = useJob();
  const { slack, marks } = state;
  if (step?.reads !== 'chain') return <JobDial step={step} />;
  return (
    <>
      <ChainPicture before={slack.before} after={slack.after} marks={marks} />
      <JobDial step={step} className="lg:max-h-[280px]" letters={1.45} />
    </>
  );
};

/** The wheel goes back in the order of the work: fit-up, chain, torque twice round, brake, spin. */
export const WheelBack = () => {
  const { state, machine, write, goTo } = useJob();
  const walk = useTorqueWalk();
  const steps = stepsOf(state, 'wheel-back');
  const current = steps.find((s) => !state.steps[s.id]);
  // What comes after the torque is not written with what comes before it.
  const torqueAt = steps.findIndex((s) => s.id === TORQUE);
  const isBefore = current !== undefined && steps.indexOf(current) < torqueAt;
  const plain = useBatch(steps.filter((s, i) => !state.steps[s.id] && i < torqueAt === isBefore));
  const batch = current && plain?.steps.includes(current) ? plain : null;
  const torques = useTorqueBatch(walk);
  const mode = backModeOf({ current, walk, batch, torques, isLoose: machine.loose });
  const { now, why, label } = backWordsOf(mode);
  useMainWorking(
    walk.next ? `the wrench for ${walk.next.fastener.name}` : 'the wrench',
    walk.next?.choice ?? walk.rows.find((r) => r.choice)?.choice ?? null,
  );
  const run: Record<BackMode['is'], () => unknown> = {
    loose: () => goTo('hand-over'),
    done: () => goTo('hand-over'),
    steps: () => batch?.write(),
    fasteners: () => torques?.write(),
    fastener: () => walk.keepNext(),
    round: () => walk.keepRound(TORQUE),
    step: () => current && write(tickOf(current.id)),
  };
  useAutoAdvance(current === undefined, 'hand-over');
  useSpeech(now);
  const go = () => void run[mode.is]();
  useKeys([
    {
      key: 'n',
      label: mode.is === 'fastener' ? `${label}: ${mode.row.fastener.name}` : label,
      run: go,
    },
  ]);
  const list = mode.is === 'steps' || mode.is === 'fasteners' ? mode.batch : null;
  return (
    <StationLayout
      picture={<Picture step={current} />}
      lead={
        current
          ? `Step ${steps.indexOf(current) + 1} of ${steps.length}`
          : machine.loose
            ? undefined
            : `All ${steps.length} steps done`
      }
      now={now}
      why={why}
      act={
        <>
          {current?.caution && mode.is === 'step' && (
            <div className="-mt-1 mb-3">
              <Cautions list={[current.caution]} />
            </div>
          )}
          {mode.is === 'fastener' && <NextFastener row={mode.row} walk={walk} />}
          {list && (
            <BatchList
              rows={list.rows}
              left={list.left}
              toggle={list.toggle}
              endRef={list.endRef}
              isSeen={list.isSeen}
            />
          )}
          {mode.is === 'step' && <StepNeeds step={mode.step} className="mb-3" />}
          <div className="flex flex-wrap gap-3">
            <Button go hotkey="N" disabled={mode.is === 'fastener' && !mode.isSure} onClick={go}>
              {label}
            </Button>
            {mode.is === 'fastener' && <NextWays row={mode.row} walk={walk} />}
            <StepReading step={current} />
          </div>
        </>
      }
    >
      <BackFigures />
      <ul className="rows mt-2" aria-label="Fasteners">
        {walk.rows.map(({ fastener, choice }) => (
          <FastenerRow
            key={fastener.name}
            fastener={fastener}
            choice={choice}
            isNext={fastener === walk.next?.fastener}
            onKeep={(how, wrench) => void walk.keep(fastener, how, wrench)}
          />
        ))}
      </ul>
      <Cautions
        list={[
          'Pump the brake until it is firm before the machine rolls.',
          'Dry values are for dry threads: oil or anti-seize raises the clamp force. The manual decides.',
        ]}
      />
    </StationLayout>
  );
};
