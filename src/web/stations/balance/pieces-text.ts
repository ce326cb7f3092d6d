/** Pieces by their places: `20 g + 20 g at 1:10, 5 g at 2`. */
export const piecesText = (
  pieces: readonly { massG: number; deg: number }[],
  { mass, place }: { mass(massG: number): string; place(deg: number): string },
): string =>
  [...new Set(pieces.map((p) => p.deg))]
    .map(
      (deg) =>
        `${pieces
          .filter((p) => p.deg === deg)
          .map((p) => mass(p.massG))
          .join(' + ')} at ${place(deg)}`,
    )
    .join(', ');
