import { X } from 'lucide-react';
import { useState } from 'react';
import type { Piece, Sides, WeightStock } from '../../../core/bench/balance';
import { Button } from '../../parts/Button';
import { useUnits } from '../../shared/quantity';

interface Props {
  stock: readonly WeightStock[];
  pieces: readonly Piece[];
  /** The place of a piece from the shelf; null before a place is named. */
  deg: number | null;
  /** The shop's sides: with both, the second of a kind at a place goes on the far side. */
  sides: Sides;
  sayPlace: (deg: number) => string;
  onPieces: (pieces: Piece[]) => void;
}

/**
 * The stock as buttons: a tap puts a piece at the place at hand, the cross beside a piece takes it
 * off again.
 */
export const PieceShelf = ({ stock, pieces, deg, sides, sayPlace, onPieces }: Props) => {
  const { say } = useUnits();
  const [lastTaken, setLastTaken] = useState('');
  const sideOf = (massG: number): Piece['side'] => {
    const here = pieces.filter((p) => p.deg === deg && p.massG === massG).length;
    return sides === 'inner' ? 'inner' : sides === 'both' && here % 2 === 1 ? 'far' : 'near';
  };
  const left = (kind: WeightStock) =>
    kind.count - pieces.filter((p) => p.massG === kind.massG).length;
  return (
    <div>
      <div role="group" aria-label="Weights in stock" className="flex flex-wrap gap-1.5">
        {stock.map((kind) => (
          <Button
            key={kind.massG}
            small
            disabled={deg === null || left(kind) <= 0}
            aria-label={`Put ${say(kind.massG, 'g')} on, ${left(kind)} in stock`}
            onClick={() => {
              onPieces([...pieces, { massG: kind.massG, deg: deg!, side: sideOf(kind.massG) }]);
              setLastTaken(`${say(kind.massG, 'g')} at ${sayPlace(deg!)}`);
            }}
          >
            {say(kind.massG, 'g')} <span className="num text-[14px] text-ink2">× {left(kind)}</span>
          </Button>
        ))}
        {stock.length === 0 && <p className="text-check">No weight in stock fits this wheel.</p>}
      </div>
      <p className="sr-only" role="status">
        {lastTaken && `Picked: ${lastTaken}`}
      </p>
      <ul className="mt-2 flex max-h-[104px] flex-wrap gap-1.5 overflow-y-auto" aria-label="Picked">
        {pieces.map((p, i) => (
          <li key={i} className="flex items-center rounded-lg bg-stone2 pl-3">
            <span className="num">{say(p.massG, 'g')}</span>
            <span className="ml-1.5 text-[15px] text-ink2">
              {sayPlace(p.deg)}
              {p.side === 'far' ? ', far' : ''}
            </span>
            <button
              type="button"
              className="grid h-12 w-12 cursor-pointer place-items-center"
              aria-label={`Take ${say(p.massG, 'g')} at ${sayPlace(p.deg)} off`}
              onClick={() => onPieces(pieces.filter((_, k) => k !== i))}
            >
              <X size={18} aria-hidden="true" />
            </button>
          </li>
        ))}
        {pieces.length === 0 && <li className="text-ink2">No weights on.</li>}
      </ul>
    </div>
  );
};
