import { useMemo, useState } from 'react';
import {
  hiddenAir,
  isSeated,
  playAir,
  type AirAct,
  type AirLevel,
  type AirSeen,
} from '../../../core/practice';
import { Button } from '../../parts/Button';
import { ChoiceField, QuantityField } from '../../shared/fields';
import { useKeys } from '../../parts/keys';
import { useUnits } from '../../shared/quantity';
import { SeatPool } from '../../stations/seat/SeatPool';
import { MovesList } from './MovesList';
import { RunLayout } from './RunLayout';
import { EndButton } from './EndButton';
import type { RunProps } from './run-props';
import { useRound } from './use-round';

/** Whose limit one goes by. */
const LIMITS = ['sidewall', 'rim', 'shop'] as const;
type Limit = (typeof LIMITS)[number];

/** An act, and its result. */
const Line = ({ act, seen }: { act: AirAct; seen: AirSeen }) => {
  const { say } = useUnits();
  const done = act.do === 'air' ? `air, up to ${say(act.toKpa, 'kPa')}` : act.do;
  const pops =
    seen.popped.length === 2 ? 'two pops' : seen.popped.length === 1 ? 'a pop' : 'no pop';
  const came = seen.refused ?? (act.do === 'air' ? `${say(seen.kpa, 'kPa')}, ${pops}` : '');
  return (
    <>
      {done}
      {came && `: ${came}`}
    </>
  );
};

/**
 * A tire on the hose: lubricated, filled, let out and filled again, until both beads are home or it
 * is called off.
 */
export const AirRun = ({ at, who, onDone }: RunProps) => {
  const { read, say, write: show } = useUnits();
  const { acts, act, tookS } = useRound<AirAct>(at, who);
  const hidden = useMemo(() => hiddenAir(at.seed, at.level as AirLevel), [at.seed, at.level]);
  const { state, seen } = useMemo(() => playAir(hidden, acts), [hidden, acts]);
  const limits: Record<Limit, number> = {
    sidewall: hidden.sidewallKpa,
    rim: hidden.rimKpa,
    shop: hidden.shopKpa,
  };
  const [limit, setLimit] = useState<Limit>('shop');
  const [typed, setTyped] = useState<string | null>(null);
  const text = typed ?? show(limits[limit], 'kPa', 1);
  const toKpa = read(text, 'kPa');
  const isOver = state.isOff || isSeated(state);
  const doing = (it: AirAct) => () => !isOver && act(it);
  const fill = () =>
    !isOver && toKpa !== null && toKpa >= 5 && act({ do: 'air', toKpa: Math.min(690, toKpa) });
  const done = () => onDone(acts, tookS());
  useKeys([
    { key: 'a', label: 'Air, up to the pressure', run: () => void fill() },
    { key: 'o', label: 'All air out', run: () => void doing({ do: 'all out' })() },
    {
      key: 'l',
      label: 'Break the beads and lubricate',
      run: () => void doing({ do: 'lubricate' })(),
    },
    { key: 'x', label: 'Stop here', run: () => void doing({ do: 'call it off' })() },
    { key: 'n', label: 'Done: show results', run: done },
  ]);
  const pops = seen.flatMap((s) => s.popped.map(() => s.kpa));
  const says = isSeated(state)
    ? 'Both beads seated'
    : state.isOff
      ? 'Stopped'
      : (seen.at(-1)?.refused ?? (state.tries === 0 ? 'No air in it yet' : `Try ${state.tries}`));
  return (
    <RunLayout
      shows="The hose"
      does="Your tries"
      picture={
        <>
          <SeatPool
            nowKpa={seen.at(-1)?.kpa ?? 0}
            limitKpa={limits[limit]}
            readingsKpa={[]}
            popsKpa={pops}
            from="the limit you use"
          />
          <p className="mt-4 text-[22px]">
            Sidewall: at most <strong className="num">{say(hidden.sidewallKpa, 'kPa')}</strong> to
            seat. Rim: <strong className="num">{say(hidden.rimKpa, 'kPa')}</strong>. Shop ceiling:{' '}
            <strong className="num">{say(hidden.shopKpa, 'kPa')}</strong>.
          </p>
        </>
      }
    >
      <p className="num min-h-[40px] text-[26px]" role="status">
        {says}
      </p>
      {!isOver && (
        <>
          <div className="grid grid-cols-2 gap-3">
            <ChoiceField
              label="Limit you use"
              value={limit}
              onChange={(v) => {
                setLimit(v as Limit);
                setTyped(null);
              }}
              options={LIMITS.map((l) => [l, l === 'shop' ? 'the shop' : `the ${l}`] as const)}
            />
            <QuantityField
              label="Air up to"
              unit="kPa"
              value={text}
              onChange={setTyped}
              problem={toKpa === null ? 'A pressure.' : null}
            />
          </div>
          <div className="flex flex-wrap gap-2">
            <Button go hotkey="A" onClick={fill}>
              Air
            </Button>
            <Button hotkey="O" onClick={doing({ do: 'all out' })}>
              All out
            </Button>
            <Button hotkey="L" onClick={doing({ do: 'lubricate' })}>
              Break and lube
            </Button>
            <Button hotkey="X" onClick={doing({ do: 'call it off' })}>
              Stop here
            </Button>
          </div>
        </>
      )}
      <EndButton isOver={isOver} onEnd={done} />
      <MovesList
        label="Moves so far"
        moves={acts.map((it, i) => (
          <Line key={i} act={it} seen={seen[i]!} />
        ))}
      />
    </RunLayout>
  );
};
