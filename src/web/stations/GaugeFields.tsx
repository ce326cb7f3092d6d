import type { Ref } from 'react';
import { DeviceTake } from '../shared/DeviceTake';
import { ChoiceField, QuantityField } from '../shared/fields';
import { useUnits } from '../shared/quantity';
import type { Gauges } from './use-gauges';
import type { TypedPressure } from './use-typed-pressure';

interface Props {
  typing: TypedPressure;
  gauges: Gauges;
  /** A second gauge is read as well. */
  withSecond: boolean;
  /** Whether the faults of empty fields are told too. */
  tried: boolean;
  gaugeRef: Ref<HTMLInputElement>;
}

type Option = readonly [value: string, label: string];

/** The pressure that is meant, what the gauge reads, and with a second one what that reads. */
export const GaugeFields = ({ typing, gauges, withSecond, tried, gaugeRef }: Props) => {
  const { write: show } = useUnits();
  const { typed, put, problems } = typing;
  const { all, first, second, pick } = gauges;
  const options: Option[] = [
    ['', 'not set'],
    ...all.map((g): Option => [g.name, g.checks.length > 0 ? `${g.name}, checked` : g.name]),
  ];
  // An instrument that spoke may have no record of its own.
  const isStranger = first.name !== '' && !all.some((g) => g.name === first.name);
  return (
    <div className="mt-1 grid grid-cols-2 gap-x-3 gap-y-0.5">
      <QuantityField
        label="Riding pressure"
        unit="kPa"
        value={typed.meantKpa}
        onChange={(meantKpa) => put({ meantKpa })}
        problem={typed.meantKpa || tried ? problems.meantKpa : null}
      />
      <ChoiceField
        label="Which gauge"
        value={first.name}
        onChange={(name) => pick('first', name)}
        options={isStranger ? [...options, [first.name, first.name]] : options}
      />
      <QuantityField
        inputRef={gaugeRef}
        label="Gauge reading"
        unit="kPa"
        value={typed.gaugeKpa}
        onChange={(gaugeKpa) => put({ gaugeKpa })}
        problem={typed.gaugeKpa || tried ? problems.gaugeKpa : null}
      />
      <div className="mt-6.5">
        <DeviceTake
          kind="gauge"
          what="Pressure"
          onTake={(line) => {
            put({ gaugeKpa: show(Math.max(0, line.value), 'kPa') });
            pick('first', line.device);
          }}
        />
      </div>
      {withSecond && (
        <>
          <QuantityField
            label="Second gauge reading"
            unit="kPa"
            value={typed.secondKpa}
            onChange={(secondKpa) => put({ secondKpa })}
            problem={problems.secondKpa}
          />
          <ChoiceField
            label="Second gauge"
            value={second.name}
            onChange={(name) => pick('second', name)}
            options={options.filter(([name]) => name === '' || name !== first.name)}
          />
        </>
      )}
    </div>
  );
};
