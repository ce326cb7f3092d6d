import { useMemo, useRef, useState } from 'react';
import { balanceQuestion, beliefMark, changeMarks, weightMarks } from '../../core/job';
import { sumVectors, type LevelTest, type Piece, type Settle } from '../../core/balance';
import { ruleNumber } from '../../core/rules';
import { angleBetween } from '../../core/units';
import type { DialMark } from '../../core/wheels';
import { Button } from '../parts/Button';
import { useKeys } from '../parts/keys';
import { PlaceField, usePlace } from '../parts/place';
import { useUnits } from '../parts/quantity';
import { useDevice } from '../parts/use-device';
import { useMainWorking } from '../parts/working';
import { useJob } from '../screens/job-context';
import { useApp } from '../store';
import type { Writing } from '../store/jobs-slice';
import { BeforeAfter } from './balance/BeforeAfter';
import { DOING_WORDS, DOINGS, doingOf, type Doing } from './balance/doing';
import { Figures } from './balance/Figures';
import { LevelButtons, MachineFields, RestFields, SwingFields, useSeenSide } from './balance/HandFields';
import { nowWords } from './balance/now-words';
import { MoreSheet } from './balance/MoreSheet';
import { PieceShelf } from './balance/PieceShelf';
import { StandRow } from './balance/StandRow';
import { Tries } from './balance/Tries';
import { useBalance } from './balance/use-balance';
import { useLastTime } from './balance/use-last-time';
import { JobDial, StationLayout } from './StationLayout';

