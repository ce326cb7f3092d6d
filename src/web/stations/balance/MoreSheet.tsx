import { Dialog } from 'radix-ui';
import { useState, type ReactNode } from 'react';
import { balanceIndex, balanceParts, residualUnbalance, type BalanceEstimate } from '../../../core/balance';
import { attempt, type Working } from '../../../core/working';
import { Button } from '../../parts/Button';
import { ChoiceField, QuantityField } from '../../parts/fields';
import { PlaceField, usePlace } from '../../parts/place';
import { Quantity, useUnits } from '../../parts/quantity';
import { Reasons } from '../../parts/Reasons';
import { Sheet } from '../../parts/Sheet';
import { BasisTag } from '../../parts/working';
import { useJob } from '../../screens/job-context';
import { FigureRow } from '../StationLayout';
import { StandBandPart } from './StandBandPart';
import { useSpeed } from './use-speed';

const Part = ({ title, children }: { title: string; children: ReactNode }) => (
  <section className="border-t-2 border-ink pt-2 pb-5" aria-label={title}>
    <h3 className="mb-2 text-[20px]">{title}</h3>
    {children}
  </section>
);

const Problem = ({ found }: { found: { ok: boolean; problem?: { message: string; expected: string } } | null }) =>
  found && !found.ok && found.problem ? (
    <p className="text-stop">
      {found.problem.message} Right would be {found.problem.expected}.
    </p>
  ) : null;

/** What turning the tire on the rim would save; asks for the bare wheel, knows wheel and tire together. */
const TurnPart = ({ estimate }: { estimate: Working<BalanceEstimate> | null }) => {
  const { wheel } = useJob();
  const { read, say } = useUnits();
  const place = usePlace();
  const [bareG, setBareG] = useState('');
  const [bareDeg, setBareDeg] = useState<number | null>(wheel.heavySpotDeg);
  const [markDeg, setMarkDeg] = useState<number | null>(0);
  if (!estimate)
    return <p className="text-ink2">First let the wheel with its tire settle, and learn its heavy spot.</p>;
  const massG = read(bareG, 'g');
  const { heavyMassG, heavyDeg } = estimate.result;
  const found =
    massG === null || bareDeg === null || markDeg === null
      ? null
      : attempt(balanceIndex, {
          bare: { massG, deg: bareDeg },
          assembly: { massG: heavyMassG, deg: heavyDeg },
          markDeg,
        });
  const it = found?.ok ? found.working.result : null;
  return (
    <>
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
        <QuantityField label="Bare wheel, heavy by" unit="g" value={bareG} onChange={setBareG} />
        <PlaceField label="Bare wheel, heavy at" deg={bareDeg} onPlace={setBareDeg} />
        <PlaceField label="The light mark stands at" deg={markDeg} onPlace={setMarkDeg} />
      </div>
      <Problem found={found} />
      {it && found?.ok && (
        <div className="mt-3">
          <Reasons reasons={[it.reason]} />
          <div className="rows mt-2">
            <FigureRow
              label="The tire\u2019s own"
              basis={
                <BasisTag title="the turn of the tire" working={found.working}>
                  worked out
                </BasisTag>
              }
            >
              <Quantity value={it.tire.massG} unit="g" digits={0} />
            </FigureRow>
            <FigureRow label="Needed with the mark at the valve">
              <Quantity value={it.markAtValveG} unit="g" digits={0} />
            </FigureRow>
            <FigureRow label="Needed with the mark at the bare heavy spot">
              <Quantity value={it.markAtHeavyG} unit="g" digits={0} />
            </FigureRow>
            <FigureRow
              label={`Best: turned by ${say(it.turnDeg, 'deg', { digits: 0 })}, the mark at ${place.clock(((markDeg ?? 0) + it.turnDeg + 720) % 360)}`}
            >
              <Quantity value={it.leastG} unit="g" digits={0} />
            </FigureRow>
          </div>
        </div>
      )}
    </>
  );
};

