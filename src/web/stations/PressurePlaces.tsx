import { GROUNDS, GROUND_WORDS, type Ground } from '../../core/bench/pressure';
import { WithTake } from '../shared/DeviceTake';
import { QuantityField } from '../shared/fields';
import { useJob } from '../shared/job-context';
import { useUnits } from '../shared/quantity';
import type { TypedPressure } from './use-typed-pressure';

/**
 * The places where it is set and where it is ridden: temperature, height and ground. `onThermometer` is told
 * what made the shop's.
 */
export const PressurePlaces = ({
  typing,
  onThermometer,
}: {
  typing: TypedPressure;
  onThermometer: (name: string | null) => void;
}) => {
  const { state, write } = useJob();
  const { write: show } = useUnits();
  const { typed, put, problems } = typing;
  return (
    <div className="mx-auto mt-2 grid max-w-[560px] grid-cols-2 gap-x-6 gap-y-2">
      <h3 className="self-center text-[19px]">In the shop</h3>
      <div className="flex flex-wrap items-center gap-x-2">
        <h3 className="whitespace-nowrap text-[19px]">Where it’s ridden</h3>
        <select
          className="field min-w-[120px] flex-1"
          aria-label="Ground"
          value={state.ground ?? 'mixed'}
          onChange={(e) =>
            void write([{ kind: 'ground', data: { ground: e.target.value as Ground } }])
          }
        >
          {GROUNDS.map((g) => (
            <option key={g} value={g}>
              {GROUND_WORDS[g]}
            </option>
          ))}
        </select>
      </div>
      <WithTake
        kind="thermometer"
        what="Shop temperature"
        onTake={(line) => {
          put({ shopC: show(line.value, 'C', 0) });
          onThermometer(line.device);
        }}
      >
        <QuantityField
          label="Shop"
          unit="C"
          value={typed.shopC}
          onChange={(shopC) => {
            put({ shopC });
            onThermometer(null);
          }}
          problem={problems.shopC}
          signed
        />
      </WithTake>
      <QuantityField
        label="Riding"
        unit="C"
        value={typed.rideC}
        onChange={(rideC) => put({ rideC })}
        problem={problems.rideC}
        signed
      />
      <QuantityField
        label="Shop elevation"
        unit="m"
        value={typed.shopM}
        onChange={(shopM) => put({ shopM })}
        problem={problems.shopM}
        signed
      />
      <QuantityField
        label="Riding elevation"
        unit="m"
        value={typed.rideM}
        onChange={(rideM) => put({ rideM })}
        problem={problems.rideM}
        signed
      />
    </div>
  );
};
