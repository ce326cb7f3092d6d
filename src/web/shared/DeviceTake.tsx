import { dateText } from '../../core/base/units';
import { Popover } from 'radix-ui';
import { Plug } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { DEVICE_KINDS, type DeviceKind, type DeviceLine } from '../../core/bench/devices';
import { Button } from '../parts/Button';
import { useUnits } from './quantity';
import { StandInKnobs } from './StandInKnobs';
import { useDevice, type LiveDevice } from './use-device';
import { KeysPause } from '../parts/keys';

/** As many digits as a fitter reads off an instrument of the kind. */
export const DEVICE_DIGITS: Record<DeviceKind, number> = {
  gauge: 1,
  thermometer: 1,
  'dial-indicator': 2,
  caliper: 2,
  'torque-wrench': 0,
  'balance-stand': 0,
};

/** The name of an instrument, whether it is simulated, and when it was calibrated. */
export const DeviceLabel = ({ device }: { device: NonNullable<LiveDevice['device']> }) => (
  <>
    {device.name}
    {device.simulated ? ', simulated' : ''} ·{' '}
    {device.calibratedOn
      ? `calibrated ${dateText(device.calibratedOn)}`
      : 'calibration not recorded'}
  </>
);

interface Props {
  kind: DeviceKind;
  /** The instrument that is meant, where there are several of the kind. */
  meant?: string;
  /** The reading that is taken, for the button's accessible name. */
  what: string;
  /** Beside a field in a row: a plug instead of words. */
  compact?: boolean;
  onTake: (line: DeviceLine) => void;
}

/** The instrument itself, live, with the one button that takes its reading. */
const Live = ({ kind, meant, onTake }: Pick<Props, 'kind' | 'meant' | 'onTake'>) => {
  const { say } = useUnits();
  const { device, line, reading, text: says, forget } = useDevice(kind, true, true, meant);
  const shown = reading ?? line;
  return (
    <>
      <div className="flex items-center gap-3">
        <p className="min-w-0 flex-1">
          <span className="num block text-[34px] leading-none">
            {shown
              ? say(shown.value, DEVICE_KINDS[kind].unit, { digits: DEVICE_DIGITS[kind] })
              : '–'}
          </span>
          <span className="text-[15px] text-ink2" role="status">
            {says}
          </span>
        </p>
        <Button
          go
          disabled={!reading}
          onClick={() => {
            if (reading) {
              onTake(reading);
              forget();
            }
          }}
        >
          Use reading
        </Button>
      </div>
      {device && (
        <p className="mt-1 text-[14px] text-ink2">
          <DeviceLabel device={device} />
        </p>
      )}
      {device?.simulated && (
        <div className="mt-2">
          <StandInKnobs key={device.name} device={device} />
        </div>
      )}
    </>
  );
};

/** Beside a field: the live instrument of a kind, and one tap that takes its reading. */
export const DeviceTake = ({ kind, meant, what, compact, onTake }: Props) => {
  const [open, setOpen] = useState(false);
  const { says: name } = DEVICE_KINDS[kind];
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        {compact ? (
          <button
            type="button"
            className="grid h-12 w-12 shrink-0 cursor-pointer place-items-center rounded-lg text-ink2 hover:bg-stone2"
            aria-label={`${what} from the ${name}`}
          >
            <Plug size={22} aria-hidden="true" />
          </button>
        ) : (
          <button type="button" className="btn btn-small" aria-label={`${what} from the ${name}`}>
            From the {name}
          </button>
        )}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={8}
          collisionPadding={12}
          className="z-40 w-[min(420px,calc(100vw-24px))] rounded-2xl border-2 border-ink bg-stone p-3"
          aria-label={`${what} from the ${name}`}
        >
          <KeysPause />
          {open && (
            <Live
              kind={kind}
              {...(meant === undefined ? {} : { meant })}
              onTake={(line) => {
                onTake(line);
                setOpen(false);
              }}
            />
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
};

/** A field with the instrument that can fill it, on one line. */
export const WithTake = ({
  children,
  ...take
}: Omit<Props, 'compact'> & { children: ReactNode }) => (
  <div className="flex items-start">
    <div className="min-w-0 flex-1">{children}</div>
    {/* Below the field's label. */}
    <div className="mt-6.5">
      <DeviceTake compact {...take} />
    </div>
  </div>
);
