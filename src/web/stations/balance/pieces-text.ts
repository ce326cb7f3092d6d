import { useCallback } from 'react';
import { usePlace } from '../../shared/place';
import { useUnits } from '../../shared/quantity';

interface Placed {
  massG: number;
  deg: number;
}

/** Pieces by their places: `20 g + 20 g at 1:10, 5 g at 2`. */
export const piecesText = (
  pieces: readonly Placed[],
  { mass, place }: { mass(massG: number): string; place(deg: number): string },
): string => {
  const places = [...new Set(pieces.map((p) => p.deg))];
  const massesAt = (deg: number) => pieces.filter((p) => p.deg === deg).map((p) => mass(p.massG));
  return places.map((deg) => `${massesAt(deg).join(' + ')} at ${place(deg)}`).join(', ');
};

/** The same in the fitter's units, as the wheel lies. */
export const useSayPieces = () => {
  const { say } = useUnits();
  const { clock } = usePlace();
  return useCallback(
    (pieces: readonly Placed[]) => piecesText(pieces, { mass: (g) => say(g, 'g'), place: clock }),
    [say, clock],
  );
};
