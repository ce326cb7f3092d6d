import type { DrawnShape } from './shapes';

/**
 * The same drawing in fewer shapes: neighbors in the painting order that are painted alike become
 * one path. A wheel of 36 spokes goes from some 150 shapes to 40.
 */
export const mergedShapes = (shapes: readonly DrawnShape[]): DrawnShape[] => {
  const merged: DrawnShape[] = [];
  for (const shape of shapes) {
    const last = merged.at(-1);
    if (
      last?.kind === 'path' &&
      shape.kind === 'path' &&
      last.role === shape.role &&
      last.filled === shape.filled &&
      last.width === shape.width
    )
      merged[merged.length - 1] = { ...last, d: last.d + shape.d };
    else merged.push(shape);
  }
  return merged;
};
