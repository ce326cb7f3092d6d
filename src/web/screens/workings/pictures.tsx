import type { ReactNode } from 'react';
import { balanceEstimate, balancePlace, balanceTrial } from '../../../core/bench/balance';
import { beadPath, beadPathDrawing, bitePlan, mountOrientation } from '../../../core/bench/beads';
import { CHAIN_FIELD, chainDrawing, chainSlack } from '../../../core/bench/drive';
import {
  crossSection,
  ringGap,
  SECTION_FIELD,
  sectionLength,
  wheelOffset,
} from '../../../core/bench/ring';
import { runout } from '../../../core/bench/truing';
import { tireCompare } from '../../../core/fit/tires';
import type { DialMark, DrawnShape } from '../../../core/fit/drawing';
import { beliefMark, weightMarks } from '../../../core/job/balance-marks';
import type { Working } from '../../../core/base/working';
import { Shape } from '../../pictures/DrawnShape';
import type { useUnits } from '../../shared/quantity';
import { SizePicture } from '../../pictures/SizePicture';
import { WheelDial } from '../../pictures/WheelDial';

type Units = ReturnType<typeof useUnits>;

/** The drawing of a calculator's result; null when there is nothing to draw. */
type Picture<Result, Input> = (working: Working<Result, Input>, units: Units) => ReactNode;

/** A drawing by its shapes, on a field of its own. */
const Drawing = ({
  shapes,
  field,
  label,
}: {
  shapes: readonly DrawnShape[];
  field: { width: number; height: number };
  label: string;
}) => (
  <svg
    viewBox={`0 0 ${field.width} ${field.height}`}
    role="img"
    aria-label={label}
    className="dial mx-auto max-h-[300px] sm:max-h-[420px] w-full"
  >
    {shapes.map((shape, i) => (
      <Shape key={i} shape={shape} />
    ))}
  </svg>
);

const SQUARE = { width: 600, height: 600 };

/** A wheel that stands for any: the calculator knows no more of it. */
const ANY_WHEEL = { build: 'spoked', spokes: 36, lacing: '3x' } as const;

const Dial = ({ marks, tireOn = true }: { marks: readonly DialMark[]; tireOn?: boolean }) => (
  <WheelDial
    wheel={ANY_WHEEL}
    marks={marks}
    sideUp="disc"
    tireOn={tireOn}
    className="mx-auto max-h-[300px] sm:max-h-[420px] w-full"
  />
);

/** Pairs a calculator with its picture; the one place where a picture's types are let go. */
const picture = <Input, Result>(
  { name }: { name: string; run(input: Input): Working<Result, Input> },
  draw: Picture<Result, Input>,
): readonly [string, Picture<unknown, unknown>] => [
  name,
  (working, units) => draw(working as Working<Result, Input>, units),
];

const grams =
  ({ say }: Units) =>
  (massG: number): string =>
    say(massG, 'g', { digits: Number.isInteger(massG) ? 0 : 1 });

