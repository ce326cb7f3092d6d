import { refusalText } from '../../core/errors';
import { useState } from 'react';
import { beadSlackOf } from '../../core/job';
import { ChoiceField, QuantityField } from '../parts/fields';
import { useUnits } from '../parts/quantity';
import { Reasons } from '../parts/Reasons';
import { Sheet } from '../parts/Sheet';
import { SheetFoot } from '../parts/SheetFoot';
import { BasisTag } from '../parts/working';
import { useJob } from '../parts/job-context';

const ARCS = [
  [360, 'all of it'],
  [120, 'a third'],
  [60, 'a hand’s breadth or two'],
  [0, 'none: up on its seat'],
] as const;
const HOW = { 'by hand': 'By hand.', levers: 'Levers.', stop: 'Stop, and find out why.' } as const;

/** Whether the bead can pass the flange as it lies, from the rim's shape and what is in the well. */
export const SlackSheet = () => {
  const { state, wheel, write, correcting } = useJob();
  const { read, say, write: show } = useUnits();
  const shown = (mm: number | null) => (mm === null ? '' : show(mm, 'mm', 1));
  const [flange, setFlange] = useState(shown(wheel.flangeMm));
  const [well, setWell] = useState(shown(wheel.wellMm));
  const [across, setAcross] = useState(shown(wheel.wellToFlangeMm));
  const [fill, setFill] = useState('');
  const [arc, setArc] = useState('360');
  const [problem, setProblem] = useState<string | null>(null);
  const [flangeMm, wellMm, wellToFlangeMm] = [flange, well, across].map((t) => (t.trim() ? read(t, 'mm') : null)) as [
    number | null,
    number | null,
    number | null,
  ];
  const fillMm = fill.trim() ? read(fill, 'mm') : 0;
  const shape =
    flangeMm !== null && wellMm !== null && wellToFlangeMm !== null ? { flangeMm, wellMm, wellToFlangeMm } : null;
  const found = shape && fillMm !== null ? beadSlackOf(state, shape, { arcInWellDeg: Number(arc), fillMm }) : null;
  const keep = async () => {
    if (!shape) return setProblem('Measure all three: over the flange, in the well, and across.');
    if (found && !found.ok) return setProblem(refusalText(found.problem));
    setProblem(null);
    await write([{ kind: 'rim-shape', ...correcting('rim-shape'), data: shape }], 'The rim’s shape is written.');
  };
  return (
    <Sheet title="Can the bead pass the flange?" closes="Close the bead slack" footed>
      <div aria-live="polite" className="min-h-[92px]">
        {found?.ok ? (
          <>
            <p className="head text-[34px]">{HOW[found.working.result.how]}</p>
            <p className="mb-1 flex flex-wrap items-center gap-x-3 text-[18px]">
              <span className="num">
                {say(Math.abs(found.working.result.slackMm), 'mm', { digits: 1 })}{' '}
                {found.working.result.slackMm < 0 ? 'short' : 'of slack'}
              </span>
              <BasisTag title="the bead slack" working={found.working}>
                the arithmetic
              </BasisTag>
            </p>
            <Reasons reasons={[found.working.result.reason]} />
          </>
        ) : (
          <p className="py-4 text-ink2">
            {found?.problem.message ?? 'Measure the bare rim once; it stays with the wheel.'}
          </p>
        )}
      </div>
      <div className="mt-3 grid gap-3 sm:grid-cols-2">
        <QuantityField
          label="Over the flange"
          unit="mm"
          value={flange}
          onChange={setFlange}
          hint="outside of the lip"
        />
        <QuantityField label="In the well" unit="mm" value={well} onChange={setWell} hint="at the deepest place" />
        <QuantityField label="Well to far flange" unit="mm" value={across} onChange={setAcross} hint="along the axle" />
        <QuantityField
          label="Lies in the well"
          unit="mm"
          value={fill}
          onChange={setFill}
          hint="thickness of tube, strip and lock"
        />
      </div>
      <div className="mt-3">
        <ChoiceField
          label="Of the far bead, down in the well"
          value={arc}
          onChange={setArc}
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
      <SheetFoot keeps="Keep the rim’s shape" onKeep={() => void keep()} problem={problem} />
    </Sheet>
  );
};
