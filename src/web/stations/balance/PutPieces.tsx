import { Button } from '../../parts/Button';
import type { BalanceFormProps } from './balance-form-props';

const PUT_WORDS = ['Save', 'Weight is on', 'Weights are on'] as const;

/** A search for pieces that was cut short can be taken up again. */
const SearchOn = ({ advice: { advised, placed, search } }: Pick<BalanceFormProps, 'advice'>) => {
  const wanted = advised?.result;
  if (!placed || placed.result.proved || wanted?.do !== 'final') return null;
  if (search.runs)
    return (
      <Button small onClick={search.stop}>
        Stop the search
      </Button>
    );
  return (
    <Button small onClick={() => search.begin(wanted)}>
      Keep searching
    </Button>
  );
};

/** The advised pieces go on. */
export const PutPieces = ({ step, advice, hand, onGo, beside }: BalanceFormProps) => {
  const place = advice.advised?.result;
  return (
    <div className="flex flex-wrap items-center gap-2">
      <Button go hotkey="N" onClick={onGo}>
        {PUT_WORDS[Math.min(step.toPut.length, 2)]}
      </Button>
      <Button
        onClick={() =>
          hand.begin('weights', place && 'deg' in place ? Math.round(place.deg) % 360 : null, [
            ...step.toPut,
          ])
        }
      >
        Other weights
      </Button>
      {beside}
      <SearchOn advice={advice} />
    </div>
  );
};
