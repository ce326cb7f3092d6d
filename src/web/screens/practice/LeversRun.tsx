import { useMemo, useState } from 'react';
import {
  hiddenBead,
  MIN_BITE_MM,
  playLevers,
  type BeadState,
  type HiddenBead,
  type LeverAct,
  type LeverLevel,
  type LeverSeen,
} from '../../../core/practice';
import { normalDeg } from '../../../core/base/units';
import { lockMarks, type DialMark } from '../../../core/fit/drawing';
import { Button } from '../../parts/Button';
import { ChoiceField } from '../../shared/fields';
import { useKeys } from '../../parts/keys';
import { PlaceField, usePlace } from '../../shared/place';
import { useUnits } from '../../shared/quantity';
import { WheelDial } from '../../pictures/WheelDial';
import { leverActWords, leverSay, leverSeenWords } from './lever-words';
import { MovesList } from './MovesList';
import { RimCut } from './RimCut';
import { DRAWN_PRACTICE } from './practice-pictures';
import { RunLayout } from './RunLayout';
import { EndButton } from './EndButton';
import type { RunProps } from './run-props';
import { useRound } from './use-round';

const BITES_MM = [MIN_BITE_MM, 40, 50, 60, 70, 90];
const HARM: readonly LeverSeen['is'][] = [
  'stuck',
  'on the lock',
  'pinched',
  'scratched',
  'keeper lifts',
];

/**
 * The bead as it lies: what is in the well, what sits up at both its ends, and where the tube was
 * pinched.
 */
const marksOf = (bead: HiddenBead, state: BeadState, picked: number | null): DialMark[] => {
  const { startDeg, fromDeg, onDeg, upDeg, over } = state;
  const locks = lockMarks({ rimLockDegs: [...bead.lockDegs] });
  const pinches = state.pinchedDegs.map((deg): DialMark => ({ is: 'rest', deg, label: 'pinched' }));
  const knee =
    state.kneelDeg === null ? [] : [{ is: 'rest' as const, deg: state.kneelDeg, label: 'knee' }];
  if (startDeg === null || over)
    return [
      ...locks,
      ...pinches,
      ...(picked === null || over ? [] : [{ is: 'start' as const, deg: picked }]),
    ];
  const up = Math.min(upDeg, onDeg) / 2;
  const arc = (from: number, to: number) => ({
    fromDeg: normalDeg(fromDeg + from),
    toDeg: normalDeg(fromDeg + to),
  });
  return [
    ...locks,
    ...pinches,
    ...knee,
    ...(picked === null ? [] : [{ is: 'rest' as const, deg: picked, label: 'here' }]),
    { is: 'start', deg: startDeg },
    ...(onDeg - 2 * up > 4 ? [{ is: 'far', lies: 'well', ...arc(up, onDeg - up) } as const] : []),
    ...(up > 2
      ? [arc(0, up), arc(onDeg - up, onDeg)].map(
          (a) => ({ is: 'far', lies: 'seat', ...a }) as const,
        )
      : []),
  ];
};

/**
 * A second bead on the screen: begun, levered, pushed down, felt for, until it is over or given up.
 */
