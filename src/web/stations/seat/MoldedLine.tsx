import { useMemo } from 'react';
import { mirrored, normalDeg, placeText } from '../../../core/base/units';
import { lockMarks, type DialMark } from '../../../core/fit/drawing';
import { Button } from '../../parts/Button';
import { WheelDial } from '../../pictures/WheelDial';
import { useJob } from '../../shared/job-context';
import { BeadCloseUp } from './BeadCloseUp';

/** Places to look at, round the side that is seen: as many as a fitter turns the wheel by. */
const PLACES = [0, 45, 90, 135, 180, 225, 270, 315];

/**
 * One side's molded line: a tap on a place says even, another low; below it the whole side in one
 * word.
 */
export const MoldedLine = ({ side, label }: { side: 'disc' | 'other'; label: string }) => {
  const { state, wheel, write } = useJob();
  const fromDisc = (seen: number) => (side === 'disc' ? seen : mirrored(seen));
  const seatedNow = state.seated[side];
  const { line } = state;
  const points = useMemo(() => line.filter((p) => p.side === side), [line, side]);
  // Redrawn when something on it changes, not with every line of the gauge.
  const marks = useMemo(
    (): DialMark[] => [
      ...lockMarks(wheel),
      ...PLACES.map(
        (deg) =>
          ({
            is: 'line',
            deg,
            even: seatedNow === true ? true : (points.find((p) => p.deg === deg)?.even ?? null),
          }) as const,
      ),
    ],
    [wheel, points, seatedNow],
  );
  const put = (deg: number, even: boolean) =>
    void write([
      { kind: 'molded-line', data: { side, deg, even } },
      ...(even || seatedNow !== true
        ? []
        : [{ kind: 'seated', data: { side, seated: false } } as const]),
    ]);
  const pick = (deg: number) => {
    const place = PLACES[Math.round(normalDeg(deg) / 45) % PLACES.length]!;
    // The first tap says even, another low, and so on by turns.
    put(place, points.find((p) => p.deg === place)?.even !== true);
  };
  const set = (seated: boolean) =>
    void write(
      [{ kind: 'seated', data: { side, seated } }],
      `${label}: ${seated ? 'seated' : 'not seated'}.`,
    );
  return (
    <div role="group" aria-label={label} className="relative min-w-0 flex-1">
      <span className="head absolute top-0 left-1 text-[17px]">{label}</span>
      <div className="flex items-center justify-center">
        <WheelDial
          wheel={wheel}
          marks={marks}
          sideUp={side}
          tireOn
          small
          letters={2.3}
          onPick={pick}
          className="h-[150px] min-w-0 flex-1 xl:h-[29dvh]"
        />
        <BeadCloseUp
          side={side}
          className="w-[88px] shrink-0 rounded-b-xl bg-stone2 max-xl:hidden"
        />
      </div>
      <div className="flex flex-wrap items-center justify-center gap-1 max-sm:[&>button]:px-2">
        <Button small aria-pressed={seatedNow === true} onClick={() => set(true)}>
          Seated
        </Button>
        <Button small aria-pressed={seatedNow === false} onClick={() => set(false)}>
          Not yet
        </Button>
        <select
          className="field !w-[104px] !min-h-12 shrink-0 max-sm:!w-[150px]"
          aria-label={`Low at, ${label.toLowerCase()}`}
          value=""
          onChange={(e) => put(fromDisc(Number(e.target.value)), false)}
        >
          <option value="" disabled>
            low at …
          </option>
          {PLACES.map((seen) => (
            <option key={seen} value={seen}>
              {placeText(seen)}
            </option>
          ))}
        </select>
      </div>
    </div>
  );
};
