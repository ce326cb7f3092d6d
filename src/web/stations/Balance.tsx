import { useMemo, useRef, type ReactNode } from 'react';
import type { LevelTest } from '../../core/bench/balance';
import { ruleNumber } from '../../core/base/rules';
import { useJob } from '../shared/job-context';
import { useKeys, type KeyAction } from '../parts/keys';
import { usePlace } from '../shared/place';
import { useUnits } from '../shared/quantity';
import { useMainWorking } from '../shared/working';
import { BeforeAfter } from './balance/BeforeAfter';
import type { ByHand, Doing } from './balance/doing';
import { ByHandRow } from './balance/ByHandRow';
import { DoneButtons } from './balance/DoneButtons';
import { HintRow } from './balance/HintRow';
import { Known } from './balance/Known';
import { LevelFields, MOVES } from './balance/LevelFields';
import { LookAgain } from './balance/LookAgain';
import { MachineFields } from './balance/MachineFields';
import { MoreSheet } from './balance/MoreSheet';
import { nowWords } from './balance/now-words';
import { OwnPieces } from './balance/OwnPieces';
import { useSayPieces } from './balance/pieces-text';
import { PutPieces } from './balance/PutPieces';
import { RestFields } from './balance/RestFields';
import { standMarks } from './balance/stand-marks';
import { StandRow } from './balance/StandRow';
import { stepOf, type BalanceStep, type Go } from './balance/step-of';
import { SwingFields } from './balance/SwingFields';
import type { BalanceFormProps } from './balance/balance-form-props';
import { useAdvice } from './balance/use-advice';
import { useBalanceActs } from './balance/use-balance-acts';
import { useHandDraft } from './balance/use-hand-draft';
import { useLastTime } from './balance/use-last-time';
import { useSeenSide } from './balance/use-seen-side';
import { useStand } from './balance/use-stand';
import { WaitRow } from './balance/WaitRow';
import { JobDial, StationLayout } from './StationLayout';

/** Each thing to do draws itself. */
const THINGS: Record<Doing, (props: BalanceFormProps) => ReactNode> = {
  settle: RestFields,
  level: LevelFields,
  weights: OwnPieces,
  swing: SwingFields,
  machine: MachineFields,
  put: PutPieces,
  done: DoneButtons,
  look: LookAgain,
  wait: WaitRow,
};

/**
 * Things that take a place from the dial; what is advised to be held level has its place already.
 */
const takesPlace = ({ doing, byHand }: BalanceStep): boolean =>
  doing === 'settle' || doing === 'weights' || doing === 'machine' || (doing === 'level' && byHand);

/** Things that fill the screen: figures and tries stand back. */
const FULL: readonly Doing[] = ['weights', 'machine'];

const leadOf = ({ doing, byHand }: BalanceStep, placements: number): string => {
  if (byHand) return 'By hand';
  if (doing === 'done')
    return `Balanced in ${placements === 1 ? 'one try' : `${placements} tries`}`;
  if (doing === 'look') return 'Check the readings';
  const coming = placements + (doing === 'put' ? 1 : 0);
  return `Do this next${coming > 0 ? ` · placement ${coming} of about 2` : ''}`;
};

/**
 * The fewest weights in the fewest tries: what is believed of the heavy spot, and the next thing to
 * do about it.
 */
