import { Button } from '../../parts/Button';
import { PlaceField, usePlace } from '../../shared/place';
import { PieceShelf } from './PieceShelf';
import type { BalanceFormProps } from './balance-form-props';

/** Pieces of the fitter's own choice, from the shelf to a place. */
export const OwnPieces = ({ advice, hand, acts, onGo, readingRef, beside }: BalanceFormProps) => {
  const place = usePlace();
  const pieces = hand.pieces ?? [];
  return (
    <div className="grid gap-2">
      <PlaceField
        key={hand.fieldKey}
        inputRef={readingRef}
        label="Place for the next weight"
        deg={hand.deg}
        onPlace={(deg) => hand.change({ deg })}
      />
      <PieceShelf
        {...advice.shelf}
        pieces={pieces}
        deg={hand.deg}
        sayPlace={place.clock}
        onPieces={(to) => hand.change({ pieces: to })}
      />
      <div className="flex flex-wrap gap-2">
        <Button go hotkey="N" onClick={onGo}>
          Weights are final
        </Button>
        <Button onClick={() => acts.trial(pieces)}>Taped on for trial</Button>
        {beside}
      </div>
    </div>
  );
};
