import { useState } from 'react';
import { gapOf, ringOf, ringsOf, RING_WORDS } from '../../../core/job';
import { GAP_TIMES, type BeadSide, type GapReading, type GapTime } from '../../../core/bench/ring';
import { placeText } from '../../../core/base/units';
import { ChoiceField, QuantityField } from '../../shared/fields';
import { useJob } from '../../shared/job-context';
import { useUnits } from '../../shared/quantity';
import { Reasons } from '../../shared/Reasons';
import { Sheet } from '../../parts/Sheet';
import { SheetFoot } from '../../parts/SheetFoot';
import { BasisTag } from '../../shared/working';
import { refusalText } from '../../shared/refusal';

const PLACES = 8;
const DEGS = Array.from({ length: PLACES }, (_, i) => (360 * i) / PLACES);
const MAX_MM = 60;

/** Feeler readings round a ring: even or tilted, and where to pull next. */
export const GapSheet = ({ onDone }: { onDone: () => void }) => {
  const { state, write } = useJob();
  const { read } = useUnits();
  const rings = ringsOf(state).filter((r): r is BeadSide => r !== 'rim');
  const [ring, setRing] = useState<BeadSide>(
    () => (ringOf(state)?.next?.ring as BeadSide | undefined) ?? rings[0] ?? 'outer',
  );
  const [when, setWhen] = useState<GapTime>('before the torque');
  const [typed, setTyped] = useState<Record<number, string>>({});
  const [problem, setProblem] = useState<string | null>(null);
  const valueOf = (deg: number) => (typed[deg]?.trim() ? read(typed[deg]!, 'mm') : undefined);
  const isBad = (deg: number) => {
    const mm = valueOf(deg);
    return mm === null || (mm !== undefined && (mm < 0 || mm > MAX_MM));
  };
  const readings = DEGS.flatMap((deg): GapReading[] => {
    const gapMm = valueOf(deg);
    return gapMm == null || isBad(deg) ? [] : [{ deg, gapMm }];
  });
  const found =
    readings.length === 0
      ? null
      : gapOf({ ...state, ringGaps: [...state.ringGaps, { ring, when, readings }] }, ring);
  const keep = async () => {
    if (DEGS.some(isBad)) return setProblem('Some readings aren’t gaps. Fix the marked fields.');
    if (!found) return setProblem('No readings yet. Measure the gap at four places or more.');
    if (!found.ok) return setProblem(refusalText(found.problem));
    setProblem(null);
    if (await write([{ kind: 'ring-gap', data: { ring, when, readings } }], 'Gap saved.')) onDone();
  };
  return (
    <Sheet title="Gap around the ring" closes="Close gap" widthPx={680} footed>
      <div className="min-h-[60px]" aria-live="polite">
        {found?.ok ? (
          <>
            <Reasons reasons={found.working.result.reasons} />
            {found.working.result.pulls.length > 0 && (
              <p className="mt-1 text-[16px]">
                Pull{' '}
                {found.working.result.pulls
                  .slice(0, 3)
                  .map((p) => `bolt ${p.bolt} by ${p.turns.toFixed(2)} of a turn`)
                  .join(', ')}
                .
              </p>
            )}
            <BasisTag title="the gap" working={found.working}>
              math
            </BasisTag>
          </>
        ) : (
          <p className="text-ink2">
            {found?.problem.message ?? 'Feeler gauge at eight places, at least four.'}
          </p>
        )}
      </div>
      <div className="mt-3 grid gap-3 sm:grid-cols-2">
        {rings.length > 1 && (
          <ChoiceField
            label="Which ring"
            value={ring}
            onChange={(v) => setRing(v as BeadSide)}
            options={rings.map((r) => [r, RING_WORDS[r]] as const)}
          />
        )}
        <ChoiceField
          label="When"
          value={when}
          onChange={(v) => setWhen(v as GapTime)}
          options={GAP_TIMES.map((t) => [t, t] as const)}
        />
      </div>
      <div className="mt-3 grid grid-cols-2 gap-2 sm:grid-cols-4">
        {DEGS.map((deg) => (
          <QuantityField
            key={deg}
            label={placeText(deg)}
            unit="mm"
            value={typed[deg] ?? ''}
            onChange={(text) => setTyped((all) => ({ ...all, [deg]: text }))}
            problem={isBad(deg) ? 'A gap.' : null}
          />
        ))}
      </div>
      <SheetFoot keeps="Save readings" onKeep={() => void keep()} problem={problem} />
    </Sheet>
  );
};