/** The fewest weights in the fewest tries: what is believed of the heavy spot, and the next thing to do about it. */
export const Balance = () => {
  const { state, shop, write, goTo } = useJob();
  const { balance, rules } = state;
  const { say } = useUnits();
  const place = usePlace();
  const seenSide = useSeenSide();
  const standIns = useApp((s) => s.prefs.standIns);
  const stand = useDevice('balance-stand', true, standIns);
  const question = useMemo(() => balanceQuestion(state, shop.weights), [state, shop.weights]);
  const { answers, busy, broken, search } = useBalance(question);
  const lastTime = useLastTime();

  const [hand, setHand] = useState<Doing | null>(null);
  const [picked, setPicked] = useState<number | null>(null);
  const [fieldKey, setFieldKey] = useState(0);
  const [from, setFrom] = useState<Settle['from'] | undefined>(undefined);
  const [draft, setDraft] = useState<Piece[] | null>(null);

  const estimate = answers?.estimate?.ok ? answers.estimate.working : null;
  const advised = answers?.advice.ok ? answers.advice.working : null;
  const advice = advised?.result ?? null;
  const placed = search.placed?.ok ? search.placed.working : answers?.placed?.ok ? answers.placed.working : null;
  const doing = hand ?? (balance.balanced ? 'done' : advice ? doingOf(advice) : 'settle');
  const side: Piece['side'] = question?.sides === 'inner' ? 'inner' : 'near';
  const oddId = estimate && estimate.result.odd !== null ? (balance.seen.slice(-40)[estimate.result.odd]?.entryId ?? null) : null;
  const toleranceG = ruleNumber('balance.toleranceG', rules);

  useMainWorking(doing === 'put' && placed ? 'the pieces to put on' : advised ? 'the next step' : 'the heavy spot', doing === 'put' && placed ? placed : (advised ?? estimate));

  const clear = () => {
    setHand(null);
    setPicked(null);
    setDraft(null);
    setFrom(undefined);
    setFieldKey((k) => k + 1);
  };
  const put = async (writings: Writing[], says?: string) => {
    // The hint is written down with the first thing seen, so that the log says what the belief rests on.
    const hint: Writing[] = lastTime.hint && balance.seen.length === 0 && balance.on.length === 0 && !balance.hint ? [{ kind: 'balance-hint', data: lastTime.hint }] : [];
    if (await write([...hint, ...writings], says)) clear();
  };
  const wantedFrom = from !== undefined ? from : seenSide(advice?.do === 'settle' ? (advice.from ?? 'left') : 'left');
  const rest = (restDeg: number, device: string | null) => put([{ kind: 'rest', data: { restDeg, from: seenSide(wantedFrom), device } }]);
  const takeRest = () => {
    if (picked !== null) void rest(picked, null);
  };
  const takeStand = () => {
    if (!stand.reading) return;
    void rest(stand.reading.value % 360, stand.reading.device);
    stand.forget();
  };
  const levelDeg = hand === 'level' ? picked : advice?.do === 'level' ? Math.round(advice.deg) % 360 : null;
  const level = (moved: LevelTest['moved']) => levelDeg !== null && void put([{ kind: 'level-test', data: { deg: levelDeg, moved } }]);
  const believedHeavy = estimate ? { massG: estimate.result.heavyMassG, deg: estimate.result.heavyDeg } : null;
  const leftWith = (pieces: readonly Piece[]) => (believedHeavy ? sumVectors([believedHeavy, ...pieces]).massG : sumVectors(pieces).massG);
  const toPut = useMemo(() => (advice?.do === 'final' && placed ? placed.result.pieces : (advice?.place ?? [])), [advice, placed]);
  const putAdvised = () => (advice?.do === 'trial' ? put([{ kind: 'trial', data: { pieces: advice.place } }]) : put([{ kind: 'weights', data: { pieces: toPut, residualG: leftWith(toPut) } }]));
  const finish = async () => {
    if (!estimate) return;
    const { heavyMassG, heavyDeg, leftG, leftDeg, bandG, chance } = estimate.result;
    await put([{ kind: 'balanced', data: { heavyMassG, heavyDeg, leftG, leftDeg, bandG, chance: advice?.do === 'done' ? advice.chance : chance } }], 'Balanced.');
  };
  const byHand = (what: Doing) => {
    setHand(what);
    setFieldKey((k) => k + 1);
    setPicked(what === 'weights' ? (advice && 'deg' in advice ? Math.round(advice.deg) % 360 : believedHeavy ? Math.round(believedHeavy.deg + 180) % 360 : null) : null);
    setDraft(what === 'weights' ? (advice?.do === 'trial' || advice?.do === 'final' ? toPut : balance.on) : null);
  };

  const go = () => {
    if (doing === 'settle') takeRest();
    else if (doing === 'put') void putAdvised();
    else if (doing === 'done') void (balance.balanced ? goTo('wheel-back') : balance.trial ? put([{ kind: 'weights', data: { pieces: balance.on, residualG: leftWith(balance.on) } }]) : finish());
    else if (doing === 'weights' && draft) void put([{ kind: 'weights', data: { pieces: draft, residualG: leftWith(draft) } }]);
  };
  useKeys([
    { key: 'n', says: 'Do this and go on', run: go },
    { key: 'r', says: 'Take the reading', run: () => (stand.reading ? takeStand() : document.querySelector<HTMLInputElement>('#balance-fields input')?.focus()) },
    ...(levelDeg === null ? [] : (['rises', 'sinks', 'stays'] as const).map((moved, i) => ({ key: String(i + 1), says: `Held level, it ${moved}`, run: () => level(moved) }))),
  ]);
  const piecesText = (pieces: readonly Piece[]) =>
    [...new Set(pieces.map((p) => p.deg))].map((deg) => `${pieces.filter((p) => p.deg === deg).map((p) => say(p.massG, 'g')).join(' + ')} at ${place.clock(deg)}`).join(', ');
  const words = nowWords({
    hand, broken, balance, advice, toPut, sides: question?.sides ?? 'one', toleranceG, estimate: estimate?.result ?? null,
    problem: answers && !answers.advice.ok ? answers.advice.problem : null,
    say: { mass: (g) => say(g, 'g', { digits: 0 }), clock: place.clock, side: (from) => seenSide(from)!, pieces: piecesText },
  });

  const extra = useMemo((): DialMark[] => {
    const marks: DialMark[] = estimate && balance.seen.length > 0 ? [beliefMark(estimate.result)] : [];
    if (doing === 'put') marks.push(...changeMarks(balance.on, toPut));
    else if (hand === 'weights' && draft) marks.push(...weightMarks(draft, 'trial'));
    else marks.push(...weightMarks(balance.on, balance.trial ? 'trial' : 'weight'));
    if (lastTime.hint && balance.seen.length === 0) marks.push({ at: 'rest', deg: lastTime.hint.deg, label: 'last time' });
    if (levelDeg !== null) marks.push({ at: 'rest', deg: levelDeg, label: 'hold level' });
    else if (picked !== null && !draft?.some((p) => p.deg === picked)) marks.push({ at: 'rest', deg: picked, label: 'here' });
    return marks;
  }, [estimate, balance, doing, hand, toPut, draft, lastTime.hint, levelDeg, picked]);

  // The wheel on screen turns with the one on the stand, the short way from line to line.
  const turned = useRef(0);
  const bottom = stand.line?.value;
  const turnDeg = useMemo(() => (bottom === undefined ? null : (turned.current += angleBetween(turned.current, 180 - bottom))), [bottom]);
  const pick = (deg: number) => {
    setPicked(deg);
    setFieldKey((k) => k + 1);
  };
  const picking = doing === 'settle' || doing === 'level' && hand === 'level' || doing === 'weights' || doing === 'machine';

  const beside = (
    <>
      {hand && <Button onClick={clear}>As advised</Button>}
      <select className="field !w-[122px]" aria-label="Do something else, by hand" value="" onChange={(e) => byHand(e.target.value as Doing)}>
        <option value="" disabled>By hand</option>
        {DOINGS.filter((d) => d !== doing).map((d) => <option key={d} value={d}>{DOING_WORDS[d]}</option>)}
      </select>
      <MoreSheet estimate={estimate} onFinish={estimate !== null && !balance.balanced && doing !== 'done' ? () => void finish() : null} />
    </>
  );
  const lead = hand ? 'By hand' : doing === 'done' ? `Balanced in ${balance.placements === 1 ? 'one try' : `${balance.placements} tries`}` : `Do this next${balance.placements > 0 || doing === 'put' ? ` · try ${balance.placements + (doing === 'put' ? 1 : 0)} of about 2` : ''}`;

  return (
    <StationLayout
      picture={
        <>
          <JobDial extra={extra} turnDeg={turnDeg} onPick={picking ? pick : undefined} className={stand.device ? 'lg:max-h-[520px]' : 'lg:max-h-[600px]'} />
          <StandRow stand={stand} on={balance.on} levelDeg={levelDeg} onFrom={(side) => setFrom(seenSide(side))} onTake={takeStand} />
        </>
      }
      lead={lead}
      now={words.now}
      why={words.why}
    >
      <div aria-busy={busy}>
        {doing === 'settle' && <RestFields key={fieldKey} deg={picked} onPlace={setPicked} from={wantedFrom} onFrom={setFrom} onTake={takeRest} beside={beside} />}
        {doing === 'level' && hand === 'level' && <div className="mb-2"><PlaceField key={fieldKey} label="This was held level" deg={picked} onPlace={setPicked} /></div>}
        {doing === 'level' && <><LevelButtons disabled={levelDeg === null} onMoved={level} /><div className="mt-2 flex flex-wrap gap-2">{beside}</div></>}
        {doing === 'swing' && <SwingFields onTake={(periodS) => void put([{ kind: 'swing', data: { periodS } }])} beside={beside} />}
        {doing === 'machine' && <MachineFields placeKey={fieldKey} deg={picked} onPlace={setPicked} onTake={(data) => void put([{ kind: 'machine-reading', data }])} beside={beside} />}
        {doing === 'weights' && draft && (
          <div className="grid gap-2">
            <PlaceField key={fieldKey} label="Place for the next piece" deg={picked} onPlace={setPicked} />
            <PieceShelf stock={question?.stock ?? []} pieces={draft} deg={picked} side={side} sayPlace={place.clock} onPieces={setDraft} />
            <div className="flex flex-wrap gap-2">
              <Button go hotkey="N" onClick={go}>They stay on</Button>
              <Button onClick={() => void put([{ kind: 'trial', data: { pieces: draft } }])}>Only taped on</Button>
              {beside}
            </div>
          </div>
        )}
        {doing === 'put' && (
          <div className="flex flex-wrap items-center gap-2">
            <Button go hotkey="N" onClick={go}>{toPut.length === 0 ? 'Write it down' : toPut.length === 1 ? 'It is on' : 'They are on'}</Button>
            <Button onClick={() => byHand('weights')}>Other pieces</Button>
            {beside}
            {placed && advice?.do === 'final' && !placed.result.proved && (search.runs ? <Button small onClick={search.stop}>Stop the search</Button> : <Button small onClick={() => search.begin(advice)}>Search on</Button>)}
          </div>
        )}
        {doing === 'done' && (
          <div className="flex flex-wrap gap-2">
            <Button go hotkey="N" onClick={go}>{balance.balanced ? 'On to the machine' : balance.trial ? 'It is on for good' : 'Write it down'}</Button>
            {beside}
          </div>
        )}
      </div>
      {oddId && hand !== 'weights' && hand !== 'machine' && <p className="mt-2 font-semibold text-check" role="alert">One reading is the odd one: take it out.</p>}
      {lastTime.hint && balance.seen.length === 0 && (
        <p className="mt-3 flex items-center gap-3">
          <span>Last time, {lastTime.hint.onDate}: {piecesText(lastTime.pieces)}. Used as a hint.</span>
          <Button small onClick={lastTime.forget}>Not this time</Button>
        </p>
      )}
      {doing === 'done' && !hand ? <BeforeAfter estimate={estimate} /> : hand !== 'weights' && hand !== 'machine' && <Figures estimate={estimate} placed={doing === 'put' && advice?.do === 'final' ? placed : null} on={balance.on.length > 0 && !balance.trial} toleranceG={toleranceG} rested={balance.seen.some((o) => o.kind === 'settle' || o.kind === 'level')} searching={search.runs} />}
      {hand !== 'weights' && hand !== 'machine' && <Tries oddId={oddId} />}
    </StationLayout>
  );
};
