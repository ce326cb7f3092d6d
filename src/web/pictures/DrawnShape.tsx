import { arcLetters, type DrawnShape } from '../../core/fit/drawing';

/** One shape of a drawing; its role decides its color in every theme. */
export const Shape = ({ shape }: { shape: DrawnShape }) => {
  switch (shape.kind) {
    case 'text':
      return (
        <text
          className={shape.role}
          x={shape.x}
          y={shape.y}
          fontSize={shape.size}
          textAnchor={shape.anchor}
        >
          {shape.text}
        </text>
      );
    case 'arc-text':
      return (
        <g className={shape.role} fontSize={shape.size} textAnchor="middle" aria-hidden>
          {arcLetters(shape).map(({ letter, x, y, turnDeg }, i) => (
            <text key={i} x={x} y={y} transform={`rotate(${turnDeg} ${x} ${y})`}>
              {letter}
            </text>
          ))}
        </g>
      );
    case 'circle':
      return (
        <circle
          className={`${shape.role} ${shape.filled ? 'filled' : ''}`}
          cx={shape.cx}
          cy={shape.cy}
          r={shape.r}
          fill={shape.filled ? undefined : 'none'}
        />
      );
    case 'path':
      return (
        <path
          className={`${shape.role} ${shape.filled ? 'filled' : ''}`}
          d={shape.d}
          fill={shape.filled ? undefined : 'none'}
          style={shape.width === undefined ? undefined : { strokeWidth: shape.width }}
        />
      );
  }
};
