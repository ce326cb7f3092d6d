import { useState } from 'react';
import { balanceParts } from '../../../core/bench/balance';
import { attempt } from '../../../core/base/working';
import { ChoiceField, QuantityField } from '../../shared/fields';
import { useJob } from '../../shared/job-context';
import { PlaceField, usePlace } from '../../shared/place';
import { Quantity, useUnits } from '../../shared/quantity';
import { BasisTag } from '../../shared/working';
import { FigureRow } from '../StationLayout';
import { Problem } from './Problem';
import { useSpeed } from './use-speed';

/** The counterweight of a wheel from what sits on it, before it is spun. */
export const PartsPart = () => {
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
    ...(lock
      ? wheel.rimLockDegs.map((deg) => ({ what: 'rim lock' as const, massG: lock.massG, deg }))
      : []),
    ...(valveG ? [{ what: 'tube valve' as const, massG: valveG, deg: 0 }] : []),
    ...(patch && patchDeg !== null
      ? [{ what: 'other' as const, massG: patch, deg: patchDeg }]
      : []),
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
            options={shop.locks.map(
              (l) => [l.id, `${l.widthIn} in, ${say(l.massG, 'g')}`] as const,
            )}
          />
        )}
        <QuantityField label="The valve with its nuts" unit="g" value={valve} onChange={setValve} />
        <QuantityField label="A patch, an overlap" unit="g" value={patchG} onChange={setPatchG} />
        <PlaceField label="Place of the patch" deg={patchDeg} onPlace={setPatchDeg} />
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
            <FigureRow label="Imbalance with a second lock opposite">
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
