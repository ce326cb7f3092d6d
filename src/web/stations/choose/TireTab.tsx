import { Dialog, RadioGroup } from 'radix-ui';
import { useState } from 'react';
import { type TireStock } from '../../../core/shop/records';
import { TREADS, TREAD_WORDS, type Tread } from '../../../core/fit/tires';
import { ARROWS, type Arrows } from '../../../core/fit/tires';
import type { RankedTire } from '../../../core/bench/fitting';
import type { Reason } from '../../../core/base/working';
import { ChoiceField, QuantityField, TextField } from '../../shared/fields';
import { Reasons } from '../../shared/Reasons';
import { VerdictShape } from '../../parts/VerdictMark';
import { TYPED } from './choice-draft';
import type { ChoiceAtHand } from './use-choice';
import { Sheet } from '../../parts/Sheet';
import { refusalText } from '../../shared/refusal';

const SHOWN = 3;
/** More than this many are shown a page at a time. */
const PAGE = 40;

const Row = ({ place, ranked }: { place: number; ranked: RankedTire<TireStock> }) => (
  <RadioGroup.Item
    value={ranked.tire.id}
    className="flex min-h-12 w-full cursor-pointer items-center gap-2.5 border-b border-stone3 px-1.5 py-1 text-left leading-tight hover:bg-stone2 data-[state=checked]:bg-water3"
  >
    <span className="num w-5 text-right text-ink2">{place}</span>
    <VerdictShape verdict={ranked.fit.verdict} size={20} />
    <span className="min-w-0 flex-1">
      <span className="block truncate font-semibold">{ranked.tire.marking}</span>
      <span className="block truncate text-[15px] text-ink2">
        {ranked.tire.pattern} · {ranked.because}
      </span>
    </span>
    <span className="num shrink-0 text-[15px]">{ranked.tire.count} left</span>
  </RadioGroup.Item>
);

/** The faults of a tire; if there are none, the first of its reasons. */
const tellingOf = ({ fit }: RankedTire): readonly Reason[] => {
  const doubts = fit.reasons.filter((r) => r.verdict !== 'good');
  return doubts.length > 0 ? doubts : fit.reasons.slice(0, 2);
};

/** The whole shelf, best first, with every reason; a refused one says why. */
const Shelf = ({ choice, onDone }: { choice: ChoiceAtHand; onDone: () => void }) => {
  const [shown, setShown] = useState(PAGE);
  const ranked = choice.fits.ranking.ok ? choice.fits.ranking.value.ranked : [];
  const unread = choice.fits.ranking.ok ? choice.fits.ranking.value.unread : [];
  return (
    <Sheet title="Stock for this wheel, best first" closes="Close stock">
      <RadioGroup.Root
        className="rows"
        aria-label="Stock, best first"
        value={choice.drafting.draft.tireId}
        onValueChange={(id) => {
          choice.drafting.pick(id);
          onDone();
        }}
      >
        {ranked.slice(0, shown).map((r, i) => (
          <div key={r.tire.id} className="border-b-2 border-stone3 py-2">
            <Row place={i + 1} ranked={r} />
            <Reasons className="mt-1 pl-9" reasons={tellingOf(r)} />
          </div>
        ))}
      </RadioGroup.Root>
      {ranked.length > shown && (
        <button
          type="button"
          className="btn btn-small mt-3"
          onClick={() => setShown((n) => n + PAGE)}
        >
          {Math.min(PAGE, ranked.length - shown)} more of {ranked.length}
        </button>
      )}
      {unread.map(({ tire, problem }) => (
        <p key={tire.id} className="mt-2 text-stop">
          {tire.marking}: {problem.message} See the records.
        </p>
      ))}
    </Sheet>
  );
};

/** The choice of a tire: ranked from the shelf, or typed as it is printed. */
export const TireTab = ({ choice, tried }: { choice: ChoiceAtHand; tried: boolean }) => {
  const { draft, change } = choice.drafting;
  const [open, setOpen] = useState(false);
  const ranked = choice.fits.ranking.ok ? choice.fits.ranking.value.ranked : [];
  const chosenAt = ranked.findIndex((r) => r.tire.id === draft.tireId);
  const first = ranked.slice(0, SHOWN).map((r, i) => [i, r] as const);
  const rows =
    chosenAt >= SHOWN
      ? [...first.slice(0, SHOWN - 1), [chosenAt, ranked[chosenAt]!] as const]
      : first;
  const typed = draft.tireId === TYPED;
  return (
    <div>
      {ranked.length > 0 ? (
        <RadioGroup.Root
          aria-label="In stock, best first"
          className="rows"
          value={draft.tireId}
          onValueChange={choice.drafting.pick}
        >
          {rows.map(([i, r]) => (
            <Row key={r.tire.id} place={i + 1} ranked={r} />
          ))}
        </RadioGroup.Root>
      ) : (
        <p className="py-2 text-ink2">No tire in stock for this rim. Type the new tire.</p>
      )}
      <Dialog.Root open={open} onOpenChange={setOpen}>
        {ranked.length > 0 && (
          <Dialog.Trigger className="min-h-12 cursor-pointer px-1 text-[16px] underline">
            All {ranked.length} for this rim
          </Dialog.Trigger>
        )}
        {open && <Shelf choice={choice} onDone={() => setOpen(false)} />}
      </Dialog.Root>
      <div className="grid grid-cols-[3fr_2fr] gap-x-3 gap-y-1.5">
        <TextField
          label="New tire size"
          value={draft.marking}
          maxLength={40}
          onChange={(marking) =>
            change({
              marking,
              tireId: TYPED,
              takeOff: false,
              treadMm: null,
              ...(typed ? {} : { tread: 'other', dateCode: '', limit: '' }),
            })
          }
          problem={
            !choice.fits.compared.ok && (tried || draft.marking)
              ? refusalText(choice.fits.compared.problem)
              : null
          }
        />
        <TextField
          label="Date code"
          value={draft.dateCode}
          maxLength={4}
          inputMode="numeric"
          onChange={(dateCode) => change({ dateCode })}
          problem={
            choice.fits.age && !choice.fits.age.ok && (tried || draft.dateCode.length >= 4)
              ? refusalText(choice.fits.age.problem)
              : null
          }
        />
        <QuantityField
          label="Seating limit"
          unit="kPa"
          value={draft.limit}
          onChange={(limit) => change({ limit })}
          problem={choice.drafting.limitProblem}
        />
        <ChoiceField
          label="Light mark"
          value={draft.lightMark ? 'yes' : 'no'}
          onChange={(v) => change({ lightMark: v === 'yes' })}
          options={[
            ['yes', 'a paint dot'],
            ['no', 'none'],
          ]}
        />
        {typed && (
          <>
            <ChoiceField
              label="Tread"
              value={draft.tread}
              onChange={(v) => change({ tread: v as Tread })}
              options={TREADS.map((t) => [t, TREAD_WORDS[t]] as const)}
            />
            <ChoiceField
              label="Arrows"
              value={draft.arrows}
              onChange={(v) => change({ arrows: v as Arrows })}
              options={ARROWS.map((a) => [a, a] as const)}
            />
          </>
        )}
      </div>
    </div>
  );
};
