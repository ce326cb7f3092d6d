import { Button } from '../../parts/Button';
import { ChoiceField } from '../../shared/fields';
import { PlaceField } from '../../shared/place';
import type { BalanceFormProps } from './balance-form-props';

/** The moves of a place that was held level; each has a key of its own, 1 to 3. */
export const MOVES = ['rises', 'sinks', 'stays'] as const;

const SIDES = [
  ['right', '3 o’clock'],
  ['left', '9 o’clock'],
] as const;

/** The move of a place that was held level: the advised one, or one of the fitter's own. */
export const LevelFields = ({
  step,
  advice,
  hand,
  onLevel,
  readingRef,
  beside,
}: BalanceFormProps) => {
  const deg = step.byHand ? hand.deg : step.levelDeg;
  const off = deg === null || (!step.byHand && advice.busy);
  return (
    <>
      {step.byHand && (
        <div className="mb-2 grid grid-cols-[1fr_130px] gap-3">
          <PlaceField
            key={hand.fieldKey}
            inputRef={readingRef}
            label="Place held level"
            deg={hand.deg}
            onPlace={(to) => hand.change({ deg: to })}
          />
          <ChoiceField
            label="Held at"
            value={hand.at}
            onChange={(at) => hand.change({ at: at as 'left' | 'right' })}
            options={SIDES}
          />
        </div>
      )}
      <div role="group" aria-label="When released, it" className="flex flex-wrap gap-2">
        {MOVES.map((moved, i) => (
          <Button
            key={moved}
            go={deg !== null}
            disabled={off}
            hotkey={String(i + 1)}
            onClick={() => onLevel(moved)}
          >
            It {moved}
          </Button>
        ))}
      </div>
      <div className="mt-2 flex flex-wrap gap-2">{beside}</div>
    </>
  );
};
