import { useState } from 'react';
import { rimProfile, type BeadPath } from '../../core/bench/beads';
import { beadPathOf, fillMmOf } from '../../core/job';
import { ruleNumber } from '../../core/base/rules';
import { attempt } from '../../core/base/working';
import { ChoiceField, QuantityField } from '../shared/fields';
import { useUnits } from '../shared/quantity';
import { Reasons } from '../shared/Reasons';
import { Sheet } from '../parts/Sheet';
import { SheetFoot } from '../parts/SheetFoot';
import { BasisTag } from '../shared/working';
import { useJob } from '../shared/job-context';
import { refusalText } from '../shared/refusal';

const ARCS = [
  [0, 'none: all down'],
  [60, 'a hand’s breadth or two'],
  [120, 'a third'],
  [360, 'all of it'],
] as const;
const HOW = { 'by hand': 'By hand.', levers: 'Levers.', stop: 'Stop, and find out why.' } as const;

/**
 * The numbers that a fitter acts on: how near it is, what may sit high, and how long a bite may be.
 */
const Numbers = ({ path }: { path: BeadPath }) => {
  const { say } = useUnits();
  const { tightest, mostUpDeg, longestBiteMm, oneGoDeg } = path;
  const spare = `${say(Math.abs(tightest.loopSlackMm), 'mm', { digits: 1 })} ${tightest.loopSlackMm < 0 ? 'short' : 'to spare'}`;
  const rows = [
    ['Tightest', `${spare}, with ${say(tightest.leftMm, 'mm', { digits: 0 })} left`],
    ['Far side may ride up', say(mostUpDeg, 'deg', { digits: 0 })],
    [
      'Longest bite that passes',
      longestBiteMm === null ? 'none' : say(longestBiteMm, 'mm', { digits: 0 }),
    ],
    ['All in one go from', say(oneGoDeg, 'deg', { digits: 0 })],
  ] as const;
  return (
    <dl className="mt-2 grid grid-cols-[auto_1fr] items-baseline gap-x-4 gap-y-1 text-[17px]">
      {rows.map(([says, value]) => (
        <div key={says} className="contents">
          <dt className="text-ink2">{says}</dt>
          <dd className="num">{value}</dd>
        </div>
      ))}
    </dl>
  );
};

/**
 * The values that the rim code recalls while not all is measured, and which measurement would tell
 * most.
 */
const RimGuess = ({
  problem,
  ...typed
}: {
  problem: string | null;
  wellMm: number | null;
  flangeMm: number | null;
  axialMm: number | null;
}) => {
  const { wheel } = useJob();
  const measured = Object.fromEntries(Object.entries(typed).filter(([, mm]) => mm !== null));
  const guess = attempt(rimProfile, { rimCode: wheel.rimCode, ...measured });
  return (
    <>
      <p className="pt-4 text-ink2">
        {problem ?? 'Measure the bare rim once; it stays with the wheel.'}
      </p>
      {guess.ok && (
        <div className="mt-2 flex flex-wrap items-baseline gap-x-3">
          <Reasons reasons={[guess.working.result.reason]} />
          <BasisTag title="the rim" working={guess.working}>
            math
          </BasisTag>
        </div>
      )}
    </>
  );
};

/**
 * Whether the bead gets over the flange as it lies, from the rim's shape, the bite and what is in
 * the well.
 */
export const BeadPathSheet = () => {
  const { state, station, wheel, write, correcting } = useJob();
  const { read, write: show } = useUnits();
  const shown = (mm: number | null) => (mm === null ? '' : show(mm, 'mm', 1));
  const [flange, setFlange] = useState(shown(wheel.flangeMm));
  const [well, setWell] = useState(shown(wheel.wellMm));
  const [across, setAcross] = useState(shown(wheel.wellToFlangeMm));
  const [fill, setFill] = useState(shown(fillMmOf(state, station === 'tire-off' ? 'off' : 'on')));
  const [bite, setBite] = useState(show(ruleNumber('bite.lengthMm', state.rules), 'mm', 0));
  const [up, setUp] = useState('0');
  const [problem, setProblem] = useState<string | null>(null);
  const [flangeMm, wellMm, wellToFlangeMm] = [flange, well, across].map((t) =>
    t.trim() ? read(t, 'mm') : null,
  ) as [number | null, number | null, number | null];
  const fillMm = fill.trim() ? read(fill, 'mm') : 0;
  const biteMm = read(bite, 'mm');
  const shape =
    flangeMm !== null && wellMm !== null && wellToFlangeMm !== null
      ? { flangeMm, wellMm, wellToFlangeMm }
      : null;
  const found =
    shape && fillMm !== null && biteMm !== null
      ? beadPathOf(state, shape, { farUpDeg: Number(up), fillMm, biteMm })
      : null;
  const keep = async () => {
    if (!shape) return setProblem('Measure all three: over the flange, in the well, and across.');
    if (found && !found.ok) return setProblem(refusalText(found.problem));
    setProblem(null);
    await write(
      [{ kind: 'rim-shape', ...correcting('rim-shape'), data: shape }],
      'Rim shape saved.',
    );
  };
  return (
    <Sheet title="Will the bead clear?" closes="Close bead path" footed>
      <div aria-live="polite" className="min-h-[210px]">
        {found?.ok ? (
          <>
            <p className="flex flex-wrap items-baseline gap-x-3">
              <span className="head text-[34px]">{HOW[found.working.result.how]}</span>
              <BasisTag title="the bead’s path" working={found.working}>
                math
              </BasisTag>
            </p>
            <Reasons reasons={[found.working.result.reason]} />
            <Numbers path={found.working.result} />
          </>
        ) : (
          <RimGuess
            problem={found?.problem.message ?? null}
            wellMm={wellMm}
            flangeMm={flangeMm}
            axialMm={wellToFlangeMm}
          />
        )}
      </div>
      <div className="mt-3 grid gap-3 sm:grid-cols-2">
        <QuantityField
          label="Flange diameter"
          unit="mm"
          value={flange}
          onChange={setFlange}
          hint="outside the lip"
        />
        <QuantityField
          label="Well diameter"
          unit="mm"
          value={well}
          onChange={setWell}
          hint="at the deepest place"
        />
        <QuantityField
          label="Well to far flange"
          unit="mm"
          value={across}
          onChange={setAcross}
          hint="along the axle"
        />
        <QuantityField
          label="Stack in the well"
          unit="mm"
          value={fill}
          onChange={setFill}
          hint="thickness of tube, strip and lock"
        />
        <QuantityField
          label="A bite"
          unit="mm"
          value={bite}
          onChange={setBite}
          hint="length per lever"
        />
        <ChoiceField
          label="Far bead still on its seat"
          value={up}
          onChange={setUp}
          options={ARCS.map(([deg, words]) => [String(deg), words] as const)}
        />
      </div>
      {found?.ok && (
        <ul className="caution mt-3 text-[16px]">
          {found.working.cautions.map((c) => (
            <li key={c}>{c}</li>
          ))}
        </ul>
      )}
      <SheetFoot keeps="Save rim shape" onKeep={() => void keep()} problem={problem} />
    </Sheet>
  );
};
