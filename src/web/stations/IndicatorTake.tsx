import { useEffect, useState } from 'react';
import { placeText } from '../../core/base/units';
import { Button } from '../parts/Button';
import { DeviceLabel } from '../shared/DeviceTake';
import { ChoiceField } from '../shared/fields';
import { useUnits } from '../shared/quantity';
import { useDevice } from '../shared/use-device';
import { api } from '../store/api';

export type Way = 'lateral' | 'radial';

const WAYS = [
  ['lateral', 'side to side'],
  ['radial', 'up and down'],
] as const;

interface Props {
  /** The places in their order, and which of them are still to be read. */
  next: Record<Way, number | null>;
  onTake: (way: Way, deg: number, mm: number, device: string) => void;
  /** The way to measure, if only one is. */
  only?: Way;
}

/** The dial indicator, live: turn the wheel to the place, wait until it is steady, take it. */
export const IndicatorTake = ({ next, onTake, only }: Props) => {
  const [on, setOn] = useState(false);
  const [way, setWay] = useState<Way>(only ?? 'lateral');
  const [heldAt, setHeldAt] = useState<string | null>(null);
  const { say } = useUnits();
  const { device, line, readiness, text: says, forget } = useDevice('dial-indicator', on);
  const deg = next[way];
  const name = device?.name;
  const isStandIn = device?.simulated === true;
  useEffect(() => {
    // A stand-in turns its wheel by itself; a real wheel is turned by hand.
    if (!on || name === undefined || !isStandIn || deg === null) return;
    let moved = false;
    void api.holdDevice(name, { deg, axis: way }).then(
      () => {
        if (moved) return;
        forget();
        setHeldAt(`${way} ${deg}`);
      },
      () => undefined,
    );
    return () => {
      moved = true;
    };
  }, [on, name, isStandIn, deg, way, forget]);
  // What the stand-in said before it was turned here belongs to another place.
  const isThere = readiness === 'ready' && (!isStandIn || heldAt === `${way} ${deg}`);
  if (!on)
    return (
      <Button small onClick={() => setOn(true)}>
        Dial indicator
      </Button>
    );
  return (
    <div
      className="rounded-[14px_14px_14px_4px] border-2 border-ink p-3"
      role="group"
      aria-label="Dial indicator"
    >
      <div className="flex items-end gap-3">
        <div className="w-[150px]">
          <ChoiceField
            label="Measures"
            value={way}
            onChange={(v) => {
              setWay(v as Way);
              forget();
            }}
            options={WAYS.filter(([w]) => !only || w === only)}
          />
        </div>
        <p className="flex-1 text-right">
          <span className="num block text-[34px] leading-none">
            {line ? say(line.value, 'mm', { digits: 2 }) : '–'}
          </span>
          <span className="text-[14px] text-ink2">
            {line ? (isThere || deg === null ? 'steady' : 'moving') : says}
          </span>
        </p>
      </div>
      {device && (
        <p className="mt-1 text-[14px] text-ink2">
          <DeviceLabel device={device} />
        </p>
      )}
      <Button
        go
        small
        className="mt-2 w-full"
        disabled={!line || !isThere || deg === null}
        onClick={() => {
          if (line && deg !== null) {
            onTake(way, deg, line.value, line.device);
            forget();
          }
        }}
      >
        {deg === null ? 'All places read' : `Take it at ${placeText(deg)}`}
      </Button>
    </div>
  );
};
