import { useMemo } from 'react';
import {
  mergedShapes,
  sizePicture,
  SIZE_LETTERS,
  type PictureShape,
  type PictureWheel,
} from '../../core/fit/drawing';
import type { Clearances, TireComparison } from '../../core/fit/tires';
import { formatQuantity, type UnitPreferences } from '../../core/base/units';
import { Shape as Drawn } from './DrawnShape';
import { useUnits } from '../shared/quantity';

/**
 * The line of each size: the present one as a row of chalk ticks across its outline, the first new
 * one drawn as itself, the others as lines.
 */
const LINES = [
  { className: 'stroke-check', dash: '2.5 8', width: 10 },
  { className: 'stroke-stone', dash: undefined, width: 3.5 },
  { className: 'stroke-water', dash: undefined, width: 3.5 },
  { className: 'stroke-ink', dash: '3 7', width: 3.5 },
] as const;

const wordsOf = (label: Extract<PictureShape, { kind: 'label' }>, units: UnitPreferences): string =>
  label.pattern.replace(/\{(\d)\}/g, (_whole, i: string) => {
    const q = label.quantities[Number(i)]!;
    const { text, label: unit } = formatQuantity(
      q.value,
      q.unit,
      units,
      label.sign ? { sign: true } : {},
    );
    return `${text} ${unit}`;
  });

/** Words in the color of their line; a single change is the live thing. */
const TONE = [
  'fill-check text-check',
  'fill-ink text-ink',
  'fill-water text-water',
  'fill-ink2 text-ink2',
] as const;

const Shape = ({
  shape,
  units,
  several,
}: {
  shape: PictureShape;
  units: UnitPreferences;
  several: boolean;
}) => {
  switch (shape.kind) {
    case 'circle': {
      const line = LINES[shape.of]!;
      // The first new one is drawn as itself; rims of one size lie over one another.
      if (shape.of === 1 || shape.part === 'rim') return null;
      return (
        <>
          <circle
            cx={shape.cx}
            cy={shape.cy}
            r={shape.r}
            fill="none"
            className="stroke-stone"
            strokeWidth={line.width + 2.5}
            strokeDasharray={line.dash}
          />
          <circle
            cx={shape.cx}
            cy={shape.cy}
            r={shape.r}
            fill="none"
            className={line.className}
            strokeWidth={line.width}
            strokeDasharray={line.dash}
          />
        </>
      );
    }
    case 'section': {
      const line = LINES[shape.of]!;
      if (shape.of === 1) return null;
      return (
        <path
          d={shape.d}
          fill="none"
          className={line.className}
          strokeWidth={line.width}
          strokeDasharray={line.dash}
        />
      );
    }
    case 'bar':
      return (
        <line
          x1={shape.x1}
          y1={shape.y1}
          x2={shape.x2}
          y2={shape.y2}
          className="stroke-ink2"
          strokeWidth="8"
          strokeLinecap="round"
        />
      );
    case 'leader':
      return (
        <line
          x1={shape.x1}
          y1={shape.y1}
          x2={shape.x2}
          y2={shape.y2}
          className="stroke-ink"
          strokeWidth="1.3"
        />
      );
    case 'label':
      return (
        <text
          x={shape.x}
          y={shape.y}
          textAnchor={shape.anchor}
          fontSize="21"
          className={several ? TONE[shape.of]! : 'fill-water'}
        >
          {wordsOf(shape, units)}
        </text>
      );
  }
};

/** The new tire first, so that every line is drawn over it. */
const layer = (s: PictureShape): number =>
  s.kind === 'circle' || s.kind === 'section'
    ? s.of === 1
      ? 0
      : 1
    : s.kind === 'bar'
      ? 2
      : s.kind === 'leader'
        ? 3
        : 4;

/** Whether a shape need not be drawn when the new size is the old one: all but the room. */
const isNoise = (s: PictureShape): boolean =>
  s.kind === 'leader' ||
  (s.kind === 'label' && s.sign === false && s.quantities.length === 0) ||
  ((s.kind === 'circle' || s.kind === 'section') && s.of === 0);