export const Balance = () => {
  const { state, goTo } = useJob();
  const { balance, rules } = state;
  const { say } = useUnits();
  const { clock } = usePlace();
  const seenSide = useSeenSide();
  const sayPieces = useSayPieces();
  const advice = useAdvice();
  const hand = useHandDraft();
  const stand = useStand();
  const lastTime = useLastTime();
  const acts = useBalanceActs(advice, hand, lastTime);
  const readingField = useRef<HTMLInputElement>(null);

  const { estimate, advised, placed, busy } = advice;
  const advises = advised?.result ?? null;
  const step = useMemo(
    () =>
      stepOf({ hand: hand.doing, balance, advice: advises, placed: placed?.result ?? null, busy }),
    [hand.doing, balance, advises, placed, busy],
  );
  const putting = step.doing === 'put' ? placed : null;
  useMainWorking(
    putting ? 'the weights to put on' : advised ? 'the next step' : 'the heavy spot',
    putting ?? advised ?? estimate,
  );

  const wantsFrom = (advises?.do === 'settle' ? advises.from : null) ?? 'left';
  const from = hand.from === undefined ? seenSide(wantsFrom) : hand.from;
  const takeRest = () => {
    if (hand.deg !== null) acts.rest(hand.deg, seenSide(from), null, step.turned);
  };
  const takeStand = () => {
    if (!stand.live.reading) return;
    acts.rest(
      stand.live.reading.value % 360,
      seenSide(from),
      stand.live.reading.device,
      step.turned,
    );
    stand.live.forget();
  };
  const counterDeg = estimate ? estimate.result.heavyDeg + 180 : null;
  const begin = (doing: ByHand) => {
    if (doing !== 'weights') return hand.begin(doing, null, null);
    const deg = advises && 'deg' in advises ? advises.deg : counterDeg;
    const putsOn = advises?.do === 'trial' || advises?.do === 'final';
    hand.begin(doing, deg === null ? null : Math.round(deg) % 360, [
      ...(putsOn ? step.toPut : balance.on),
    ]);
  };

  const DO: Record<Exclude<Go, null>, () => void> = {
    'take the rest': takeRest,
    'keep own pieces': () => acts.weights(hand.pieces ?? []),
    'put trial on': () => acts.trial(step.toPut),
    'put pieces on': () => acts.weights(step.toPut),
    'fix the trial': () => acts.weights(balance.on),
    'write the end': acts.finish,
    'leave for the machine': () => goTo('wheel-back'),
  };
  const go = () => {
    if (step.go) DO[step.go]();
  };
  const levelDeg = step.doing === 'level' && step.byHand ? hand.deg : step.levelDeg;
  const takeLevel = (moved: LevelTest['moved']) => {
    if (levelDeg === null || (!step.byHand && busy)) return;
    acts.level(levelDeg, moved, step.levelAt ?? seenSide(hand.at));
  };
  const levelKeys = MOVES.map((moved, i): KeyAction => ({
    key: String(i + 1),
    label: `Held level, it ${moved}`,
    run: () => takeLevel(moved),
  }));
  useKeys([
    { key: 'n', label: 'Do this and go on', run: go },
    {
      key: 'r',
      label: 'Use reading',
      run: () => (stand.live.reading ? takeStand() : readingField.current?.focus()),
    },
    ...(levelDeg === null ? [] : levelKeys),
  ]);

  const toleranceG = ruleNumber('balance.toleranceG', rules);
  const words = nowWords({
    step,
    broken: advice.broken,
    balance,
    advice: advises,
    sides: advice.shelf.sides,
    toleranceG,
    estimate: estimate?.result ?? null,
    problem: advice.problem,
    say: { mass: (g) => say(g, 'g', { digits: 0 }), clock, side: seenSide, pieces: sayPieces },
  });
  const { doing } = step;
  const { deg: pickedDeg, pieces: own } = hand;
  const hintDeg = lastTime.hint?.deg ?? null;
  const marks = useMemo(
    () =>
      standMarks({
        step,
        balance,
        estimate: estimate?.result ?? null,
        own,
        pickedDeg,
        hintDeg,
        say: (g) => say(g, 'g'),
      }),
    [step, balance, estimate, own, pickedDeg, hintDeg, say],
  );

  const Thing = THINGS[doing];
  const isFull = FULL.includes(doing);
  const isOver = doing === 'done' && !step.byHand;
  const mayEnd = estimate !== null && !balance.balanced && doing !== 'done';
  const beside = (
    <ByHandRow
      step={step}
      onBegin={begin}
      onClear={hand.clear}
      more={<MoreSheet estimate={estimate} onFinish={mayEnd ? acts.finish : null} />}
    />
  );

  return (
    <StationLayout
      picture={
        <>
          <JobDial
            extra={marks}
            turnDeg={stand.turnDeg}
            onPick={takesPlace(step) ? hand.tap : undefined}
            className={
              stand.live.device ? 'lg:max-h-[calc(100dvh-280px)]' : 'lg:max-h-[calc(100dvh-200px)]'
            }
          />
          <StandRow
            stand={stand.live}
            on={balance.on}
            levelDeg={levelDeg}
            onFrom={(side) => hand.change({ from: seenSide(side) })}
            onTake={takeStand}
          />
        </>
      }
      lead={
        <>
          {leadOf(step, balance.placements)}
          {busy && <span className="late"> · calculating …</span>}
        </>
      }
      now={words.now}
      why={words.why}
      act={
        <div aria-busy={busy}>
          <Thing
            step={step}
            advice={advice}
            hand={hand}
            acts={acts}
            onGo={go}
            onLevel={takeLevel}
            from={from}
            readingRef={readingField}
            beside={beside}
          />
        </div>
      }
    >
      {balance.seen.length === 0 && <HintRow lastTime={lastTime} />}
      {isOver && <BeforeAfter estimate={estimate} />}
      {!isFull && <Known advice={advice} step={step} toleranceG={toleranceG} />}
    </StationLayout>
  );
};
