import { useState } from 'react';
import { Button } from '../../parts/Button';
import { DeviceLabel } from '../../shared/DeviceTake';
import { useUnits } from '../../shared/quantity';
import { StandInKnobs } from '../../shared/StandInKnobs';
import { useDevice } from '../../shared/use-device';

interface Props {
  /** The next thing to measure, in words; null when all is. */
  next: string | null;
  onTake: (mm: number, device: string) => void;
}

/**
 * The caliper, live: each take fills the next place. The button keeps the focus, so that a key or a
 * pedal goes on.
 */
export const CaliperTake = ({ next, onTake }: Props) => {
  const [on, setOn] = useState(false);
  const { say } = useUnits();
  const { device, line, reading, text: says, forget } = useDevice('caliper', on);
  if (!on)
    return (
      <Button small onClick={() => setOn(true)}>
        From the caliper
      </Button>
    );
  const shown = reading ?? line;
  return (
    <div
      className="rounded-[14px_14px_14px_4px] border-2 border-ink p-3"
      role="group"
      aria-label="Caliper"
    >
      <p className="flex items-baseline gap-3">
        <span className="num text-[34px] leading-none">
          {shown ? say(shown.value, 'mm', { digits: 2 }) : '–'}
        </span>
        <span className="text-[15px] text-ink2" role="status">
          {says}
        </span>
      </p>
      {device && (
        <p className="mt-1 text-[14px] text-ink2">
          <DeviceLabel device={device} />
        </p>
      )}
      <Button
        go
        small
        className="mt-2 w-full"
        disabled={next === null}
        onClick={() => {
          if (!reading || next === null) return;
          onTake(reading.value, reading.device);
          forget();
        }}
      >
        {next === null ? 'All measured' : `Take ${next}`}
      </Button>
      {device?.simulated && <StandInKnobs key={device.name} device={device} />}
    </div>
  );
};
