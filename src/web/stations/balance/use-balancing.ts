import { useMemo, useRef, useState } from 'react';
import { balanceQuestion, beliefMark, changeMarks, weightMarks } from '../../../core/job';
import { sumVectors, type LevelTest, type Piece, type Settle } from '../../../core/balance';
import { ruleNumber } from '../../../core/rules';
import { angleBetween } from '../../../core/units';
import type { DialMark } from '../../../core/wheels';
import { useKeys } from '../../parts/keys';
import { usePlace } from '../../parts/place';
import { useUnits } from '../../parts/quantity';
import { useDevice } from '../../parts/use-device';
import { useMainWorking } from '../../parts/working';
import { useJob } from '../../screens/job-context';
import { useApp } from '../../store';
import type { Writing } from '../../store/jobs-slice';
import { doingOf, type Doing } from './doing';
import { useSeenSide } from './HandFields';
import { nowWords } from './now-words';
import { piecesText } from './pieces-text';
import { useBalance } from './use-balance';
import { useLastTime } from './use-last-time';

/** A balancing at hand: what is believed and advised, what the fitter picks, and what is written of it. */
export const useBalancing = () => {
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
  const doing =
    hand ?? (balance.balanced ? 'done' : advice ? doingOf(advice) : balance.seen.length > 0 ? 'wait' : 'settle');
  // Of an older question neither the odd one nor the next step is known.
  const odd = busy ? null : (estimate?.result.odd ?? null);
  const oddId = odd === null || !question ? null : (balance.seen.slice(-question.seen.length)[odd]?.entryId ?? null);
  const sides = question?.sides ?? 'one';
  const toleranceG = ruleNumber('balance.toleranceG', rules);

  useMainWorking(
    doing === 'put' && placed ? 'the pieces to put on' : advised ? 'the next step' : 'the heavy spot',
    doing === 'put' && placed ? placed : (advised ?? estimate),
  );

  const clear = () => {
    setHand(null);
    setPicked(null);
    setDraft(null);
    setFrom(undefined);
    setFieldKey((k) => k + 1);
  };
  const put = async (writings: Writing[], says?: string) => {
    // The hint is written down with the first thing seen, so that the log says what the belief rests on.
    const hint: Writing[] =
      lastTime.hint && balance.seen.length === 0 && balance.on.length === 0 && !balance.hint
        ? [{ kind: 'balance-hint', data: lastTime.hint }]
        : [];
    if (await write([...hint, ...writings], says)) clear();
  };
  const wantedFrom = from !== undefined ? from : seenSide(advice?.do === 'settle' ? (advice.from ?? 'left') : 'left');
  const rest = (restDeg: number, device: string | null) =>
    put([{ kind: 'rest', data: { restDeg, from: seenSide(wantedFrom), device } }]);
  const takeRest = () => {
    if (picked !== null) void rest(picked, null);
  };
  const takeStand = () => {
    if (!stand.reading) return;
    void rest(stand.reading.value % 360, stand.reading.device);
    stand.forget();
  };
  const levelDeg = hand === 'level' ? picked : advice?.do === 'level' ? Math.round(advice.deg) % 360 : null;
  const level = (moved: LevelTest['moved']) =>
    levelDeg !== null &&
    (hand === 'level' || !busy) &&
    void put([{ kind: 'level-test', data: { deg: levelDeg, moved } }]);
  const believedHeavy = estimate ? { massG: estimate.result.heavyMassG, deg: estimate.result.heavyDeg } : null;
  const leftWith = (pieces: readonly Piece[]) => (believedHeavy ? sumVectors([believedHeavy, ...pieces]).massG : null);
  const toPut = useMemo(
    () => (advice?.do === 'final' && placed ? placed.result.pieces : (advice?.place ?? [])),
    [advice, placed],
  );
  const putAdvised = () =>
    advice?.do === 'trial'
      ? put([{ kind: 'trial', data: { pieces: advice.place } }])
      : put([{ kind: 'weights', data: { pieces: toPut, residualG: leftWith(toPut) } }]);
  const finish = async () => {
    if (!estimate) return;
    const { heavyMassG, heavyDeg, leftG, leftDeg, bandG, chance } = estimate.result;
    await put(
      [
        {
          kind: 'balanced',
          data: { heavyMassG, heavyDeg, leftG, leftDeg, bandG, chance: advice?.do === 'done' ? advice.chance : chance },
        },
      ],
      'Balanced.',
    );
  };
  const byHand = (what: Doing) => {
    setHand(what);
    setFieldKey((k) => k + 1);
    setPicked(
      what === 'weights'
        ? advice && 'deg' in advice
          ? Math.round(advice.deg) % 360
          : believedHeavy
            ? Math.round(believedHeavy.deg + 180) % 360
            : null
        : null,
    );
    setDraft(what === 'weights' ? (advice?.do === 'trial' || advice?.do === 'final' ? toPut : balance.on) : null);
  };

  const go = () => {
    if (doing === 'settle') takeRest();
    else if (doing === 'weights' && draft)
      void put([{ kind: 'weights', data: { pieces: draft, residualG: leftWith(draft) } }]);
    else if (balance.balanced && doing === 'done') goTo('wheel-back');
    // Pressed twice, it is done once: what comes next is not worked out yet.
    else if (busy) return;
    else if (doing === 'put') void putAdvised();
    else if (doing === 'done')
      void (balance.trial
        ? put([{ kind: 'weights', data: { pieces: balance.on, residualG: leftWith(balance.on) } }])
        : finish());
  };
  useKeys([
    { key: 'n', says: 'Do this and go on', run: go },
    {
      key: 'r',
      says: 'Take the reading',
      run: () =>
        stand.reading ? takeStand() : document.querySelector<HTMLInputElement>('#balance-fields input')?.focus(),
    },
    ...(levelDeg === null
      ? []
      : (['rises', 'sinks', 'stays'] as const).map((moved, i) => ({
          key: String(i + 1),
          says: `Held level, it ${moved}`,
          run: () => level(moved),
        }))),
  ]);
  const sayPieces = (pieces: readonly Piece[]) => piecesText(pieces, { mass: (g) => say(g, 'g'), place: place.clock });
  const words = nowWords({
    hand,
    broken,
    balance,
    advice,
    toPut,
    sides,
    toleranceG,
    estimate: estimate?.result ?? null,
    problem: answers && !answers.advice.ok ? answers.advice.problem : null,
    say: {
      mass: (g) => say(g, 'g', { digits: 0 }),
      clock: place.clock,
      side: (from) => seenSide(from)!,
      pieces: sayPieces,
    },
  });

  const extra = useMemo((): DialMark[] => {
    const mass = (g: number) => say(g, 'g');
    const marks: DialMark[] = estimate && balance.seen.length > 0 ? [beliefMark(estimate.result, mass)] : [];
    if (doing === 'put') marks.push(...changeMarks(balance.on, toPut, mass));
    else if (hand === 'weights' && draft) marks.push(...weightMarks(draft, 'trial', mass));
    else marks.push(...weightMarks(balance.on, balance.trial ? 'trial' : 'weight', mass));
    if (lastTime.hint && balance.seen.length === 0)
      marks.push({ at: 'rest', deg: lastTime.hint.deg, label: 'last time' });
    if (levelDeg !== null) marks.push({ at: 'rest', deg: levelDeg, label: 'hold level' });
    else if (picked !== null && !draft?.some((p) => p.deg === picked))
      marks.push({ at: 'rest', deg: picked, label: 'here' });
    return marks;
  }, [estimate, balance, doing, hand, toPut, draft, lastTime.hint, levelDeg, picked, say]);

  // The wheel on screen turns with the one on the stand, the short way from line to line.
  const turned = useRef(0);
  const bottom = stand.line?.value;
  const turnDeg = useMemo(
    () => (bottom === undefined ? null : (turned.current += angleBetween(turned.current, 180 - bottom))),
    [bottom],
  );
  const pick = (deg: number) => {
    setPicked(deg);
    setFieldKey((k) => k + 1);
  };
  const picking =
    doing === 'settle' || (doing === 'level' && hand === 'level') || doing === 'weights' || doing === 'machine';

  return {
    balance,
    place,
    sides,
    toleranceG,
    stand,
    stock: question?.stock ?? [],
    estimate,
    advice,
    placed,
    busy,
    search,
    lastTime,
    words,
    sayPieces,
    oddId,
    hand,
    doing,
    byHand,
    clear,
    put,
    go,
    finish,
    picked,
    setPicked,
    pick,
    picking,
    fieldKey,
    wantedFrom,
    setFrom,
    takeRest,
    takeStand,
    levelDeg,
    level,
    draft,
    setDraft,
    toPut,
    extra,
    turnDeg,
  };
};
