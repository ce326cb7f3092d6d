/** Whether the viewer wants pictures that stand still. */
export const wantsNoMotion = (): boolean =>
  window.matchMedia('(prefers-reduced-motion: reduce)').matches;
