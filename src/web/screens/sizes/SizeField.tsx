import { SIZE_LETTERS } from '../../../core/fit/drawing';
import { type SizeChange } from '../../../core/fit/tires';
import { Button } from '../../parts/Button';
import { TextField } from '../../shared/fields';
import { useUnits } from '../../shared/quantity';
import { Reasons } from '../../shared/Reasons';
import { VerdictMark } from '../../parts/VerdictMark';

/** Less is not worth a word. */
const SPEEDOMETER_PCT = 0.05;

/** The part of a change that the drawing cannot show, in one sentence. */
const useAside = () => {
  const { say } = useUnits();
  return ({
    turnsPerKm,
    speedometerErrorPct: error,
    likeRearTeeth,
    sensor,
  }: SizeChange): string => {
    const reads = `speedometer reads ${say(Math.abs(error), 'pct')} ${error > 0 ? 'high' : 'low'}`;
    return [
      say(turnsPerKm, '1/km'),
      Math.abs(error) < SPEEDOMETER_PCT ? 'speedometer unchanged' : reads,
      likeRearTeeth !== null && `geared like ${likeRearTeeth.toFixed(1)} teeth at the rear`,
      sensor && `sensor ratio ${say(sensor.changePct, 'pct', { sign: true })}`,
    ]
      .filter(Boolean)
      .join(' · ');
  };
};

interface Props {
  index: number;
  size: string;
  /** Against the first; undefined for the first itself, and while it cannot be read. */
  change: SizeChange | undefined;
  problem: string | null;
  onChange: (size: string) => void;
  /** Takes the size away; null where it has to stay. */
  onAway: (() => void) | null;
}

/** One size as it is typed, and what it changes. */
export const SizeField = ({ index, size, change, problem, onChange, onAway }: Props) => {
  const aside = useAside();
  return (
    <div>
      <div className="flex items-end gap-2">
        <div className="flex-1">
          <TextField
            label={index === 0 ? 'A, current' : `${SIZE_LETTERS[index]}, as printed`}
            value={size}
            maxLength={40}
            onChange={onChange}
            problem={problem}
          />
        </div>
        {onAway && (
          <Button small onClick={onAway}>
            Remove<span className="sr-only"> with {size}</span>
          </Button>
        )}
      </div>
      {change && (
        <div className="mt-1 text-[16px]">
          <p className="flex flex-wrap items-center gap-x-3">
            <VerdictMark verdict={change.verdict} />
            {aside(change)}
          </p>
          <Reasons reasons={change.reasons.filter((r) => r.verdict !== 'good')} />
        </div>
      )}
    </div>
  );
};
