import type { ReactNode } from 'react';
import { dateText, monthText, placeText } from '../../../core/base/units';
import { attempt } from '../../../core/base/working';
import {
  BUILD_WORDS,
  lockPlaces,
  rimCode,
  type Wheel,
  CAST_WORDS,
  LACING_WORDS,
} from '../../../core/fit/wheels';
import type { WheelHistory } from '../../../core/job';
import { Quantity, useUnits } from '../../shared/quantity';
import { BasisTag } from '../../shared/working';
import { FigureRow } from '../../stations/StationLayout';
import { ClampedFacts } from './ClampedFacts';

const Fact = ({
  label,
  children,
  basis,
}: {
  label: string;
  children: ReactNode;
  basis?: ReactNode;
}) => (
  <FigureRow label={label} basis={basis}>
    <span className="text-[18px]">{children}</span>
  </FigureRow>
);

/** The facts of a wheel: its record first, then what the jobs measured. */
export const WheelFacts = ({ wheel, history }: { wheel: Wheel; history: WheelHistory }) => {
  const { say } = useUnits();
  const code = attempt(rimCode, { code: wheel.rimCode });
  const rim = code.ok ? code.working.result : null;
  const last = wheel.runouts.at(-1);
  return (
    <div className="rows">
      <Fact
        label="Rim"
        basis={code.ok ? <BasisTag title="the rim code" working={code.working} /> : undefined}
      >
        {wheel.rimCode}, {BUILD_WORDS[wheel.build]}
        {rim && `, ${say(rim.widthMm, 'mm')} wide`}
      </Fact>
      <Fact label="Contour">
        {rim
          ? `${rim.contour}, ${rim.hump === null ? 'hump not marked' : rim.hump ? 'safety hump' : 'no hump'}`
          : 'not readable'}
        {wheel.tubelessMarked ? ', marked tubeless' : ''}
        {wheel.sealed ? ', sealed' : ''}
      </Fact>
      <Fact label="Tire and tube">
        {wheel.tireMarking}, {wheel.tube ? 'tube' : 'tubeless'}
      </Fact>
      <Fact label="Valve hole">
        {wheel.valveHoleMm === null ? 'not measured' : say(wheel.valveHoleMm, 'mm', { digits: 1 })}
      </Fact>
      {wheel.rimLockDegs.length > 0 && (
        <Fact label="Rim locks">
          {lockPlaces(wheel)}
          {wheel.lockHoleMm !== null && `, hole ${say(wheel.lockHoleMm, 'mm', { digits: 1 })}`}
        </Fact>
      )}
      {wheel.spokes > 0 && (
        <Fact label={wheel.castShape === 'plate' ? 'Openings' : 'Spokes'}>
          {[
            wheel.spokes,
            wheel.lacing && LACING_WORDS[wheel.lacing],
            wheel.castShape && wheel.castShape !== 'plate' && CAST_WORDS[wheel.castShape],
          ]
            .filter(Boolean)
            .join(', ')}
        </Fact>
      )}
      <Fact label="Brake disc">
        {wheel.discSide}
        {wheel.discMm ? `, ${say(wheel.discMm, 'mm')}` : ''}
      </Fact>
      {wheel.drivenSide && <Fact label="Driven side">{wheel.drivenSide}</Fact>}
      {wheel.sensorSide && <Fact label="Sensor ring">{wheel.sensorSide}</Fact>}
      {wheel.rimLimitKpa !== null && (
        <Fact label="Limit on the rim">
          <Quantity value={wheel.rimLimitKpa} unit="kPa" />
        </Fact>
      )}
      <Fact label="Heavy spot, bare rim">
        {wheel.heavySpotDeg === null ? 'not found yet' : placeText(wheel.heavySpotDeg)}
      </Fact>
      <ClampedFacts wheel={wheel} />
      <Fact label="Runout">
        {last
          ? `${say(last.lateralMm, 'mm', { digits: 1 })} side to side, ${say(last.radialMm, 'mm', { digits: 1 })} up and down, ${dateText(last.onDate)}`
          : 'not measured'}
      </Fact>
      {wheel.runouts.length > 1 && (
        <Fact label="Earlier">
          {wheel.runouts
            .slice(0, -1)
            .reverse()
            .map(
              (r) =>
                `${say(r.lateralMm, 'mm', { digits: 1 })} / ${say(r.radialMm, 'mm', { digits: 1 })} (${monthText(r.onDate)})`,
            )
            .join(', ')}
        </Fact>
      )}
      {history.runouts.length > 0 && (
        <Fact label="Runout on the bench">
          {history.runouts
            .slice(0, 3)
            .map(({ lateralMm, radialMm, onDate }) => {
              const side = lateralMm !== null && `${say(lateralMm, 'mm', { digits: 1 })} side`;
              const up = radialMm !== null && `${say(radialMm, 'mm', { digits: 1 })} up`;
              return `${[side, up].filter(Boolean).join(', ')} (${monthText(onDate)})`;
            })
            .join('; ')}
        </Fact>
      )}
      {history.clearances.map((c) => (
        <Fact key={c.place} label={`Clearance ${c.place}`}>
          {say(c.mm, 'mm')}, {c.load}, with {c.withTire.split(' ')[0]} on
        </Fact>
      ))}
      {history.heavySpots[0] && (
        <Fact label="Heavy spot with tire">
          {history.heavySpots
            .slice(0, 3)
            .map((h) => `${placeText(h.deg)} (${monthText(h.onDate)})`)
            .join('; ')}
        </Fact>
      )}
      {wheel.note && <Fact label="Note">{wheel.note}</Fact>}
    </div>
  );
};
