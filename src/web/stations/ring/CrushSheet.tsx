import { useState } from 'react';
import { crushOf, ringsOf } from '../../../core/job';
import type { BeadSide } from '../../../core/bench/ring';
import { QuantityField } from '../../shared/fields';
import { useJob } from '../../shared/job-context';
import { useUnits } from '../../shared/quantity';
import { Reasons } from '../../shared/Reasons';
import { SectionDrawing } from '../../pictures/SectionDrawing';
import { Sheet } from '../../parts/Sheet';
import { SheetFoot } from '../../parts/SheetFoot';
import { BasisTag } from '../../shared/working';
import { CaliperTake } from './CaliperTake';
import { refusalText } from '../../shared/refusal';

const PLACES = 3;
const PARTS = [
  ['bundleMm', 'bundle'],
  ['gapMm', 'gap'],
] as const;
const MIN_MM = 0.5;
const MAX_MM = 80;

type Part = (typeof PARTS)[number][0];
interface Cell {
  side: BeadSide;
  part: Part;
  i: number;
  /** `outer bead, bundle 2` */
  label: string;
}

const cellsOf = (sides: readonly BeadSide[]): Cell[] =>
  sides.flatMap((side) =>
    PARTS.flatMap(([part, word]) =>
      Array.from({ length: PLACES }, (_, i) => ({
        side,
        part,
        i,
        label: `${side} bead, ${word} ${i + 1}`,
      })),
    ),
  );
const keyOf = ({ side, part, i }: Cell): string => `${side} ${part} ${i}`;

/** Bead bundles and ring gaps by caliper, one after the other, and what the ring will crush. */
export const CrushSheet = ({ onDone }: { onDone: () => void }) => {
  const { state, write } = useJob();
  const { read, write: show } = useUnits();
  const sides = ringsOf(state).filter((r): r is BeadSide => r !== 'rim');
  const cells = cellsOf(sides);
  const [typed, setTyped] = useState<Record<string, string>>(() =>
    Object.fromEntries(
      cells.flatMap((c) => {
        const mm = state.beads[c.side]?.[c.part][c.i];
        return mm === undefined ? [] : [[keyOf(c), show(mm, 'mm', 3)]];
      }),
    ),
  );
  const [device, setDevice] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const valueOf = (cell: Cell): number | null | undefined => {
    const text = typed[keyOf(cell)]?.trim();
    return text ? read(text, 'mm') : undefined;
  };
  const isBad = (cell: Cell): boolean => {
    const mm = valueOf(cell);
    return mm === null || (mm !== undefined && (mm < MIN_MM || mm > MAX_MM));
  };
  const put = (cell: Cell, text: string) => setTyped((all) => ({ ...all, [keyOf(cell)]: text }));
  const next = cells.find((c) => !typed[keyOf(c)]?.trim());
  const listOf = (side: BeadSide, part: Part) =>
    cells
      .filter((c) => c.side === side && c.part === part && !isBad(c))
      .flatMap((c) => valueOf(c) ?? []);
  const beads = sides
    .map((side) => ({
      side,
      bundleMm: listOf(side, 'bundleMm'),
      gapMm: listOf(side, 'gapMm'),
      device,
    }))
    .filter((b) => b.bundleMm.length > 0 || b.gapMm.length > 0);
  const measured = Object.fromEntries(beads.map((b) => [b.side, b]));
  const crush = crushOf({ ...state, beads: measured });
  const keep = async () => {
    if (cells.some(isBad))
      return setProblem('Some readings aren’t thicknesses. Fix the marked fields.');
    if (!crush) return setProblem('No readings yet. Measure bundle and gap of a bead.');
    if (!crush.ok) return setProblem(refusalText(crush.problem));
    setProblem(null);
    if (
      await write(
        beads.map((data) => ({ kind: 'bead-measured' as const, data })),
        'Bundles and gap saved.',
      )
    )
      onDone();
  };
  return (
    <Sheet title="Bundle, gap and crush" closes="Close crush" widthPx={760} footed>
      <div className="min-h-[60px]" aria-live="polite">
        {crush?.ok ? (
          <>
            <Reasons reasons={crush.working.result.reasons} />
            <BasisTag title="the crush" working={crush.working}>
              math
            </BasisTag>
          </>
        ) : (
          <p className="text-ink2">
            {crush?.problem.message ??
              'Bead bundle thickness at three places, then the gap with the ring seated.'}
          </p>
        )}
      </div>
      <div className="mt-3">
        <CaliperTake
          next={next?.label ?? null}
          onTake={(mm, from) => {
            if (next) put(next, show(mm, 'mm', 3));
            setDevice(from);
          }}
        />
      </div>
      {sides.map((side) =>
        PARTS.map(([part, word]) => (
          <fieldset key={`${side} ${part}`} className="mt-3 grid grid-cols-3 items-end gap-2">
            <legend className="head text-lg">
              {side === 'inner' ? 'Inner' : 'Outer'} bead:{' '}
              {word === 'bundle' ? 'bundle' : 'gap of the seated ring'}
            </legend>
            {cells
              .filter((c) => c.side === side && c.part === part)
              .map((c) => (
                <QuantityField
                  key={keyOf(c)}
                  label={`Place ${c.i + 1}`}
                  unit="mm"
                  value={typed[keyOf(c)] ?? ''}
                  onChange={(text) => put(c, text)}
                  problem={isBad(c) ? 'A thickness.' : null}
                />
              ))}
          </fieldset>
        )),
      )}
      {state.wheel && (
        <SectionDrawing
          wheel={state.wheel}
          beads={measured}
          className="mx-auto mt-4 w-full max-w-[560px]"
        />
      )}
      <SheetFoot keeps="Save readings" onKeep={() => void keep()} problem={problem} />
    </Sheet>
  );
};
