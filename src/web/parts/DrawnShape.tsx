import type { DialShape } from '../../core/fit/wheels';

/** One shape of a drawing; its role decides its color in every theme. */
export const Shape = ({ shape }: { shape: DialShape }) => {
  if (shape.kind === 'text')
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
  const className = `${shape.role} ${shape.filled ? 'filled' : ''}`;
  return shape.kind === 'circle' ? (
    <circle
      className={className}
      cx={shape.cx}
      cy={shape.cy}
      r={shape.r}
      fill={shape.filled ? undefined : 'none'}
    />
  ) : (
    <path className={className} d={shape.d} fill={shape.filled ? undefined : 'none'} />
  );
};
