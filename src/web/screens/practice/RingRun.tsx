import { useMemo, useState } from 'react';
import {
  boltDeg,
  hiddenRing,
  playRing,
  RING_BOLTS,
  type RingAct,
  type RingLevel,
  type RingSeen,
} from '../../../core/practice';
import { angleBetween } from '../../../core/base/units';
import type { DialMark } from '../../../core/fit/drawing';
import { Button } from '../../parts/Button';
import { ChoiceField } from '../../shared/fields';
import { useKeys } from '../../parts/keys';
import { useUnits } from '../../shared/quantity';
import { WheelDial } from '../../pictures/WheelDial';
import { MovesList } from './MovesList';
import { RunLayout } from './RunLayout';
import { EndButton } from './EndButton';
import type { RunProps } from './run-props';
import { useRound } from './use-round';
import { DRAWN_PRACTICE } from './practice-pictures';

const WHEEL = { ...DRAWN_PRACTICE.ring, ringBolts: RING_BOLTS.count };
const BOLTS = Array.from({ length: RING_BOLTS.count }, (_, i) => i + 1);
const QUARTERS = [
  ['1', 'a quarter turn'],
  ['2', 'half a turn'],
  ['4', 'a whole turn'],
] as const;
const TURNS = ['turn', 'half a turn each'] as const;
/** As wide as the widest gap is drawn, mm. */
const WIDEST_MM = 5;

/** The feeler's readings since the last turn: what was felt before it is another ring. */
const feltNow = (acts: readonly RingAct[], seen: readonly RingSeen[]): Map<number, number> => {
  const last = acts.findLastIndex((a) => (TURNS as readonly string[]).includes(a.do));
  const felt = new Map<number, number>();
  acts.forEach((a, i) => {
    if (i > last && a.do === 'feel' && seen[i]) felt.set(a.bolt, seen[i].mm);
  });
  return felt;
};

const nearest = (deg: number): number =>
  BOLTS.reduce((near, bolt) =>
    Math.abs(angleBetween(deg, boltDeg(bolt))) < Math.abs(angleBetween(deg, boltDeg(near)))
      ? bolt
      : near,
  );

const doneWords = (act: RingAct): string => {
  switch (act.do) {
    case 'feel':
      return `feeler at bolt ${act.bolt}`;
    case 'turn':
      return `bolt ${act.bolt}, ${QUARTERS.find(([q]) => q === String(act.quarters))?.[1] ?? `${act.quarters} quarters`}`;
    case 'bundle':
      return 'bundle, by caliper';
    case 'gap':
      return 'gap of the seated ring, by caliper';
    default:
      return act.do;
  }
};

/**
 * A ring on the screen: crush measured, bolts turned, the gap felt, until it is torqued or called
 * off.
 */
