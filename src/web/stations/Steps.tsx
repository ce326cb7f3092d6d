import { useState } from 'react';
import { stepsOf, STATIONS, STATION_WORDS } from '../../core/job';
import { placeText } from '../../core/units';
import { Check } from 'lucide-react';
import { Button } from '../parts/Button';
import { useKeys } from '../parts/keys';
import { useJob } from '../screens/job-context';
import { Cautions, JobDial, StationLayout } from './StationLayout';

/** Steps in sight at once, so that a station fits the screen. */
const WINDOW = 5;

/** The steps of a hands-on station for this wheel: one at a time, its neighbors in sight. */
export const Steps = () => {
  const { state, station, wheel, write, goTo } = useJob();
  const steps = stepsOf(state, station);
  const firstOpen = steps.findIndex((s) => !state.steps[s.id]);
  const [all, setAll] = useState(false);
  const [looked, setLooked] = useState<string | null>(null);
  const current = steps.find((s) => s.id === looked) ?? steps[firstOpen];
  const at = current ? steps.indexOf(current) : steps.length;
  const next = STATIONS[STATIONS.indexOf(station) + 1]!;
  const isDone = current ? Boolean(state.steps[current.id]) : false;

  const tick = async () => {
    if (!current) return goTo(next);
    if (isDone) return setLooked(steps[at + 1]?.id ?? null);
    setLooked(null);
    await write([{ kind: 'step', data: { stepId: current.id } }]);
  };
  useKeys([{ key: 'n', says: current ? 'Done, next step' : 'Next station', run: () => void tick() }]);

  const from = all ? 0 : Math.max(0, Math.min(at - 2, steps.length - WINDOW));
  const shown = all ? steps : steps.slice(from, from + WINDOW);
  const notes = state.notes.filter((n) => n.station === station);
  const lockSaid = wheel.rimLockDegs.map((d) => placeText(d)).join('; ');
  return (
    <StationLayout
      picture={<JobDial step={current} />}
      lead={current ? `Step ${at + 1} of ${steps.length}` : `All ${steps.length} steps done`}
      now={current ? current.say : `On to “${STATION_WORDS[next]}”.`}
      why={current?.why}
    >
      {current?.caution && <div className="-mt-1 mb-4"><Cautions list={[current.caution]} /></div>}
      <div className="flex flex-wrap gap-3">
        <Button go hotkey="N" onClick={() => void tick()}>
          {!current ? STATION_WORDS[next] : isDone ? 'Next' : 'Done'}
        </Button>
      </div>
      <ol className="rows mt-5" aria-label="Steps">
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
