import { useMemo, useState } from 'react';
import { runoutOf, type EntryData } from '../../core/job';
import type { RunoutReading, RunoutResult } from '../../core/bench/truing';
import { placeText } from '../../core/base/units';
import { ChoiceField, QuantityField } from '../shared/fields';
import { useUnits } from '../shared/quantity';
import { Reasons } from '../shared/Reasons';
import { BasisTag } from '../shared/working';
import { useJob } from '../shared/job-context';
import { Sheet } from '../parts/Sheet';
import { SheetFoot } from '../parts/SheetFoot';
import { IndicatorTake } from './IndicatorTake';
import { NippleAdvice } from './NippleAdvice';
import { refusalText } from '../shared/refusal';

const PLACES = [6, 8, 12, 18] as const;
const MAX_MM = 20;

/**
 * Readings round the wheel, swung out from a circle so that a tenth can be seen; the high spot
 * marked.
 */
const Plot = ({ readings, result }: { readings: RunoutReading[]; result: RunoutResult }) => {
  const values = readings.flatMap((r) => [r.lateralMm ?? 0, r.radialMm ?? 0]);
  const swing = Math.max(0.2, ...values.map(Math.abs));
  const at = (deg: number, r: number) => {
    const rad = (deg * Math.PI) / 180;
    return `${(150 + r * Math.sin(rad)).toFixed(1)} ${(150 - r * Math.cos(rad)).toFixed(1)}`;
  };
  const ring = (key: 'lateralMm' | 'radialMm') =>
    `M${readings
      .filter((r) => r[key] !== undefined)
      .map((r) => at(r.angleDeg, 95 + (32 * r[key]!) / swing))
      .join('L')}Z`;
  return (
    <svg
      viewBox="0 0 300 300"
      role="img"
      aria-label="Runout around the wheel, valve at the top"
      className="mx-auto w-full max-w-[300px]"
    >
      <circle cx="150" cy="150" r="95" fill="none" className="stroke-lip" strokeWidth="10" />
      {result.lateral && (
        <path d={ring('lateralMm')} fill="none" className="stroke-water" strokeWidth="3" />
      )}
      {result.radial && (
        <path
          d={ring('radialMm')}
          fill="none"
          className="stroke-check"
          strokeWidth="3"
          strokeDasharray="7 5"
        />
      )}
      {(
        [
          ['lateral', 'fill-water', 'side'],
          ['radial', 'fill-check', 'up'],
        ] as const
      ).map(([key, tone, word]) => {
        const part = result[key];
        if (!part) return null;
        const [x, y] = at(part.highDeg, 137).split(' ').map(Number) as [number, number];
        return (
          <text
            key={key}
            x={x}
            y={y + 5}
            textAnchor="middle"
            fontSize="14"
            className={`head ${tone}`}
          >
            {word}
          </text>
        );
      })}
      <path d="M146 44H154V58H146Z" className="fill-ink" />
    </svg>
  );
};

/**
 * Readings of the dial indicator round the wheel, what they amount to, and which spokes to work.
 */