export const RingRun = ({ at, who, onDone }: RunProps) => {
  const { say } = useUnits();
  const { acts, act, tookS } = useRound<RingAct>(at, who);
  const hidden = useMemo(() => hiddenRing(at.seed, at.level as RingLevel), [at.seed, at.level]);
  const { state, seen } = useMemo(() => playRing(hidden, acts), [hidden, acts]);
  const [bolt, setBolt] = useState(1);
  const [quarters, setQuarters] = useState('2');
  const isOver = state.end !== null;
  const doing = (it: RingAct) => () => !isOver && act(it);
  const feel = doing({ do: 'feel', bolt });
  const turn = doing({ do: 'turn', bolt, quarters: Number(quarters) });
  const onTo = (by: 1 | -1) =>
    setBolt((b) => ((b - 1 + by + RING_BOLTS.count) % RING_BOLTS.count) + 1);
  const done = () => onDone(acts, tookS());
  useKeys([
    { key: 'b', label: 'Measure a bundle', run: () => void doing({ do: 'bundle' })() },
    { key: 'g', label: 'Measure its gap', run: () => void doing({ do: 'gap' })() },
    { key: '.', label: 'Next bolt', run: () => onTo(1) },
    { key: ',', label: 'Previous bolt', run: () => onTo(-1) },
    { key: 'f', label: 'Feeler at the bolt', run: () => void feel() },
    { key: 't', label: 'Turn the bolt', run: () => void turn() },
    {
      key: 'h',
      label: 'Half a turn each, all around',
      run: () => void doing({ do: 'half a turn each' })(),
    },
    { key: 'q', label: 'Torque all bolts', run: () => void doing({ do: 'torque' })() },
    { key: 'x', label: 'Stop here', run: () => void doing({ do: 'call it off' })() },
    { key: 'n', label: 'Done: show results', run: done },
  ]);
  const felt = useMemo(() => feltNow(acts, seen), [acts, seen]);
  const marks = useMemo(
    (): DialMark[] => [
      ...BOLTS.map((n): DialMark => ({
        is: 'bolt',
        deg: boltDeg(n),
        n,
        state: state.end === 'torqued' ? 'done' : n === bolt ? 'now' : 'open',
      })),
      ...[...felt].map(([n, mm]): DialMark => ({
        is: 'gap',
        deg: boltDeg(n),
        share: Math.min(1, mm / WIDEST_MM),
        label: say(mm, 'mm', { digits: 2 }),
      })),
    ],
    [felt, bolt, state.end, say],
  );
  const last = acts.at(-1);
  const read = seen.at(-1);
  const says = state.end
    ? state.end === 'torqued'
      ? 'Torqued'
      : 'Stopped'
    : last && read
      ? `${doneWords(last)}: ${say(read.mm, 'mm', { digits: 2 })}`
      : 'Measure, then close it evenly';
  return (
    <RunLayout
      shows="The wheel"
      does="Your moves"
      picture={
        <WheelDial
          wheel={WHEEL}
          marks={marks}
          sideUp="disc"
          tireOn
          onPick={(deg) => setBolt(nearest(deg))}
          className="mx-auto w-full max-w-[540px]"
        />
      }
    >
      <p className="num min-h-[40px] text-[24px] first-letter:uppercase" role="status">
        {says}
      </p>
      {!isOver && (
        <>
          <div className="flex flex-wrap gap-2">
            <Button hotkey="B" onClick={doing({ do: 'bundle' })}>
              Bundle
            </Button>
            <Button hotkey="G" onClick={doing({ do: 'gap' })}>
              Gap
            </Button>
            <Button hotkey="H" onClick={doing({ do: 'half a turn each' })}>
              Half a turn each
            </Button>
          </div>
          <div className="grid grid-cols-2 items-end gap-2">
            <ChoiceField
              label="Bolt"
              value={String(bolt)}
              onChange={(v) => setBolt(Number(v))}
              options={BOLTS.map((n) => [String(n), `bolt ${n}`] as const)}
            />
            <ChoiceField
              label="Turns so far"
              value={quarters}
              onChange={setQuarters}
              options={QUARTERS}
            />
          </div>
          <div className="flex flex-wrap gap-2">
            <Button hotkey="F" onClick={feel}>
              Feeler at {bolt}
            </Button>
            <Button go hotkey="T" onClick={turn}>
              Turn {bolt}
            </Button>
            <Button hotkey="Q" onClick={doing({ do: 'torque' })}>
              Torque all bolts
            </Button>
            <Button hotkey="X" onClick={doing({ do: 'call it off' })}>
              Stop here
            </Button>
          </div>
        </>
      )}
      <EndButton isOver={isOver} onEnd={done} />
      <h2 className="text-[18px]">
        {acts.length} {acts.length === 1 ? 'move' : 'moves'}
      </h2>
      <MovesList
        label="Moves so far"
        moves={acts.map(
          (it, i) =>
            `${doneWords(it)}${seen[i] ? `: ${say(seen[i].mm, 'mm', { digits: 2 })}` : ''}`,
        )}
      />
    </RunLayout>
  );
};