export const LeversRun = ({ at, who, onDone }: RunProps) => {
  const place = usePlace();
  const { say } = useUnits();
  const words = leverSay(say, place.clock);
  const { acts, act, tookS } = useRound<LeverAct>(at, who);
  const bead = useMemo(() => hiddenBead(at.seed, at.level as LeverLevel), [at.seed, at.level]);
  const { state, seen } = useMemo(() => playLevers(bead, acts), [bead, acts]);
  const [picked, setPicked] = useState<number | null>(null);
  const [fieldKey, setFieldKey] = useState(0);
  const [mm, setMm] = useState('60');
  const marks = useMemo(() => marksOf(bead, state, picked), [bead, state, picked]);
  const isBegun = state.startDeg !== null;
  const doing = (it: LeverAct) => () => isBegun && !state.over && act(it);
  const bite = (end: 'clockwise' | 'back') => doing({ do: 'bite', end, mm: Number(mm) });
  const begin = () => {
    if (isBegun || picked === null) return;
    act({ do: 'start', deg: picked });
    setPicked(null);
  };
  const kneel = () => {
    if (!isBegun || state.over || picked === null) return;
    act({ do: 'kneel', deg: picked });
    setPicked(null);
    setFieldKey((k) => k + 1);
  };
  const done = () => onDone(acts, tookS());
  useKeys([
    { key: 'b', label: 'Start at the picked place', run: begin },
    { key: '.', label: 'A bite, clockwise', run: () => void bite('clockwise')() },
    { key: ',', label: 'A bite, counterclockwise', run: () => void bite('back')() },
    { key: 'p', label: 'Push the fitted bead down', run: () => void doing({ do: 'push down' })() },
    { key: 'l', label: 'Press the lock in', run: () => void doing({ do: 'press the lock' })() },
    { key: 'k', label: 'Kneel at the picked place', run: kneel },
    { key: 'f', label: 'Feel for the tube', run: () => void doing({ do: 'feel' })() },
    { key: 'n', label: 'Done: show results', run: () => isBegun && done() },
  ]);
  const last = seen.at(-1);
  const leftMm = ((360 - state.onDeg) / 360) * Math.PI * bead.rim.flangeMm;
  return (
    <RunLayout
      shows="The wheel"
      does="Your moves"
      picture={
        <WheelDial
          wheel={DRAWN_PRACTICE.dirt}
          marks={marks}
          sideUp="disc"
          tireOn
          onPick={(deg) => {
            setPicked(deg);
            setFieldKey((k) => k + 1);
          }}
          className="mx-auto w-full max-w-[520px]"
        />
      }
    >
      <p
        className={`num min-h-[40px] text-[26px] first-letter:uppercase ${last && HARM.includes(last.is) ? 'text-stop' : ''}`}
        role="status"
      >
        {state.over
          ? 'The bead is over'
          : !isBegun
            ? 'Where do you start?'
            : (last && leverSeenWords(last, words)) || `${say(leftMm, 'mm', { digits: 0 })} to go`}
      </p>
      {!isBegun && (
        <div className="grid grid-cols-[1fr_auto] items-end gap-3">
          <PlaceField key={fieldKey} label="Start at" deg={picked} onPlace={setPicked} />
          <Button go hotkey="B" disabled={picked === null} onClick={begin}>
            Start here
          </Button>
        </div>
      )}
      {isBegun && !state.over && (
        <>
          <ChoiceField
            label="Length of a bite"
            value={mm}
            onChange={setMm}
            options={BITES_MM.map((v) => [String(v), say(v, 'mm', { digits: 0 })] as const)}
          />
          <div className="flex flex-wrap gap-2">
            <Button go hotkey="." onClick={bite('clockwise')}>
              Bite clockwise
            </Button>
            <Button hotkey="," onClick={bite('back')}>
              Bite counterclockwise
            </Button>
            <Button hotkey="F" onClick={doing({ do: 'feel' })}>
              Feel for the tube
            </Button>
            <Button hotkey="P" onClick={doing({ do: 'push down' })}>
              Push down
            </Button>
            {bead.lockDegs.length > 0 && (
              <Button hotkey="L" onClick={doing({ do: 'press the lock' })}>
                Press the lock in
              </Button>
            )}
          </div>
          <div className="grid grid-cols-[1fr_auto] items-end gap-3">
            <PlaceField key={fieldKey} label="A knee at" deg={picked} onPlace={setPicked} />
            <Button hotkey="K" disabled={picked === null} onClick={kneel}>
              Kneel
            </Button>
          </div>
        </>
      )}
      {isBegun && <EndButton isOver={state.over} onEnd={done} />}
      <RimCut bead={bead} state={state} />
      <h2 className="text-[18px]">
        {acts.length} {acts.length === 1 ? 'move' : 'moves'}
        {isBegun && !state.over && ` · ${say(leftMm, 'mm', { digits: 0 })} to go`}
      </h2>
      <MovesList
        label="Moves so far"
        moves={acts.map((it, i) =>
          [leverActWords(it, words), leverSeenWords(seen[i]!, words)].filter(Boolean).join(': '),
        )}
      />
    </RunLayout>
  );
};
