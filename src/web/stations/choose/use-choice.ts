import { useMemo, useState } from 'react';
import { fitContextOf, materialsOf, partPicksOf, pressureStartOf, toolsOf, wantsOf } from '../../../core/job';
import { InputError, type InputProblem } from '../../../core/errors';
import { rankTires, tireFit } from '../../../core/fitting';
import type { Tread } from '../../../core/shop';
import { tireAge, tireCompare, type Arrows } from '../../../core/tires';
import { attempt } from '../../../core/working';
import { useUnits } from '../../parts/quantity';
import { useJob } from '../../screens/job-context';
import { today } from '../../store';

/** The tire is typed and not from the shelf. */
export const TYPED = 'typed';

/** What the fitter has picked or typed so far. */
export interface Draft {
  tireId: string;
  marking: string;
  dateCode: string;
  limit: string;
  lightMark: boolean;
  tread: Tread;
  arrows: Arrows;
  takeOff: boolean;
  treadMm: number | null;
  tube: boolean;
  /** The old tube goes round the new one. */
  doubled: boolean;
  tubeId: string;
}

const caught = <T>(run: () => T): { ok: true; value: T } | { ok: false; problem: InputProblem } => {
  try {
    return { ok: true, value: run() };
  } catch (error) {
    if (error instanceof InputError) return { ok: false, problem: error.toProblem() };
    throw error;
  }
};

/** The choice at hand: what is picked, what the workings say of it, and the parts and tools that go with it. */
export const useChoice = () => {
  const { state, wheel, shop } = useJob();
  const { read, say, write: show } = useUnits();
  const before = state.chosen;
  const onDate = today();
  const onShelf = shop.tires;
  const context = useMemo(() => fitContextOf(state, onDate, shop.wheels)!, [state, onDate, shop.wheels]);

  const draftOf = (id: string): Partial<Draft> => {
    const t = onShelf.find((x) => x.id === id);
    if (!t) return { tireId: TYPED };
    return {
      tireId: id,
      marking: t.marking,
      dateCode: t.dateCode ?? '',
      limit: t.seatLimitKpa !== null ? show(t.seatLimitKpa, 'kPa') : '',
      lightMark: t.lightMark,
      tread: t.tread,
      arrows: t.arrows,
      takeOff: t.takeOff,
      treadMm: t.treadMm,
    };
  };

  const [draft, setDraft] = useState<Draft>(() => {
    if (before)
      return {
        tireId: before.tireId ?? TYPED,
        marking: before.marking,
        dateCode: before.dateCode ?? '',
        limit: before.seatLimitKpa !== null ? show(before.seatLimitKpa, 'kPa') : '',
        lightMark: before.lightMark,
        tread: before.tread,
        arrows: before.arrows,
        takeOff: before.takeOff,
        treadMm: before.treadMm,
        tube: before.tube,
        doubled: before.doubled,
        tubeId: before.tubeId ?? '',
      };
    const empty: Draft = {
      tireId: TYPED,
      marking: context.from,
      dateCode: '',
      limit: '',
      lightMark: true,
      tread: 'other',
      arrows: 'one',
      takeOff: false,
      treadMm: null,
      tube: wheel.tube,
      doubled: false,
      tubeId: '',
    };
    const best = caught(() => rankTires(onShelf, context).ranked[0]);
    return best.ok && best.value && best.value.fit.verdict !== 'stop' && best.value.tire.count > 0
      ? { ...empty, ...draftOf(best.value.tire.id) }
      : empty;
  });
  const change = (part: Partial<Draft>) => setDraft((d) => ({ ...d, ...part }));

  const here = useMemo(() => ({ ...context, tube: draft.tube }), [context, draft.tube]);
  const ranking = useMemo(() => caught(() => rankTires(onShelf, here)), [onShelf, here]);
  const { marking, dateCode, tread, arrows, takeOff, treadMm, tube, tubeId } = draft;
  const age = useMemo(
    () => (dateCode.trim() ? attempt(tireAge, { dateCode: dateCode.trim(), onDate, rules: state.rules }) : null),
    [dateCode, onDate, state.rules],
  );
  const codeRead = age?.ok ? dateCode.trim() : null;
  const fit = useMemo(
    () =>
      attempt(tireFit, {
        ...here,
        tire: { marking: marking || ' ', tread, arrows, dateCode: codeRead, takeOff, treadMm },
      }),
    [here, marking, tread, arrows, codeRead, takeOff, treadMm],
  );
  const compared = useMemo(() => {
    const { from, end, clearancesMm, sprockets, otherEnd, rules } = here;
    return attempt(tireCompare, {
      sizes: [from, marking || ' '],
      end,
      ...(rules ? { rules } : {}),
      ...(clearancesMm ? { clearancesMm } : {}),
      ...(sprockets ? { sprockets } : {}),
      ...(otherEnd !== undefined ? { otherEnd } : {}),
    });
  }, [here, marking]);

  const choice = useMemo(() => {
    const start = pressureStartOf(state);
    return {
      marking,
      tube,
      tubeId: tubeId || null,
      tireId: draft.tireId === TYPED ? null : draft.tireId,
      pressureKpa: start.ok ? start.working.result.pressureKpa : null,
    };
  }, [state, marking, tube, tubeId, draft.tireId]);
  const picks = useMemo(
    () => (compared.ok ? caught(() => partPicksOf(state, choice, shop)!) : null),
    [compared.ok, state, choice, shop],
  );
  const bestTubeId = picks?.ok ? (picks.value.tubes?.bestId ?? null) : null;
  const tubeFit = picks?.ok
    ? picks.value.tubes?.fits.find((f) => f.id === (tubeId || bestTubeId) && f.fit !== 'no')
    : undefined;
  const wants = useMemo(
    () => (picks?.ok ? wantsOf({ ...choice, tubeId: tubeFit?.id ?? null }, picks.value, shop) : []),
    [picks, choice, tubeFit, shop],
  );
  const list = useMemo(
    () => (wants.length > 0 ? materialsOf(wants, shop, state.rules) : null),
    [wants, shop, state.rules],
  );
  const tools = useMemo(
    () => (compared.ok ? caught(() => toolsOf(state, choice, shop)!) : null),
    [compared.ok, state, choice, shop],
  );

  const limitKpa = draft.limit.trim() ? read(draft.limit, 'kPa') : null;
  const limitProblem =
    draft.limit.trim() && (limitKpa === null || limitKpa < 20 || limitKpa > 1000)
      ? `A pressure from ${say(20, 'kPa')} to ${say(1000, 'kPa')}, as printed.`
      : null;

  return {
    draft,
    change,
    pick: (id: string) => change(draftOf(id)),
    context: here,
    ranking,
    age,
    fit,
    compared,
    picks: picks?.ok ? picks.value : null,
    tubeFit,
    wants,
    list,
    tools: tools?.ok ? tools.value : null,
    limitKpa,
    limitProblem,
  };
};
export type ChoiceAtHand = ReturnType<typeof useChoice>;
