import { useEffect, useMemo, useRef, useState } from 'react';
import type { Piece } from '../../../core/bench/balance';
import { weightMarks } from '../../../core/job';
import {
  FRICTIONS,
  hiddenHeavy,
  PRACTICE_WHEEL,
  SHELVES,
  standAndShelf,
  type BalanceLevel,
} from '../../../core/practice';
import { lockMarks, type DialMark } from '../../../core/fit/drawing';
import { Button } from '../../parts/Button';
import { ChoiceField } from '../../shared/fields';
import { useKeys } from '../../parts/keys';
import { PlaceField, usePlace } from '../../shared/place';
import { useUnits } from '../../shared/quantity';
import { WheelDial } from '../../pictures/WheelDial';
import { PieceShelf } from '../../stations/balance/PieceShelf';
import { RunLayout } from './RunLayout';
import type { RunProps } from './run-props';
import { useRound } from './use-round';
import { useTurningWheel } from './use-turning-wheel';
import { DRAWN_PRACTICE } from './practice-pictures';

const LOCKS = lockMarks(PRACTICE_WHEEL);
const NOTHING: Piece[] = [];
const PACES = [
  ['1', 'shop speed'],
  ['8', '8 times faster'],
  ['25', '25 times faster'],
] as const;

/** The result of one let-go, kept as a fitter would remember it. */
type Told =
  | { what: 'rest'; deg: number }
  | { what: 'level'; deg: number; restDeg: number }
  | { what: 'put'; text: string };

/**
 * A hidden wheel on the screen: let go, pushed, held level, with weights put on and taken off,
 * until one calls it balanced.
 */
export const BalanceRun = ({ at, who, onDone }: RunProps) => {
  const { seed } = at;
  const { friction, shelf } = standAndShelf(at.level as BalanceLevel);
  const { acts: tries, act: tryOn, tookS } = useRound<Piece[]>(at, who);
  const place = usePlace();
  const { say } = useUnits();
  const heavy = useMemo(() => hiddenHeavy(seed), [seed]);
  const [draft, setDraft] = useState<Piece[]>(() => [...(tries.at(-1) ?? NOTHING)]);
  const [picked, setPicked] = useState<number | null>(null);
  const [fieldKey, setFieldKey] = useState(0);
  const [pace, setPace] = useState('8');
  const [told, setTold] = useState<Told[]>([]);
  const levelled = useRef<number | null>(null);
  const on = tries.at(-1) ?? NOTHING;
  const wheel = useTurningWheel({
    heavy,
    weights: on,
    bandG: FRICTIONS[friction],
    pace: Number(pace),
  });
  useEffect(() => {
    if (wheel.bottom === null) return;
    const restDeg = wheel.bottom;
    const deg = levelled.current;
    levelled.current = null;
    setTold((before) => [
      ...before,
      deg === null ? { what: 'rest', deg: restDeg } : { what: 'level', deg, restDeg },
    ]);
  }, [wheel.bottom]);

  const pick = (deg: number) => {
    setPicked(deg);
    setFieldKey((k) => k + 1);
  };
  // Let go otherwise before it came to rest, what was held level is not told of.
  const letGo = (run: () => void) => {
    levelled.current = null;
    run();
  };
  const level = () => {
    if (picked === null) return;
    levelled.current = picked;
    wheel.level(picked);
  };
  const changed = JSON.stringify(draft) !== JSON.stringify(on);
  const putOn = () => {
    if (!changed) return;
    levelled.current = null;
    tryOn(draft);
    setTold((before) => [
      ...before,
      {
        what: 'put',
        text:
          draft.map((p) => `${say(p.massG, 'g')} at ${place.clock(p.deg)}`).join(', ') || 'nothing',
      },
    ]);
  };
  const done = () =>
    onDone(
      tries.map((t) => t.map(({ massG, deg }) => ({ massG, deg }))),
      tookS(),
    );
  useKeys([
    { key: 'l', label: 'Released from the left', run: () => letGo(() => wheel.letGo('left')) },
    { key: 'r', label: 'Released from the right', run: () => letGo(() => wheel.letGo('right')) },
    { key: 'h', label: 'Hold the picked place level and release', run: level },
    { key: 'n', label: 'Put on the picked weights', run: putOn },
  ]);
  const marks = useMemo(
    (): DialMark[] => [
      ...LOCKS,
      ...weightMarks(draft, changed ? 'trial' : 'weight', (g) => say(g, 'g')),
      ...(picked === null || draft.some((p) => p.deg === picked)
        ? []
        : [{ is: 'rest' as const, deg: picked, label: 'here' }]),
    ],
    [draft, changed, picked, say],
  );
  const movedOf = (t: Extract<Told, { what: 'level' }>): string => {
    const off = ((t.restDeg - (t.deg + 90) + 540) % 360) - 180;
    return Math.abs(off) < 1 ? 'stays' : off < 0 ? 'sinks' : 'rises';
  };
  return (
    <RunLayout
      shows="The wheel"
      does="Your tries"
      picture={
        <>
          <WheelDial
            wheel={DRAWN_PRACTICE.balance}
            marks={marks}
            sideUp="disc"
            tireOn
            onPick={pick}
            turns={wheel.dial}
            className="mx-auto w-full max-w-[560px]"
          />
          <p className="num text-center text-[26px]" role="status">
            {wheel.moving
              ? 'Turning'
              : wheel.bottom === null
                ? 'Held level'
                : `At the bottom: ${place.clock(wheel.bottom)}`}
          </p>
        </>
      }
    >
      <div className="flex flex-wrap gap-2">
        <Button hotkey="L" onClick={() => letGo(() => wheel.letGo('left'))}>
          From the left
        </Button>
        <Button hotkey="R" onClick={() => letGo(() => wheel.letGo('right'))}>
          From the right
        </Button>
        <Button onClick={() => letGo(() => wheel.push('left'))}>Push</Button>
      </div>
      <div className="grid grid-cols-[1fr_auto] items-end gap-3">
        <PlaceField key={fieldKey} label="A place" deg={picked} onPlace={setPicked} />
        <Button hotkey="H" disabled={picked === null} onClick={level}>
          Hold level, let go
        </Button>
      </div>
      <PieceShelf
        stock={SHELVES[shelf]}
        pieces={draft}
        deg={picked}
        sides="one"
        sayPlace={place.clock}
        onPieces={setDraft}
      />
      <div className="flex flex-wrap gap-2">
        <Button go hotkey="N" disabled={!changed} onClick={putOn}>
          Put weights on
        </Button>
        <Button disabled={told.length === 0 && tries.length === 0} onClick={done}>
          Call it balanced
        </Button>
      </div>
      <div className="w-[220px]">
        <ChoiceField label="The clock" value={pace} onChange={setPace} options={PACES} />
      </div>
      <section aria-label="Readings so far">
        <h2 className="text-[18px]">
          Readings so far · {tries.length} {tries.length === 1 ? 'placement' : 'placements'}
        </h2>
        <ol className="max-h-[180px] overflow-y-auto" tabIndex={0} aria-label="Readings so far">
          {told.map((t, i) => (
            <li key={i} className="grid grid-cols-[32px_1fr] py-0.5">
              <span className="num text-ink2">{i + 1}</span>
              <span>
                {t.what === 'rest'
                  ? `settled at ${place.clock(t.deg)}`
                  : t.what === 'level'
                    ? `${place.clock(t.deg)} held level ${movedOf(t)}`
                    : `on: ${t.text}`}
              </span>
            </li>
          ))}
        </ol>
      </section>
    </RunLayout>
  );
};
