import { useCallback, useState } from 'react';
import type { DeviceKind } from '../../core/bench/devices';
import { useDo } from '../store';
import { api, ApiError, type HeldDevice } from '../store/api';
import { announce } from '../store/jobs-slice';
import { Button } from '../parts/Button';
import { ChoiceField, QuantityField } from './fields';
import { useUnits } from './quantity';
import { refusalText } from './refusal';

/** The state of a stand-in, and a way to change it. A refusal is spoken. */
export const useHold = (device: HeldDevice | null) => {
  const dispatch = useDo();
  const name = device?.name ?? '';
  const [held, setHeld] = useState<Record<string, unknown> | null>(null);
  const hold = useCallback(
    async (knobs: Record<string, unknown>): Promise<void> => {
      try {
        await api.holdDevice(name, knobs);
        setHeld((before) => ({ ...before, ...knobs }));
      } catch (error) {
        if (!(error instanceof ApiError)) throw error;
        dispatch(announce({ text: refusalText(error), tone: 'stop' }));
      }
    },
    [dispatch, name],
  );
  return { held: { ...device?.held, ...held }, hold };
};

/** Knobs with a number: what the stand-in is held against. */
const NUMBERS: Partial<
  Record<
    DeviceKind,
    { key: string; label: string; unit: 'C' | 'mm' | 'Nm' | 'deg' | 'g'; digits: number }
  >
> = {
  thermometer: { key: 'tempC', label: 'Measured at', unit: 'C', digits: 0 },
  'dial-indicator': { key: 'deg', label: 'Place under the tip', unit: 'deg', digits: 0 },
  caliper: { key: 'partMm', label: 'The part', unit: 'mm', digits: 2 },
  'torque-wrench': { key: 'setNm', label: 'Set to', unit: 'Nm', digits: 0 },
  'balance-stand': { key: 'bandG', label: 'Stand dead band', unit: 'g', digits: 1 },
};
/** Knobs that are on or off. */
const SWITCHES: Partial<Record<DeviceKind, { key: string; on: string; off: string }>> = {
  caliper: { key: 'on', on: 'Close on the part', off: 'Open' },
  'torque-wrench': { key: 'pulling', on: 'Pull', off: 'Let go' },
};

/** The hose of the simulated gauge: air in, held, out; the beads and the core. */
export const HoseKnobs = ({
  held,
  hold,
  full,
}: ReturnType<typeof useHold> & { full?: boolean }) => (
  <div role="group" aria-label="Simulated hose" className="flex flex-wrap gap-1">
    {(['in', 'hold', 'out'] as const).map((valve) => (
      <Button
        key={valve}
        small
        aria-pressed={held.valve === valve}
        onClick={() => void hold({ valve })}
      >
        {{ in: 'Air in', hold: 'Hold', out: 'Air out' }[valve]}
      </Button>
    ))}
    <Button
      small
      aria-pressed={held.core === 'out'}
      onClick={() => void hold({ core: held.core === 'out' ? 'in' : 'out' })}
    >
      Core out
    </Button>
    <Button small onClick={() => void hold({ beads: 'lubricated' })}>
      Break, lubricate
    </Button>
    {full && (
      <Button small onClick={() => void hold({ beads: 'dry' })}>
        Break, leave dry
      </Button>
    )}
    {full && (
      <div className="flex gap-2">
        <ChoiceField
          label="The tire fits"
          value={String(held.fit)}
          onChange={(fit) => void hold({ fit })}
          options={[
            ['easy', 'easily'],
            ['tight', 'tightly'],
          ]}
        />
        <ChoiceField
          label="Leak"
          value={String(held.leak)}
          onChange={(leak) => void hold({ leak })}
          options={[
            ['none', 'none'],
            ['slow', 'slow'],
            ['fast', 'fast'],
          ]}
        />
      </div>
    )}
  </div>
);

/**
 * The wheel on the simulated stand: a quarter turn and let go, or a push. `seen` says a side as the
 * stand knows it.
 */
export const TurnKnobs = ({
  hold,
  seen = (side) => side,
  onFrom,
}: {
  hold: ReturnType<typeof useHold>['hold'];
  seen?: (side: 'left' | 'right') => 'left' | 'right';
  onFrom?: (side: 'left' | 'right') => void;
}) => (
  <>
    {(['left', 'right'] as const).map((side) => (
      <Button
        key={side}
        small
        onClick={() => {
          onFrom?.(side);
          void hold({ from: seen(side) });
        }}
      >
        From the {side}
      </Button>
    ))}
    <Button small onClick={() => void hold({ push: 'left' })}>
      Push
    </Button>
  </>
);

/** The hands at an instrument, for one that is only simulated. */
export const StandInKnobs = ({ device, full }: { device: HeldDevice; full?: boolean }) => {
  const { read, write } = useUnits();
  const knobs = useHold(device);
  const number = NUMBERS[device.kind];
  const flip = SWITCHES[device.kind];
  const [typed, setTyped] = useState(
    number && typeof device.held?.[number.key] === 'number'
      ? write(device.held[number.key] as number, number.unit, number.digits)
      : '',
  );
  if (device.kind === 'gauge') return <HoseKnobs {...knobs} full={full ?? false} />;
  const value = number ? read(typed, number.unit) : null;
  return (
    <div
      role="group"
      aria-label={`Simulated ${device.name}`}
      className="flex flex-wrap items-end gap-2"
    >
      {number && (
        <div className="w-[190px]">
          <QuantityField
            label={number.label}
            unit={number.unit}
            value={typed}
            onChange={setTyped}
          />
        </div>
      )}
      {number && (
        <Button
          small
          disabled={value === null}
          onClick={() => void knobs.hold({ [number.key]: value })}
        >
          Apply
        </Button>
      )}
      {device.kind === 'balance-stand' && <TurnKnobs hold={knobs.hold} />}
      {flip &&
        [true, false].map((on) => (
          <Button
            key={String(on)}
            small
            aria-pressed={knobs.held[flip.key] === on}
            onClick={() => void knobs.hold({ [flip.key]: on })}
          >
            {on ? flip.on : flip.off}
          </Button>
        ))}
    </div>
  );
};