const PICTURES = new Map([
  picture(tireCompare, ({ result, input }) => (
    <SizePicture
      comparison={result}
      {...(input.clearancesMm && { clearancesMm: input.clearancesMm })}
      className="max-h-[300px] sm:max-h-[420px] w-full"
    />
  )),
  picture(beadPath, ({ input, result }, { say }) => (
    <Drawing
      field={SQUARE}
      label="Bead on its way over the flange, to scale"
      shapes={beadPathDrawing({
        rim: { fillMm: 0, ...input },
        leftDeg: result.tightest.leftDeg,
        biteMm: input.biteMm,
        farUpDeg: input.farUpDeg ?? 0,
        say: (mm) => say(mm, 'mm', { digits: 0 }),
      })}
    />
  )),
  picture(bitePlan, ({ input, result }) => (
    <Dial
      marks={[
        ...input.lockDegs.map((deg): DialMark => ({ is: 'lock', deg })),
        { is: 'push', fromDeg: result.kneelFromDeg, toDeg: result.kneelToDeg },
        { is: 'start', deg: result.startDeg },
        ...result.bites.map((b): DialMark => ({
          is: 'bite',
          deg: b.leverDeg,
          n: b.n,
          done: false,
          now: b.n === 1,
        })),
      ]}
    />
  )),
  picture(mountOrientation, ({ result }) => (
    <Dial
      marks={[
        ...(result.markDeg === null ? [] : [{ is: 'light-mark', deg: result.markDeg } as const]),
        ...(result.arrowNeeds === 'either'
          ? []
          : [{ is: 'arrow', clockwise: result.arrowNeeds === 'clockwise' } as const]),
      ]}
    />
  )),
  picture(runout, ({ result }, { say }) => (
    <Dial
      tireOn={false}
      marks={(['lateral', 'radial'] as const).flatMap((way): DialMark[] => {
        const part = result[way];
        if (!part) return [];
        const label = `${way} high, ${say(part.totalMm, 'mm', { digits: 2 })}`;
        return [{ is: 'rest', deg: part.highDeg, label }];
      })}
    />
  )),
  picture(wheelOffset, ({ input, result }, { units }) => {
    const { other } = input;
    const widths = [
      { label: 'This wheel', ...input, overallWidthMm: result.overallWidthMm },
      ...(other && result.moves
        ? [{ label: 'In its place', ...other, overallWidthMm: result.moves.overallWidthMm }]
        : []),
    ];
    return widths.map(({ label, overallWidthMm, innerWidthMm, backspaceMm }) => {
      const wheel = {
        build: 'cast',
        rings: null,
        overallWidthMm,
        innerWidthMm: innerWidthMm ?? null,
        backspaceMm,
        stepMm: null,
        flangeMm: null,
        wellMm: null,
        circleMm: null,
        ringGapMm: null,
      } as const;
      const shapes = crossSection(wheel, sectionLength(units));
      return (
        shapes && (
          <figure key={label}>
            <figcaption className="text-[16px] text-ink2">{label}</figcaption>
            <Drawing
              shapes={shapes}
              field={SECTION_FIELD}
              label={`${label}, cut through the axle`}
            />
          </figure>
        )
      );
    });
  }),
  picture(ringGap, ({ input, result }, { say }) => {
    const widest = Math.max(0.01, ...input.readings.map((r) => r.gapMm));
    return (
      <Dial
        marks={[
          ...input.readings.map(({ deg, gapMm }): DialMark => ({
            is: 'gap',
            deg,
            share: gapMm / widest,
            label: say(gapMm, 'mm', { digits: 2 }),
          })),
          ...result.pulls.map(({ bolt, deg }, i): DialMark => ({
            is: 'bolt',
            deg,
            n: bolt,
            state: i === 0 ? 'now' : 'open',
          })),
        ]}
      />
    );
  }),
  picture(balanceTrial, ({ input, result }, units) => (
    <Dial
      marks={[
        { is: 'heavy', deg: result.heavyDeg, label: grams(units)(result.heavyMassG) },
        { is: 'trial', deg: input.trialDeg, label: grams(units)(input.trialMassG) },
        { is: 'rest', deg: input.restWithTrialDeg, label: 'bottom with it' },
      ]}
    />
  )),
  picture(balanceEstimate, ({ input, result }, units) => (
    <Dial
      marks={[
        beliefMark(result, grams(units)),
        ...weightMarks(input.on ?? [], 'weight', grams(units)),
      ]}
    />
  )),
  picture(balancePlace, ({ result }, units) => (
    <Dial marks={weightMarks(result.pieces, 'weight', grams(units))} />
  )),
  picture(chainSlack, ({ input, result }, { say }) => (
    <Drawing
      field={CHAIN_FIELD}
      label="Lower run of the chain, slack drawn larger"
      shapes={chainDrawing({
        ...input,
        slackMm: result.tightestMm,
        slackAfterMm: result.slackAfterMm,
        say: (mm) => say(mm, 'mm', { digits: 0 }),
      })}
    />
  )),
]);

/** The picture of a calculator's result, to scale when its numbers are lengths; null for the rest. */
export const calculatorPicture = (working: Working, units: Units): ReactNode =>
  PICTURES.get(working.name)?.(working, units) ?? null;