export const RunoutSheet = () => {
  const { state, write, correcting } = useJob();
  const { read, say, write: show, label } = useUnits();
  const before = state.runout?.readings;
  const [places, setPlaces] = useState(
    before && PLACES.includes(before.length as never) ? before.length : 8,
  );
  const [typed, setTyped] = useState<Record<string, { lateral: string; radial: string }>>(() =>
    Object.fromEntries(
      (before ?? []).map((r) => [
        String(r.angleDeg),
        {
          lateral: r.lateralMm === undefined ? '' : show(r.lateralMm, 'mm', 3),
          radial: r.radialMm === undefined ? '' : show(r.radialMm, 'mm', 3),
        },
      ]),
    ),
  );
  const [device, setDevice] = useState(state.runout?.device ?? null);
  const [problem, setProblem] = useState<string | null>(null);
  const degs = useMemo(
    () => Array.from({ length: places }, (_, i) => (i * 360) / places),
    [places],
  );
  const valueOf = (text: string | undefined) => (text?.trim() ? read(text, 'mm') : undefined);
  const bad = (text: string | undefined) => {
    const v = valueOf(text);
    return v === null || (v !== undefined && Math.abs(v) > MAX_MM);
  };
  const readings = degs.flatMap((angleDeg): RunoutReading[] => {
    const row = typed[String(angleDeg)];
    const [lateralMm, radialMm] = [valueOf(row?.lateral), valueOf(row?.radial)];
    if (lateralMm == null && radialMm == null) return [];
    return [
      {
        angleDeg,
        ...(lateralMm == null ? {} : { lateralMm }),
        ...(radialMm == null ? {} : { radialMm }),
      },
    ];
  });
  const faulty = degs.some((d) => bad(typed[String(d)]?.lateral) || bad(typed[String(d)]?.radial));
  const result = runoutOf(state, readings);
  // After nipples were turned it is another rim: what was read before them stands.
  const instead = state.runout ? correcting('runout') : {};
  const turned = async (entry: EntryData['nipples-turned']) => {
    const its = { kind: 'runout', ...instead, data: { readings, device } } as const;
    // What is read next is another rim.
    if (await write([its, { kind: 'nipples-turned', data: entry }], 'Turns saved. Measure again.'))
      setTyped({});
  };
  const keep = async () => {
    if (faulty) return setProblem('Some readings aren’t lengths. Fix the marked fields.');
    if (!result.ok) return setProblem(refusalText(result.problem));
    setProblem(null);
    await write([{ kind: 'runout', ...instead, data: { readings, device } }], 'Runout saved.');
  };
  return (
    <Sheet title="Runout around the wheel" closes="Close readings" widthPx={860} footed>
      <div className="grid gap-6 md:grid-cols-[minmax(0,1fr)_330px]">
        <div>
          <ChoiceField
            label="Places"
            value={String(places)}
            onChange={(v) => setPlaces(Number(v))}
            options={PLACES.map((n) => [String(n), `${n} places`] as const)}
            hint={`Plus is toward the disc side and outward. In ${label('mm')}.`}
          />
          <div className="mt-3">
            <IndicatorTake
              next={{
                lateral: degs.find((d) => !typed[String(d)]?.lateral.trim()) ?? null,
                radial: degs.find((d) => !typed[String(d)]?.radial.trim()) ?? null,
              }}
              onTake={(way, deg, mm, from) => {
                setDevice(from);
                setTyped((all) => ({
                  ...all,
                  [String(deg)]: {
                    ...(all[String(deg)] ?? { lateral: '', radial: '' }),
                    [way]: show(mm, 'mm', 3),
                  },
                }));
              }}
            />
          </div>
          <ul className="rows mt-3">
            {degs.map((deg) => {
              const row = typed[String(deg)] ?? { lateral: '', radial: '' };
              const put = (part: Partial<typeof row>) =>
                setTyped((all) => ({ ...all, [String(deg)]: { ...row, ...part } }));
              return (
                <li
                  key={deg}
                  className="grid grid-cols-[86px_1fr_1fr] items-end gap-2 border-b border-stone3 py-1"
                >
                  <span className="num pb-3 text-[15px]">{placeText(deg)}</span>
                  <QuantityField
                    signed
                    label={`Side, ${Math.round(deg)}°`}
                    unit="mm"
                    value={row.lateral}
                    onChange={(lateral) => put({ lateral })}
                    problem={bad(row.lateral) ? 'A length.' : null}
                  />
                  <QuantityField
                    signed
                    label={`Up, ${Math.round(deg)}°`}
                    unit="mm"
                    value={row.radial}
                    onChange={(radial) => put({ radial })}
                    problem={bad(row.radial) ? 'A length.' : null}
                  />
                </li>
              );
            })}
          </ul>
        </div>
        <div className="md:sticky md:top-0 md:self-start" aria-live="polite">
          {result.ok ? (
            <>
              <Plot readings={readings} result={result.working.result} />
              <Reasons reasons={result.working.result.reasons} />
              <p className="mt-1">
                <BasisTag title="the runout" working={result.working}>
                  math
                </BasisTag>
              </p>
              <ul className="caution mt-2 text-[16px]">
                {result.working.cautions.map((c) => (
                  <li key={c}>{c}</li>
                ))}
              </ul>
              <NippleAdvice readings={readings} onTurned={turned} />
            </>
          ) : (
            <p className="py-8 text-ink2">
              {readings.length === 0
                ? `Enter the readings to a hundredth: ${say(0.01, 'mm', { digits: 2 })}.`
                : result.problem.message}
            </p>
          )}
        </div>
      </div>
      <SheetFoot keeps="Save readings" onKeep={() => void keep()} problem={problem} />
    </Sheet>
  );
};
