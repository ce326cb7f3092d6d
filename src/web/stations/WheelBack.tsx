import type { DeviceLine } from '../../core/devices';
import { fastenersOf, stepsOf } from '../../core/job';
import { torqueCheck, torqueWrench } from '../../core/torque';
import type { Fastener } from '../../core/wheels';
import { Button } from '../parts/Button';
import { DeviceTake } from '../parts/DeviceTake';
import { useKeys } from '../parts/keys';
import { Quantity, useUnits } from '../parts/quantity';
import { VerdictShape } from '../parts/VerdictMark';
import { BasisTag, useMainWorking } from '../parts/working';
import { useJob } from '../screens/job-context';
import { useDo } from '../store';
import { said } from '../store/jobs-slice';
import { StepStrip } from './StepStrip';
import { Cautions, JobDial, StationLayout } from './StationLayout';
import { Check } from 'lucide-react';

const DONE_WORDS = { torqued: 'torqued', snug: 'snug', guess: 'tightened by guess' };

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

  const keep = (f: Fastener, how: 'torqued' | 'snug' | 'guess', wrench: string | null) =>
    write([{ kind: 'torqued', data: { fastener: f.name, how, torqueNm: f.torqueNm, wrench } }]);
  const clicked = (f: Fastener, line: DeviceLine) => {
    const { within, reason } = torqueCheck.run({ wantedNm: f.torqueNm!, reachedNm: line.value }).result;
    // A click at another torque is no torque of this fastener: it is said, and nothing is ticked.
    if (!within) return void dispatch(said({ text: tell(reason), tone: 'stop' }));
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
      now={
        early
          ? 'Wheel in first.'
          : fasteners.length === 0
            ? 'No torque values are known.'
            : open
              ? `Next: ${open.f.name}.`
              : 'All tightened. Twice round?'
      }
      why={
        fasteners.length === 0
          ? 'Take them from the machine\u2019s manual and note them.'
          : early
            ? 'Nothing is tightened until all line up.'
            : 'Axle nut before pinch bolts. Values from the manual.'
      }
    >
      <StepStrip />
      <ul className="rows" aria-label="Fasteners">
        {rows.map(({ f, choice }) => {
          const done = state.torqued[f.name];
          const wrench = choice?.result.wrench ?? null;
          return (
            <li key={f.name} className="border-b border-stone3 py-1">
              <div className="flex items-baseline gap-3">
                <span className={`flex-1 ${f === open?.f ? 'font-bold' : ''}`}>{f.name}</span>
                {f.torqueNm === null ? (
                  <span className="num text-lg">snug</span>
                ) : (
                  <Quantity value={f.torqueNm} unit="Nm" />
                )}
                <span className="w-[76px] text-right">
                  {choice ? (
                    <BasisTag title={`the wrench for ${f.name}`} working={choice}>
                      manual
                    </BasisTag>
                  ) : (
                    <span className="text-[14px] text-ink2">no figure</span>
                  )}
                </span>
              </div>
              <div className="flex flex-wrap items-center gap-2">
                <span
                  className={`min-w-0 flex-1 basis-40 text-[15px] ${wrench || f.torqueNm === null ? 'text-ink2' : 'text-stop'}`}
                >
                  {f.torqueNm === null ? (
                    'Snug: overtightening breaks it.'
                  ) : wrench ? (
                    wrench.name
                  ) : (
                    <span className="inline-flex gap-1">
                      <VerdictShape verdict="stop" size={18} />
                      {choice!.result.reason}
                    </span>
                  )}
                </span>
                {done ? (
                  <span className="inline-flex items-center gap-1 font-semibold text-good">
                    <Check size={18} aria-hidden="true" /> {DONE_WORDS[done.how]}
                  </span>
                ) : f.torqueNm === null ? (
                  <Button small onClick={() => void keep(f, 'snug', null)}>
                    Snug
                  </Button>
                ) : wrench ? (
                  <>
                    {!early && f === open?.f && (
                      <DeviceTake
                        compact
                        kind="torque-wrench"
                        what={`Torque of ${f.name}`}
                        onTake={(line) => clicked(f, line)}
                      />
                    )}
                    <Button small go={!early && f === open?.f} onClick={() => void keep(f, 'torqued', wrench.name)}>
                      Torqued
                    </Button>
                  </>
                ) : (
                  <>
                    <Button small onClick={() => void keep(f, 'snug', null)}>
                      Snug
                    </Button>
                    <Button small onClick={() => void keep(f, 'guess', null)}>
                      A guess
                    </Button>
                  </>
                )}
              </div>
            </li>
          );
        })}
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
