import type { DeviceLine } from '../../core/devices';
import { fastenersOf, stepsOf } from '../../core/job';
import { torqueCheck, torqueWrench } from '../../core/torque';
import type { Fastener } from '../../core/wheels';
import { Button } from '../parts/Button';
import { useKeys } from '../parts/keys';
import { useUnits } from '../parts/quantity';
import { useMainWorking } from '../parts/working';
import { useJob } from '../parts/job-context';
import { useDo } from '../store';
import { announce } from '../store/jobs-slice';
import { FastenerRow, type Tightened } from './FastenerRow';
import { StepStrip } from './StepStrip';
import { Cautions, JobDial, StationLayout } from './StationLayout';

/** What to do, and why: first the wheel goes in, then its fasteners one after the other. */
const wordsOf = (isEarly: boolean, fasteners: number, next: Fastener | undefined): { now: string; why: string } => {
  if (isEarly) return { now: 'Wheel in first.', why: 'Nothing is tightened until all line up.' };
  if (fasteners === 0)
    return { now: 'No torque values are known.', why: 'Take them from the machine’s manual and note them.' };
  const now = next ? `Next: ${next.name}.` : 'All tightened. Twice round?';
  return { now, why: 'Axle nut before pinch bolts. Values from the manual.' };
};

/** Every fastener with its torque, and the wrench of the shop that covers it. */
export const WheelBack = () => {
  const { state, shop, write, goTo } = useJob();
  const dispatch = useDo();
  const { tell } = useUnits();
  const fasteners = fastenersOf(state);
  const wrenches = shop.wrenches.map(({ name, minNm, maxNm, leverMm }) => ({
    name,
    minNm,
    maxNm,
    ...(leverMm !== null ? { leverMm } : {}),
  }));
  const rows = fasteners.map((f) => ({
    f,
    choice: f.torqueNm === null ? null : torqueWrench.run({ torqueNm: f.torqueNm, wrenches }),
  }));
  const open = rows.find(({ f }) => !state.torqued[f.name]);
  // Nothing is tightened before the wheel is in and lined up.
  const steps = stepsOf(state, 'wheel-back');
  const early = steps
    .slice(
      0,
      steps.findIndex((s) => s.id === 'back-torque'),
    )
    .find((s) => !state.steps[s.id]);
  useMainWorking(
    open ? `the wrench for ${open.f.name}` : 'the wrench',
    open?.choice ?? rows.find((r) => r.choice)?.choice ?? null,
  );

  const keep = (f: Fastener, how: Tightened, wrench: string | null) =>
    write([{ kind: 'torqued', data: { fastener: f.name, how, torqueNm: f.torqueNm, wrench } }]);
  const clicked = (f: Fastener, line: DeviceLine) => {
    const { within, reason } = torqueCheck.run({ wantedNm: f.torqueNm!, reachedNm: line.value }).result;
    // A click at another torque is no torque of this fastener: it is said, and nothing is ticked.
    if (!within) return void dispatch(announce({ text: tell(reason), tone: 'stop' }));
    void write(
      [
        {
          kind: 'torqued',
          data: { fastener: f.name, how: 'torqued', torqueNm: line.value, wrench: line.device, device: line.device },
        },
      ],
      tell(reason),
    );
  };
  const go = () => {
    if (early) return void write([{ kind: 'step', data: { stepId: early.id } }]);
    if (!open) return goTo('hand-over');
    const wrench = open.choice?.result.wrench?.name ?? null;
    // Without a wrench for it only the fitter can say how it was tightened.
    if (open.f.torqueNm === null) void keep(open.f, 'snug', null);
    else if (wrench) void keep(open.f, 'torqued', wrench);
  };
  useKeys([{ key: 'n', says: early ? `Done: ${early.say}` : open ? `Done: ${open.f.name}` : 'Next station', run: go }]);

  return (
    <StationLayout
      picture={<JobDial />}
      {...wordsOf(early !== undefined, fasteners.length, open?.f)}
      act={<StepStrip />}
    >
      <ul className="rows" aria-label="Fasteners">
        {rows.map(({ f, choice }) => (
          <FastenerRow
            key={f.name}
            fastener={f}
            choice={choice}
            isNext={f === open?.f}
            mayTighten={!early}
            onKeep={(how, wrench) => void keep(f, how, wrench)}
            onClick={(line) => clicked(f, line)}
          />
        ))}
      </ul>
      <Cautions
        list={[
          'Pump the brake until it is firm before the machine rolls.',
          'Dry values are for dry threads: oil or anti-seize raises the clamp force. The manual decides.',
        ]}
      />
      {!open && fasteners.length > 0 && (
        <Button go className="mt-4" hotkey="N" onClick={() => goTo('hand-over')}>
          On to hand-over
        </Button>
      )}
    </StationLayout>
  );
};
