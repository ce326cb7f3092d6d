import { useState } from 'react';
import { SPINS, SPIN_WORDS, type Spin } from '../../../core/bench/brake';
import { brakeNow } from '../../../core/job';
import { useJob } from '../../shared/job-context';
import { ChoiceField, QuantityField } from '../../shared/fields';
import { useUnits } from '../../shared/quantity';
import { Reasons } from '../../shared/Reasons';
import { Sheet } from '../../parts/Sheet';
import { SheetFoot } from '../../parts/SheetFoot';
import { BasisTag } from '../../shared/working';
import { DiscReadings } from './DiscReadings';
import { usePull } from './use-pull';
import { refusalText } from '../../shared/refusal';

/**
 * The brake, pumped, and the wheel, spun with it let go; the disc on the dial indicator where it
 * drags at one place.
 */
export const BrakeSheet = ({ onDone }: { onDone: () => void }) => {
  const { state, wheel, write } = useJob();
  const { say } = useUnits();
  const [firm, setFirm] = useState<string>(state.brake ? (state.brake.firm ? 'firm' : 'soft') : '');
  const [spin, setSpin] = useState<Spin>(state.brake?.spin ?? 'free');
  const { typed, put, values, problem: fault } = usePull();
  const [problem, setProblem] = useState<string | null>(null);
  const brake = firm === '' ? null : { firm: firm === 'firm', spin, ...values };
  const found = brake && brakeNow(state, brake);
  const { dragNm, brakeNm } = found?.ok ? found.working.result : { dragNm: null, brakeNm: null };
  const keep = async () => {
    if (!brake || !found)
      return setProblem('Lever or pedal: pump it, then choose firm or not firm.');
    if (fault) return setProblem(fault);
    if (!found.ok) return setProblem(refusalText(found.problem));
    setProblem(null);
    if (await write([{ kind: 'brake', data: brake }], 'Brake check saved.')) onDone();
  };
  return (
    <Sheet title="Brake check" closes="Close brake check" footed>
      <div className="min-h-[60px]" aria-live="polite">
        {found?.ok ? (
          <>
            <Reasons reasons={found.working.result.reasons} />
            {dragNm !== null && (
              <p className="text-[16px]">
                Drag torque <span className="num">{say(dragNm, 'Nm', { digits: 1 })}</span>
                {brakeNm !== null && (
                  <>
                    , <span className="num">{say(brakeNm, 'Nm', { digits: 1 })}</span> of it from
                    the brake
                  </>
                )}
                . The manual’s figure decides if it has one.
              </p>
            )}
            <BasisTag title="the brake" working={found.working} />
          </>
        ) : (
          <p className="text-ink2">Pump until firm. Release the brake, then spin the wheel.</p>
        )}
      </div>
      <div className="mt-3 grid gap-3 sm:grid-cols-2">
        <ChoiceField
          label="Lever or pedal"
          value={firm}
          onChange={setFirm}
          options={[
            ['', 'not pumped yet'],
            ['firm', 'firm'],
            ['soft', 'not firm'],
          ]}
        />
        <ChoiceField
          label="The wheel"
          value={spin}
          onChange={(v) => setSpin(v as Spin)}
          options={SPINS.map((s) => [s, SPIN_WORDS[s]] as const)}
        />
      </div>
      <details className="mt-3" open={values.pullN !== null}>
        <summary className="min-h-12 cursor-pointer py-3 font-semibold">
          Spring scale at the tread
        </summary>
        <div className="grid gap-3 sm:grid-cols-3">
          <QuantityField
            label="Pull to turn it"
            unit="N"
            value={typed.pull}
            onChange={(pull) => put({ pull })}
          />
          <QuantityField
            label="Pull with pads apart"
            unit="N"
            value={typed.free}
            onChange={(free) => put({ free })}
          />
          <QuantityField
            label="Axle to tread"
            unit="mm"
            value={typed.radius}
            onChange={(radius) => put({ radius })}
          />
        </div>
      </details>
      {wheel.discSide !== 'none' && <DiscReadings />}
      <SheetFoot keeps="Save" onKeep={() => void keep()} problem={problem} />
    </Sheet>
  );
};
