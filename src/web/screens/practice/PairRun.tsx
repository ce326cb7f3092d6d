import { useMemo, useState } from 'react';
import {
  hiddenPair,
  playPair,
  type HiddenPair,
  type PairAct,
  type PairLevel,
  type PairState,
} from '../../../core/practice';
import { Button } from '../../parts/Button';
import { ChoiceField, QuantityField } from '../../shared/fields';
import { useKeys } from '../../parts/keys';
import { useUnits } from '../../shared/quantity';
import { EndButton } from './EndButton';
import { MovesList } from './MovesList';
import { RunLayout } from './RunLayout';
import type { RunProps } from './run-props';
import { TapeStrip } from './TapeStrip';
import { useRound } from './use-round';

/** The strip shows so much beyond the shortest and the longest tape, mm. */
const BEYOND_MM = 6;

/** The tires as they stand, each with what the tape read. */
const Rack = ({
  hidden,
  state,
  picked,
  onPick,
}: {
  hidden: HiddenPair;
  state: PairState;
  picked: number;
  onPick: (tire: number) => void;
}) => {
  const { say } = useUnits();
  const tapes = state.tires.flatMap(({ tapedMm }) => tapedMm ?? []);
  const [low, high] = [Math.min(...tapes) - BEYOND_MM, Math.max(...tapes) + BEYOND_MM];
  return (
    <fieldset className="grid gap-2">
      <legend className="mb-1 text-[15px] text-ink2">
        Which two are a pair? Strips show the last stretch of each tread.
      </legend>
      {state.tires.map(({ gaugeKpa, tapedMm }, i) => (
        <label
          key={i}
          className={`grid cursor-pointer grid-cols-[28px_1fr] items-center gap-x-3 border-2 px-4 py-2 ${picked === i + 1 ? 'border-water' : 'border-stone3'}`}
        >
          <input
            type="radio"
            name="tire"
            className="h-6 w-6 accent-[var(--water)]"
            checked={picked === i + 1}
            onChange={() => onPick(i + 1)}
          />
          <span className="grid gap-1">
            <span className="flex flex-wrap items-baseline gap-x-4">
              <span className="head text-[20px]">Tire {i + 1}</span>
              <span className="num order-1 ml-auto text-[24px] sm:order-2">
                {tapedMm === null ? 'not taped' : say(tapedMm, 'mm', { digits: 0 })}
              </span>
              <span className="order-2 basis-full sm:order-1 sm:basis-auto">
                at <span className="num">{say(gaugeKpa, 'kPa')}</span>, holds at most{' '}
                <span className="num">{say(hidden.tires[i]!.limitKpa, 'kPa')}</span>
              </span>
            </span>
            <TapeStrip share={tapedMm === null ? null : (tapedMm - low) / (high - low)} />
          </span>
        </label>
      ))}
    </fieldset>
  );
};

/** An act, in words. */
const Line = ({ act }: { act: PairAct }) => {
  const { say } = useUnits();
  switch (act.do) {
    case 'air':
      return `tire ${act.tire} brought to ${say(act.kpa, 'kPa')}`;
    case 'tape':
      return `tire ${act.tire} taped`;
    case 'pair':
      return `tires ${act.tire} and ${act.with} are a pair`;
    default:
      return 'no pair';
  }
};

/** Tires on a rack: brought to a pressure, taped, and two of them said to be a pair; or none. */
export const PairRun = ({ at, who, onDone }: RunProps) => {
  const { read, say, write } = useUnits();
  const { acts, act, tookS } = useRound<PairAct>(at, who);
  const hidden = useMemo(() => hiddenPair(at.seed, at.level as PairLevel), [at.seed, at.level]);
  const state = useMemo(() => playPair(hidden, acts), [hidden, acts]);
  const [tire, setTire] = useState(1);
  const [other, setOther] = useState<number | null>(null);
  const [text, setText] = useState(() => write(hidden.measureKpa, 'kPa', 1));
  const kpa = read(text, 'kPa');
  const isPressure = kpa !== null && kpa >= 5 && kpa <= 690;
  const isOver = state.end !== null;
  const others = hidden.tires.flatMap((_, i) => (i + 1 === tire ? [] : [i + 1]));
  const mate = other !== null && other !== tire ? other : others[0]!;
  const doing = (it: PairAct) => () => !isOver && act(it);
  const fill = () => !isOver && isPressure && act({ do: 'air', tire, kpa });
  const tape = doing({ do: 'tape', tire });
  const pair = doing({ do: 'pair', tire, with: mate });
  const none = doing({ do: 'no pair' });
  const done = () => onDone(acts, tookS());
  useKeys([
    ...hidden.tires.map((_, i) => ({
      key: String(i + 1),
      label: `Pick tire ${i + 1}`,
      run: () => setTire(i + 1),
    })),
    { key: 'a', label: 'Set the picked tire to the pressure', run: () => void fill() },
    { key: 't', label: 'Tape the picked tire', run: () => void tape() },
    { key: 'p', label: 'The picked two are a pair', run: () => void pair() },
    { key: 'x', label: 'No pair: use another tire', run: () => void none() },
    { key: 'n', label: 'Done: show results', run: done },
  ]);
  return (
    <RunLayout
      shows="The rack"
      does="Your moves"
      picture={<Rack hidden={hidden} state={state} picked={tire} onPick={setTire} />}
    >
      <p>
        A driven pair. Rollout is taped at{' '}
        <strong className="num">{say(hidden.measureKpa, 'kPa')}</strong>.
      </p>
      {!isOver && (
        <>
          <div className="grid grid-cols-[1fr_auto] items-end gap-2">
            <QuantityField
              label="Air to"
              unit="kPa"
              value={text}
              onChange={setText}
              problem={
                isPressure ? null : `Enter a pressure from ${say(5, 'kPa')} to ${say(690, 'kPa')}.`
              }
            />
            <Button hotkey="A" onClick={fill}>
              Air in tire {tire}
            </Button>
          </div>
          <Button go hotkey="T" onClick={tape}>
            Tape tire {tire}
          </Button>
          <div className="grid grid-cols-[1fr_auto] items-end gap-2">
            <ChoiceField
              label={`Tire ${tire} with`}
              value={String(mate)}
              onChange={(v) => setOther(Number(v))}
              options={others.map((n) => [String(n), `tire ${n}`] as const)}
            />
            <Button hotkey="P" onClick={pair}>
              Call it a pair
            </Button>
          </div>
          <Button hotkey="X" className="justify-self-start" onClick={none}>
            No pair: use another tire
          </Button>
        </>
      )}
      <EndButton isOver={isOver} onEnd={done} />
      <h2 className="text-[18px]">
        {acts.length} {acts.length === 1 ? 'move' : 'moves'}
      </h2>
      <MovesList
        label="Moves so far"
        moves={acts.map((it, i) => (
          <Line key={i} act={it} />
        ))}
      />
    </RunLayout>
  );
};