/** The counterweight of a wheel from what sits on it, before it is spun. */
const PartsPart = () => {
  const { wheel, shop } = useJob();
  const { read, say } = useUnits();
  const place = usePlace();
  const { radiusMm } = useSpeed();
  const [lockId, setLockId] = useState(shop.locks[0]?.id ?? '');
  const [valve, setValve] = useState('');
  const [patchG, setPatchG] = useState('');
  const [patchDeg, setPatchDeg] = useState<number | null>(null);
  const lock = shop.locks.find((l) => l.id === lockId);
  const [valveG, patch] = [read(valve, 'g'), read(patchG, 'g')];
  const parts = [
    ...(lock ? wheel.rimLockDegs.map((deg) => ({ what: 'rim lock' as const, massG: lock.massG, deg })) : []),
    ...(valveG ? [{ what: 'tube valve' as const, massG: valveG, deg: 0 }] : []),
    ...(patch && patchDeg !== null ? [{ what: 'other' as const, massG: patch, deg: patchDeg }] : []),
  ];
  const found =
    parts.length === 0
      ? null
      : attempt(balanceParts, {
          parts,
          weightRadiusMm: radiusMm,
          ...(lock && wheel.rimLockDegs.length === 1 ? { secondLockG: lock.massG } : {}),
        });
  const it = found?.ok ? found.working.result : null;
  return (
    <>
      <div className="grid grid-cols-2 gap-3">
        {wheel.rimLockDegs.length > 0 && (
          <ChoiceField
            label="The rim lock"
            value={lockId}
            onChange={setLockId}
            options={shop.locks.map((l) => [l.id, `${l.widthIn} in, ${say(l.massG, 'g')}`] as const)}
          />
        )}
        <QuantityField label="The valve with its nuts" unit="g" value={valve} onChange={setValve} />
        <QuantityField label="A patch, an overlap" unit="g" value={patchG} onChange={setPatchG} />
        <PlaceField label="Where that is" deg={patchDeg} onPlace={setPatchDeg} />
      </div>
      <Problem found={found} />
      {it && found?.ok && (
        <div className="rows mt-3">
          <FigureRow
            label={`Counterweight, at ${place.clock(it.counterDeg)}`}
            basis={
              <BasisTag title="the parts" working={found.working}>
                worked out
              </BasisTag>
            }
          >
            <Quantity value={it.counterMassG} unit="g" digits={0} big />
          </FigureRow>
          {it.withSecondLockG !== null && (
            <FigureRow label="With a second lock opposite, left">
              <Quantity value={it.withSecondLockG} unit="g" digits={0} />
            </FigureRow>
          )}
        </div>
      )}
      {found?.ok &&
        found.working.cautions.map((c) => (
          <p key={c} className="mt-2 text-ink2">
            {c}
          </p>
        ))}
    </>
  );
};

const GRADES = [
  ['16', 'G 16'],
  ['40', 'G 40, wheels'],
  ['100', 'G 100'],
] as const;

/** What is left, against a balance grade and as a pull at speed. */
const SpeedPart = ({ leftG }: { leftG: number }) => {
  const { read, write } = useUnits();
  const usual = useSpeed();
  const [speed, setSpeed] = useState(write(usual.speedKmh, 'km/h', 0));
  const [mass, setMass] = useState(write(usual.wheelKg, 'kg', 0));
  const [left, setLeft] = useState(write(leftG, 'g', 0));
  const [grade, setGrade] = useState('40');
  const [speedKmh, wheelKg, massG] = [read(speed, 'km/h'), read(mass, 'kg'), read(left, 'g')];
  const found =
    speedKmh === null || wheelKg === null || massG === null
      ? null
      : attempt(residualUnbalance, { ...usual, speedKmh, wheelKg, massG, grade: Number(grade) });
  const it = found?.ok ? found.working.result : null;
  return (
    <>
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
        <QuantityField label="Left over" unit="g" value={left} onChange={setLeft} />
        <QuantityField label="Speed" unit="km/h" value={speed} onChange={setSpeed} />
        <QuantityField label="Wheel with tire" unit="kg" value={mass} onChange={setMass} />
        <ChoiceField label="Grade" value={grade} onChange={setGrade} options={GRADES} />
      </div>
      <Problem found={found} />
      {it && found?.ok && (
        <div className="rows mt-3">
          <FigureRow
            label="It pulls with"
            basis={
              <BasisTag title="the pull at speed" working={found.working}>
                m r ω²
              </BasisTag>
            }
          >
            <Quantity value={it.forceN} unit="N" digits={0} big />
          </FigureRow>
          <FigureRow label="As if so much hung on the rim, round and round">
            <Quantity value={it.liftsKg} unit="kg" digits={1} />
          </FigureRow>
          <FigureRow label={it.within ? 'The grade permits, so it is within' : 'The grade permits only'}>
            <Quantity value={it.permittedG} unit="g" digits={0} />
          </FigureRow>
        </div>
      )}
    </>
  );
};

interface Props {
  estimate: Working<BalanceEstimate> | null;
  /** Ends the balancing as it stands; null where there is nothing to end. */
  onFinish: (() => void) | null;
}

/** What is asked for now and then at the stand. */
export const MoreSheet = ({ estimate, onFinish }: Props) => {
  const { write } = useJob();
  const [open, setOpen] = useState(false);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <Button>More</Button>
      </Dialog.Trigger>
      <Sheet title="More about this balance" closes="Back to the balance" widthPx={720}>
        <Part title="Would turning the tire on the rim help?">
          <TurnPart estimate={estimate} />
        </Part>
        <Part title="From its parts, before it is spun">
          <PartsPart />
        </Part>
        <Part title="What is left, at speed">
          <SpeedPart leftG={estimate?.result.leftG ?? 5} />
        </Part>
        <Part title="What this stand hides">
          <StandBandPart />
        </Part>
        <Part title="This balancing">
          <div className="flex flex-wrap gap-2">
            {onFinish && (
              <Button
                onClick={() => {
                  setOpen(false);
                  onFinish();
                }}
              >
                Leave it as it is
              </Button>
            )}
            <Button
              onClick={() => {
                setOpen(false);
                void write(
                  [{ kind: 'balance-again', data: { why: 'begun anew by hand' } }],
                  'Begun anew. What was seen before is in the log.',
                );
              }}
            >
              Begin anew
            </Button>
          </div>
          <p className="mt-2 text-ink2">Begin anew after the tire was turned on the rim, or taken off.</p>
        </Part>
      </Sheet>
    </Dialog.Root>
  );
};
