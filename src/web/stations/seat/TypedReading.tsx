import { useState, type Ref } from 'react';
import { Button } from '../../parts/Button';
import { QuantityField } from '../../shared/fields';
import { useUnits } from '../../shared/quantity';

const MAX_KPA = 1000;

interface Props {
  /** Nothing more is needed: the button is a quiet one. */
  isOver: boolean;
  fieldRef: Ref<HTMLInputElement>;
  /** True once the reading is written. */
  onTake: (gaugeKpa: number) => Promise<boolean>;
}

/** A gauge that does not speak: its reading is typed. */
export const TypedReading = ({ isOver, fieldRef, onTake }: Props) => {
  const { read, say } = useUnits();
  const [typed, setTyped] = useState('');
  const kpa = typed.trim() ? read(typed, 'kPa') : null;
  const fits = kpa !== null && kpa >= 0 && kpa <= MAX_KPA;
  const problem =
    typed.trim() && !fits ? `Pressure: enter ${say(0, 'kPa')} to ${say(MAX_KPA, 'kPa')}.` : null;
  const take = async () => {
    if (fits && (await onTake(kpa))) setTyped('');
  };
  return (
    <form
      className="flex min-w-[230px] flex-1 items-end gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        void take();
      }}
    >
      <div className="flex-1">
        <QuantityField
          inputRef={fieldRef}
          label="Gauge reads"
          unit="kPa"
          value={typed}
          onChange={setTyped}
          problem={problem}
        />
      </div>
      <Button type="submit" go={!isOver} hotkey="R">
        Use reading
      </Button>
    </form>
  );
};
