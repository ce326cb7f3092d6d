import { stepsOf } from '../../core/job';
import type { Step } from '../../core/procedure';
import { Button } from '../parts/Button';
import { useKeys } from '../parts/keys';
import { useMainWorking } from '../parts/working';
import { useJob } from '../parts/job-context';
import { counted } from '../../core/units';
import { useSpeech } from '../parts/speak';
import { BatchList } from './BatchList';
import { useBatch } from './use-batch';
import { BackFigures } from './back/BackFigures';
import { ChainPicture } from './back/ChainPicture';
import { NextFastener, NextWays } from './back/NextFastener';
import { useTorqueWalk, type TorqueWalk } from './back/use-torque-walk';
import { FastenerRow } from './FastenerRow';
import { Cautions, JobDial, StationLayout } from './StationLayout';
import { StepNeeds } from './StepNeeds';
import { StepReading } from './StepReading';

/** The step that the fasteners are tightened at. */
const TORQUE = 'back-torque';

interface Words {
  now: string;
  why: string;
}

/** What to do, and why: the step at hand, or the fastener that comes next. */
const wordsOf = (current: Step | undefined, walk: TorqueWalk, isLoose: boolean): Words => {
  if (isLoose)
    return {
      now: 'It came in loose.',
      why: 'Its rider puts it back: torque by the manual, twice round, and the brake pumped.',
    };
  if (current && current.id !== TORQUE) return { now: current.say, why: current.why };
  if (walk.rows.length === 0)
    return { now: 'No torque values are known.', why: 'Take them from the machine’s manual and note them.' };
  if (walk.next)
    return { now: `Next: ${walk.next.fastener.name}.`, why: 'Axle nut before pinch bolts. Values from the manual.' };
  if (walk.isSecondRound)
    return { now: 'Once more round, every one.', why: 'What the first round pulled together lets the others go.' };
  if (current) return { now: current.say, why: current.why };
  return { now: 'The wheel is back.', why: 'On to the papers.' };
};

/** The chain where it is measured, else the wheel. */
const Picture = ({ step }: { step: Step | undefined }) => {
  const { state } = useJob();
  const { slack, marks } = state;
  if (step?.reads !== 'chain') return <JobDial step={step} />;
  return (
    <>
      <ChainPicture before={slack.before} after={slack.after} marks={marks} />
      <JobDial step={step} className="lg:max-h-[280px]" />
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
  const isTorque = current?.id === TORQUE;
  const isWalking = isTorque && walk.rows.length > 0 && (walk.next !== undefined || walk.isSecondRound);
  useMainWorking(
    walk.next ? `the wrench for ${walk.next.fastener.name}` : 'the wrench',
    walk.next?.choice ?? walk.rows.find((r) => r.choice)?.choice ?? null,
  );
  const words = batch
    ? { now: `${counted(batch.steps.length - batch.left.size, 'step')}, as shown.`, why: 'Tap out what is not so.' }
    : wordsOf(current, walk, machine.loose);
  useSpeech(words.now);
  const go = () => {
    if (!current) return goTo('hand-over');
    if (batch) return void batch.write();
    if (isWalking && walk.next) return walk.keepNext();
    if (isWalking) return void walk.keepRound(TORQUE);
    void write([{ kind: 'step', data: { stepId: current.id } }]);
  };
  const nextSays = !current
    ? 'On to hand-over'
    : batch
      ? 'All as shown'
      : isWalking
        ? walk.next
          ? walk.next.fastener.torqueNm === null
            ? 'Snug'
            : 'Torqued'
          : 'All clicked again'
        : 'Done';
  // What no wrench covers only the fitter can say: snug, or a guess.
  const isFittersWord =
    isWalking && walk.next !== undefined && walk.next.fastener.torqueNm !== null && !walk.next.choice?.result.wrench;
  useKeys([{ key: 'n', says: isWalking && walk.next ? `${nextSays}: ${walk.next.fastener.name}` : nextSays, run: go }]);
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
      {...words}
      act={
        <>
          {current?.caution && !isWalking && (
            <div className="-mt-1 mb-3">
              <Cautions list={[current.caution]} />
            </div>
          )}
          {isWalking && walk.next && <NextFastener row={walk.next} walk={walk} />}
          {batch && <BatchList batch={batch} />}
          {current && !isWalking && !batch && <StepNeeds step={current} className="mb-3" />}
          <div className="flex flex-wrap gap-3">
            <Button go hotkey="N" disabled={isFittersWord} onClick={go}>
              {nextSays}
            </Button>
            {isWalking && walk.next && <NextWays row={walk.next} walk={walk} />}
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
