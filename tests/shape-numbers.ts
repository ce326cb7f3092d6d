import type { DrawnShape } from '../src/core/fit/drawing';

/** Every number that a shape is drawn with. */
export const shapeNumbers = (shape: DrawnShape): number[] => {
  switch (shape.kind) {
    case 'path':
      return (shape.d.match(/-?[\d.]+(e-?\d+)?/g) ?? []).map(Number);
    case 'circle':
      return [shape.cx, shape.cy, shape.r];
    case 'text':
      return [shape.x, shape.y];
    case 'arc-text':
      return [shape.r];
  }
};
