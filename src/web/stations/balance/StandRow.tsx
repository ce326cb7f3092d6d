import { useEffect } from 'react';
import type { MassVector, Settle } from '../../../core/bench/balance';
import { Button } from '../../parts/Button';
import { DeviceLabel } from '../../shared/DeviceTake';
import { usePlace } from '../../shared/place';
import { TurnKnobs, useHold } from '../../shared/StandInKnobs';
import type { LiveDevice } from '../../shared/use-device';
import { useSeenSide } from './use-seen-side';

interface Props {
  stand: LiveDevice;
  on: readonly MassVector[];
  /** The place that the advice wants held level; null where it wants none. */
  levelDeg: number | null;
  /** It was let go from a side, as seen from the disc side. */
  onFrom: (from: Settle['from']) => void;
  onTake: () => void;
}

/**
 * The balance stand, live below the dial that turns with it; a simulated one is pushed and let go
 * from here.
 */
export const StandRow = ({ stand, on, levelDeg, onFrom, onTake }: Props) => {
  const place = usePlace();
  const seenSide = useSeenSide();
  const { hold } = useHold(stand.device);
  const { device, line, reading, text: says } = stand;
  const simulated = device?.simulated ?? false;
  const weights = JSON.stringify(on.map(({ massG, deg }) => ({ massG, deg })));
  // What the log has on the wheel is on the simulated one.
  useEffect(() => {
    if (simulated) void hold({ weights: JSON.parse(weights) as unknown });
  }, [simulated, weights, hold]);
  if (!device) return null;
  return (
    <div
      role="group"
      aria-label="Balance stand"
      className="mx-auto flex max-w-[640px] flex-wrap items-center gap-x-3 gap-y-1 border-t border-stone3 pt-2"
    >
      <p className="w-[104px]">
        <span className="num block text-[24px] leading-none">
          {line ? place.clock(line.value) : '–'}
        </span>
        <span className="text-[14px] text-ink2" role="status">
          {reading ? 'at rest' : says}
        </span>
      </p>
      <Button go small disabled={!reading} onClick={onTake}>
        Use this reading
      </Button>
      {simulated && (
        <span className="flex flex-wrap gap-1">
          <TurnKnobs
            hold={hold}
            seen={(side) => seenSide(side)}
            onFrom={(side) => onFrom(seenSide(side))}
          />
          {levelDeg !== null && (
            <Button small onClick={() => void hold({ level: levelDeg })}>
              Hold level, let go
            </Button>
          )}
        </span>
      )}
      <p className="w-full text-[13px] text-ink2">
        <DeviceLabel device={device} />
      </p>
    </div>
  );
};
