/** A span in seconds as a fitter says it: `48 s`, `12 min`, `1 h 05`. */
export const durationText = (seconds: number): string => {
  const minutes = Math.round(seconds / 60);
  return seconds < 90
    ? `${Math.round(seconds)} s`
    : minutes < 60
      ? `${minutes} min`
      : `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')}`;
};
