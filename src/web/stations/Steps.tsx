import { useMemo, useState } from 'react';
import { biteInputOf, orientationOf, stepsOf, STATIONS, STATION_WORDS } from '../../core/job';
import { bitePlan } from '../../core/beads';
import { mirrored, placeText } from '../../core/units';
import { attempt } from '../../core/working';
import { Check } from 'lucide-react';
import { Button } from '../parts/Button';
import { useKeys } from '../parts/keys';
import { useUnits } from '../parts/quantity';
import { Reasons } from '../parts/Reasons';
import { useMainWorking } from '../parts/working';
import { useJob } from '../screens/job-context';
import { FindingsSheet } from './FindingsSheet';
import { RunoutSheet } from './RunoutSheet';
import { Schools } from './Schools';
import { SpokeSheet } from './SpokeSheet';
import { Cautions, JobDial, StationLayout } from './StationLayout';

/** Steps in sight at once, so that a station fits the screen. */
const WINDOW = 5;
/** Fewer where bites or the arrow are explained beside them. */
const WINDOW_BESIDE = 3;

/** The steps of a hands-on station for this wheel: one at a time, its neighbors in sight. */
export const Steps = () => {
  const { state, station, wheel, sideUp, write, goTo } = useJob();
  const { say } = useUnits();
  const steps = stepsOf(state, station);
  const firstOpen = steps.findIndex((s) => !state.steps[s.id]);
  const [all, setAll] = useState(false);
  const [looked, setLooked] = useState<string | null>(null);
  const current = steps.find((s) => s.id === looked) ?? steps[firstOpen];
  const at = current ? steps.indexOf(current) : steps.length;
  const next = STATIONS[STATIONS.indexOf(station) + 1]!;
  const isDone = current ? Boolean(state.steps[current.id]) : false;

  const direction = current?.shows === 'levers-off' ? 'off' : current?.shows === 'levers-on' ? 'on' : null;
  const biting = useMemo(() => {
    const input = direction && biteInputOf(state, direction);
    const tried = input && attempt(bitePlan, input);
    return tried?.ok ? tried.working : null;
  }, [state, direction]);
  const lying = useMemo(() => {
    const tried = current?.shows === 'arrow' && station === 'tire-on' ? orientationOf(state, sideUp) : null;
    return tried?.ok ? tried.working : null;
  }, [state, sideUp, current, station]);
  useMainWorking(lying ? 'which way up' : 'the bites', lying ?? biting);
  const plan = biting?.result ?? null;
  const [bite, setBite] = useState(1);
  const here = plan?.bites[Math.min(bite, plan.bites.length) - 1];
  const step = (by: number) => plan && setBite((b) => Math.max(1, Math.min(plan.bites.length, b + by)));

  const tick = async () => {
    setBite(1);
    if (!current) return goTo(next);
    if (isDone) return setLooked(steps[at + 1]?.id ?? null);
    setLooked(null);
    await write([{ kind: 'step', data: { stepId: current.id } }]);
  };
  useKeys([
    { key: 'n', says: current ? 'Done, next step' : 'Next station', run: () => void tick() },
    ...(plan ? [{ key: '.', says: 'Next bite', run: () => void step(1) }, { key: ',', says: 'Bite before', run: () => void step(-1) }] : []),
  ]);

  const inSight = plan || lying ? WINDOW_BESIDE : WINDOW;
  const from = all ? 0 : Math.max(0, Math.min(at - 2, steps.length - inSight));
  const shown = all ? steps : steps.slice(from, from + inSight);
  const notes = state.notes.filter((n) => n.station === station);
  const lockSaid = wheel.rimLockDegs.map((d) => placeText(d)).join('; ');
  return (
    <StationLayout
      picture={<JobDial step={current} bite={plan ? bite : 0} />}
      lead={current ? `Step ${at + 1} of ${steps.length}` : `All ${steps.length} steps done`}
      now={current ? current.say : `On to “${STATION_WORDS[next]}”.`}
      why={current?.why}
    >
      {current?.caution && <div className="-mt-1 mb-4"><Cautions list={[current.caution]} /></div>}
      <div className="flex flex-wrap gap-3">
        <Button go hotkey="N" onClick={() => void tick()}>
          {!current ? STATION_WORDS[next] : isDone ? 'Next' : 'Done'}
        </Button>
        {current?.shows === 'findings' && <FindingsSheet />}
        {current?.shows === 'runout' && <RunoutSheet />}
        {current?.shows === 'spokes' && wheel.spokes > 0 && <SpokeSheet />}
        <Schools />
      </div>
      {lying && <Reasons reasons={lying.result.reasons} className="mt-4 border-l-4 border-water pl-3" />}
      {plan && here && (
        <div className="mt-3 flex items-center gap-3 border-l-4 border-water pl-3" role="group" aria-label="Bites">
          <p className="flex-1" aria-live="polite">
            <span className="head text-xl">Bite {here.n} of {plan.bites.length}</span>
            <span className="block text-[16px]">
              {say(here.lengthMm, 'mm')}, lever at {placeText(sideUp === 'other' ? mirrored(here.leverDeg) : here.leverDeg)}
            </span>
          </p>
          <Button small disabled={here.n === 1} onClick={() => step(-1)} aria-label="Bite before" hotkey=",">Back</Button>
          <Button small disabled={here.n === plan.bites.length} onClick={() => step(1)} aria-label="Next bite" hotkey=".">Next</Button>
        </div>
      )}
      <ol className="rows mt-4" aria-label="Steps">
        {shown.map((s) => {
          const done = state.steps[s.id];
          return (
            <li key={s.id} className="border-b border-stone3">
              <button
                type="button"
                aria-current={s === current ? 'step' : undefined}
                className={`flex min-h-12 w-full cursor-pointer items-center gap-3 py-1 text-left text-[16px] leading-tight hover:bg-stone2 ${s === current ? 'font-bold' : done ? 'text-ink2' : ''}`}
                onClick={() => setLooked(s.id)}
              >
                <span className={`grid h-6 w-6 shrink-0 place-items-center rounded-b-lg border-2 border-t-0 ${done ? 'border-water bg-water text-paper' : 'border-edge'}`}>
                  {done && <Check size={16} strokeWidth={3.5} aria-hidden="true" />}
                </span>
                <span className="sr-only">{done ? 'done: ' : `step ${steps.indexOf(s) + 1}: `}</span>
                <span className="line-clamp-2">{s.say}</span>
              </button>
            </li>
          );
        })}
      </ol>
      {steps.length > WINDOW && (
        <button type="button" className="min-h-12 cursor-pointer underline" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? 'Only the steps around this one' : `All ${steps.length} steps`}
        </button>
      )}
      {lockSaid && station !== 'wheel-off' && <p className="mt-1 text-[16px] text-ink2">Rim lock at {lockSaid}, seen from the disc side.</p>}
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
