import { useState } from 'react';
import { Button } from '../../parts/Button';
import { QuantityField, TextField } from '../../shared/fields';
import { PlaceField } from '../../shared/place';
import { useUnits } from '../../shared/quantity';
import type { BalanceFormProps } from './balance-form-props';

/** The limits of a machine's reading, and how finely; as the log takes it. */
const MAX_G = 2000;
const STEP_G = { min: 0.1, max: 50 };
const STEP_DEG = { min: 0.1, max: 45 };

const isWithin = (
  value: number | null,
  { min, max }: { min: number; max: number },
): value is number => value !== null && value >= min && value <= max;

/** The reading of a dynamic machine, and its resolution. */
export const MachineFields = ({ hand, acts, readingRef, beside }: BalanceFormProps) => {
  const { read, say, write } = useUnits();
  const [mass, setMass] = useState('');
  const [step, setStep] = useState(write(1, 'g', 2));
  const [turn, setTurn] = useState('3');
  const [massG, stepG, stepDeg] = [read(mass, 'g'), read(step, 'g'), Number(turn)];
  const massFits = isWithin(massG, { min: 0, max: MAX_G });
  const take = () => {
    if (massFits && isWithin(stepG, STEP_G) && isWithin(stepDeg, STEP_DEG) && hand.deg !== null)
      acts.machine({ massG, deg: hand.deg, stepG, stepDeg });
  };
  const stepProblem = isWithin(stepG, STEP_G)
    ? null
    : `Finest step: ${say(STEP_G.min, 'g', { digits: 1 })} to ${say(STEP_G.max, 'g')}.`;
  const turnProblem = isWithin(stepDeg, STEP_DEG)
    ? null
    : `Finest step: ${STEP_DEG.min} to ${STEP_DEG.max}°.`;
  return (
    <form
      className="grid gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        take();
      }}
    >
      <div className="grid grid-cols-2 gap-x-3 gap-y-1">
        <QuantityField
          inputRef={readingRef}
          label="Heavy by"
          unit="g"
          value={mass}
          onChange={setMass}
          problem={mass.trim() && !massFits ? `Mass: a number from 0 to ${say(MAX_G, 'g')}.` : null}
        />
        <PlaceField
          key={hand.fieldKey}
          label="Heavy at"
          deg={hand.deg}
          onPlace={(deg) => hand.change({ deg })}
        />
        <QuantityField
          label="Finest step"
          unit="g"
          value={step}
          onChange={setStep}
          problem={stepProblem}
        />
        <TextField
          label="Finest step of the turn, °"
          value={turn}
          onChange={setTurn}
          problem={turnProblem}
          maxLength={5}
          inputMode="numeric"
        />
      </div>
      <div className="flex flex-wrap gap-2">
        <Button
          go
          type="submit"
          disabled={!massFits || stepProblem !== null || turnProblem !== null || hand.deg === null}
        >
          Use reading
        </Button>
        {beside}
      </div>
    </form>
  );
};
