import { useId, useState } from 'react';
import { Link } from 'react-router';
import { sidewallRead, tireSize } from '../../core/fit/tires';
import { attempt } from '../../core/base/working';
import { TextField } from '../shared/fields';
import { Frame } from '../shared/Frame';
import { Quantity, useUnits } from '../shared/quantity';
import { useAddress } from '../parts/use-address';
import { BasisTag, useMainWorking } from '../shared/working';
import { FigureRow } from '../stations/StationLayout';
import { refusalText } from '../shared/refusal';

const EXAMPLES = [
  '140/70-17 66H TL',
  '120/70 ZR 17 M/C (58W) TL',
  'MT90B16 72H TT',
  '25x8-12 6PR NHS',
  '4.00-18 TT',
  '33.0/10.5-15',
];

/** The text as pieces in order, with what stands between them. */
const piecesOf = (
  text: string,
  parts: readonly { text: string }[],
): { text: string; part: number }[] => {
  const pieces: { text: string; part: number }[] = [];
  let at = 0;
  parts.forEach((p, i) => {
    const from = text.indexOf(p.text, at);
    if (from > at) pieces.push({ text: text.slice(at, from), part: -1 });
    pieces.push({ text: p.text, part: i });
    at = from + p.text.length;
  });
  if (at < text.length) pieces.push({ text: text.slice(at), part: -1 });
  return pieces;
};

/** The marking bent along a sidewall, the piece at hand lit up. */
const Arc = ({
  text,
  parts,
  lit,
  onLight,
}: {
  text: string;
  parts: readonly { text: string }[];
  lit: number;
  onLight: (i: number) => void;
}) => {
  const path = useId();
  const size = Math.min(66, 780 / (text.length * 0.5));
  return (
    <svg
      viewBox="0 0 1000 300"
      role="img"
      aria-label={`The sidewall reads ${text}`}
      className="w-full"
    >
      <path
        d="M0.4 300A640 640 0 0 1 999.6 300L816.4 300A510 510 0 0 0 183.6 300Z"
        className="fill-[var(--rubber)]"
      />
      <path id={path} d="M111 300A556 556 0 0 1 889 300" fill="none" />
      <text className="head" fontSize={size} textAnchor="middle" letterSpacing="2" fill="#efe9dc">
        <textPath href={`#${path}`} startOffset="50%">
          {piecesOf(text, parts).map((p, i) => (
            <tspan
              key={i}
              fill={p.part === lit && p.part >= 0 ? '#8fd6d8' : undefined}
              textDecoration={p.part === lit && p.part >= 0 ? 'underline' : undefined}
              className={p.part >= 0 ? 'cursor-pointer' : undefined}
              onClick={p.part >= 0 ? () => onLight(p.part) : undefined}
            >
              {p.text.replace(/ /g, '\u00a0')}
            </tspan>
          ))}
        </textPath>
      </text>
    </svg>
  );
};

const readMarking = (params: URLSearchParams): string => params.get('marking') ?? EXAMPLES[0]!;
const writeMarking = (params: URLSearchParams, to: string): void => params.set('marking', to);

/** For learners: every piece of a marking explained where it stands. */
export const SidewallScreen = () => {
  const [marking, setMarking] = useAddress(readMarking, writeMarking);
  const { tell } = useUnits();
  const [lit, setLit] = useState(0);
  const reading = attempt(sidewallRead, { marking: marking || ' ' });
  const size = attempt(tireSize, { marking: marking || ' ' });
  useMainWorking('the size', size.ok ? size.working : null);
  const parts = reading.ok ? reading.working.result.parts : [];
  const write = (v: string) => {
    setLit(0);
    setMarking(v);
  };
  return (
    <Frame title="Sidewall reader">
      <div className="grid gap-x-8 lg:grid-cols-[minmax(0,1fr)_360px]">
        <div>
          <TextField
            label="Sidewall marking"
            value={marking}
            onChange={write}
            maxLength={40}
            problem={reading.ok ? null : refusalText(reading.problem)}
          />
          {reading.ok && (
            <>
              <div className="relative">
                <Arc text={reading.working.result.text} parts={parts} lit={lit} onLight={setLit} />
                <div
                  className="mx-auto -mt-[8.5%] mb-2 min-h-24 max-w-[46%] text-center max-sm:mt-1 max-sm:max-w-full"
                  aria-live="polite"
                >
                  <p className="head text-[21px] text-water">{parts[lit]?.called}</p>
                  {parts[lit] && <p>{tell(parts[lit])}</p>}
                </div>
              </div>
              <ul className="rows" aria-label="Marking by part">
                {parts.map((p, i) => (
                  <li key={i}>
                    <button
                      type="button"
                      aria-pressed={i === lit}
                      onClick={() => setLit(i)}
                      onFocus={() => setLit(i)}
                      onMouseEnter={() => setLit(i)}
                      className={`grid min-h-12 w-full cursor-pointer grid-cols-[92px_minmax(0,1fr)] items-baseline gap-x-4 border-b border-stone3 py-2 pl-2 text-left sm:grid-cols-[92px_180px_minmax(0,1fr)] ${i === lit ? 'bg-water3' : ''}`}
                    >
                      <span className="num text-xl">{p.text}</span>
                      <span className="head text-[17px]">{p.called}</span>
                      <span className="max-sm:col-start-2">
                        {tell(p)}
                        {p.mind && <span className="block text-[16px] text-check">{p.mind}</span>}
                      </span>
                    </button>
                  </li>
                ))}
              </ul>
            </>
          )}
        </div>
        <aside>
          {size.ok && (
            <>
              <h2 className="mt-2 text-2xl">Tire dimensions</h2>
              <div className="rows mt-1">
                <FigureRow label="Section width">
                  <Quantity value={size.working.result.sectionWidthMm} unit="mm" />
                </FigureRow>
                <FigureRow label="Section height">
                  <Quantity value={size.working.result.sectionHeightMm} unit="mm" />
                </FigureRow>
                <FigureRow label="Overall diameter">
                  <Quantity value={size.working.result.overallDiameterMm} unit="mm" />
                </FigureRow>
                <FigureRow label="Circumference">
                  <Quantity value={size.working.result.circumferenceMm} unit="mm" />
                </FigureRow>
                {size.working.result.maxLoadKg !== null && (
                  <FigureRow label="Max load">
                    <Quantity value={size.working.result.maxLoadKg} unit="kg" />
                  </FigureRow>
                )}
              </div>
              {size.working.result.estimated && (
                <p className="mt-2 text-[16px] text-check">
                  Partly estimated
                  {size.working.result.likelyErrorMm !== null && (
                    <>
                      , likely within{' '}
                      <Quantity value={size.working.result.likelyErrorMm} unit="mm" />
                    </>
                  )}
                  : measure.
                </p>
              )}
              <p className="mt-1">
                <BasisTag title="the size" working={size.working}>
                  math
                </BasisTag>
              </p>
              <Link
                className="btn btn-small mt-2"
                to={`/bench/sizes?${new URLSearchParams([
                  ['size', marking],
                  ['size', marking],
                ])}`}
              >
                Compare sizes
              </Link>
            </>
          )}
          <h2 className="mt-6 text-xl">Examples</h2>
          <ul className="mt-1">
            {EXAMPLES.map((e) => (
              <li key={e}>
                <button
                  type="button"
                  className="min-h-12 cursor-pointer underline underline-offset-4"
                  onClick={() => write(e)}
                >
                  {e}
                </button>
              </li>
            ))}
          </ul>
        </aside>
      </div>
    </Frame>
  );
};
