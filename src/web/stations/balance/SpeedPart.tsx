import { useState } from 'react';
import { residualUnbalance } from '../../../core/bench/balance';
import { attempt } from '../../../core/base/working';
import { ChoiceField, QuantityField } from '../../shared/fields';
import { Quantity, useUnits } from '../../shared/quantity';
import { BasisTag } from '../../shared/working';
import { FigureRow } from '../StationLayout';
import { Problem } from './Problem';
import { useSpeed } from './use-speed';

const GRADES = [
  ['16', 'G 16'],
  ['40', 'G 40, wheels'],
  ['100', 'G 100'],
] as const;

/** The imbalance left, against a balance grade and as a pull at speed. */
export const SpeedPart = ({ leftG }: { leftG: number }) => {
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
        <QuantityField label="Imbalance left" unit="g" value={left} onChange={setLeft} />
        <QuantityField label="Speed" unit="km/h" value={speed} onChange={setSpeed} />
        <QuantityField label="Wheel with tire" unit="kg" value={mass} onChange={setMass} />
        <ChoiceField label="Grade" value={grade} onChange={setGrade} options={GRADES} />
      </div>
      <Problem found={found} />
      {it && found?.ok && (
        <div className="rows mt-3">
          <FigureRow
            label="Force"
            basis={
              <BasisTag title="the pull at speed" working={found.working}>
                m r ω²
              </BasisTag>
            }
          >
            <Quantity value={it.forceN} unit="N" digits={0} big />
          </FigureRow>
          <FigureRow label="Equal to this weight on the rim">
            <Quantity value={it.liftsKg} unit="kg" digits={1} />
          </FigureRow>
          <FigureRow
            label={it.within ? 'The grade permits, so it is within' : 'The grade permits only'}
          >
            <Quantity value={it.permittedG} unit="g" digits={0} />
          </FigureRow>
        </div>
      )}
    </>
  );
};