/** Two to four sizes to one scale over one another, with the differences where they are. */
export const SizePicture = ({
  comparison,
  clearancesMm,
  at,
  className = 'w-full lg:max-h-[calc(100dvh-200px)]',
}: {
  comparison: TireComparison;
  clearancesMm?: Clearances;
  /** The wheel that they are for. */
  at?: PictureWheel;
  className?: string;
}) => {
  const { units, say } = useUnits();
  const { shapes, newTire } = useMemo(
    () => sizePicture(comparison, clearancesMm, at),
    [comparison, clearancesMm, at],
  );
  const { from, changes } = comparison;
  const several = changes.length > 1;
  const same =
    !several &&
    Math.abs(changes[0]!.diameterChangeMm) < 0.05 &&
    Math.abs(changes[0]!.sectionWidthChangeMm) < 0.05;
  const summary = changes
    .map(
      (c) =>
        `${c.to.canonical}: diameter ${say(c.diameterChangeMm, 'mm', { sign: true })}, width ${say(c.sectionWidthChangeMm, 'mm', { sign: true })}`,
    )
    .join('; ');
  const names = [from, ...changes.map((c) => c.to)].map((s) => s.size);
  const shown = [...shapes].sort((a, b) => layer(a) - layer(b)).filter((s) => !same || !isNoise(s));
  const sameSize = `${say(from.sectionWidthMm, 'mm')} wide, ${say(from.sectionHeightMm, 'mm')} sidewall`;
  return (
    <>
      <svg
        viewBox="0 20 756 540"
        role="img"
        className={`max-sm:[&_text]:hidden ${className}`}
        aria-label={`To scale, against ${from.canonical}. ${summary}`}
      >
        <g className="dial">
          <g transform={newTire.transform}>
            {mergedShapes(newTire.wheel).map((shape, i) => (
              <Drawn key={i} shape={shape} />
            ))}
          </g>
          {newTire.section.map((shape, i) => (
            <Drawn key={i} shape={shape} />
          ))}
        </g>
        {shown.map((shape, i) => (
          <g key={i} className="head">
            <Shape shape={shape} units={units} several={several} />
          </g>
        ))}
        <g className="head" textAnchor="middle">
          {several ? (
            names.map((name, of) => (
              <text
                key={of}
                x="215"
                y={290 + (of - (names.length - 1) / 2) * 30 + 8}
                fontSize="22"
                className={TONE[of]!}
              >
                {SIZE_LETTERS[of]} {name}
              </text>
            ))
          ) : (
            <>
              <text x="215" y={at ? 528 : 284} fontSize="26" className="fill-ink">
                {changes[0]!.to.size}
              </text>
              <text
                x="215"
                y={at ? 553 : 314}
                fontSize="19"
                className={same ? 'fill-ink2' : 'fill-check'}
              >
                {same ? 'the same size as before' : `ticks: ${names[0]}`}
              </text>
            </>
          )}
          {same && (
            <text x="592" y="427" fontSize="21" className="fill-water">
              {sameSize}
            </text>
          )}
        </g>
      </svg>
      {/* On a phone letters of the picture would be too small to read. */}
      <ul
        className="head flex flex-wrap justify-center gap-x-4 text-[15px] sm:hidden"
        aria-hidden="true"
      >
        {same ? (
          <li>{`${names[1]}, the same size as before: ${sameSize}`}</li>
        ) : (
          names.map((name, of) => (
            <li key={of} className={TONE[of]!}>
              {several ? `${SIZE_LETTERS[of]} ${name}` : of === 0 ? `ticks: ${name}` : name}
            </li>
          ))
        )}
        {shown.map(
          (shape, i) =>
            shape.kind === 'label' && (
              <li key={i} className={several ? TONE[shape.of]! : 'text-water'}>
                {wordsOf(shape, units)}
              </li>
            ),
        )}
      </ul>
    </>
  );
};
