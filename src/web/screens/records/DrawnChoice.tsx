import { useId } from 'react';
import type { DrawnWheel } from '../../../core/fit/drawing';
import { CAST_SHAPES, LACINGS } from '../../../core/fit/wheels';
import { WheelDial } from '../../pictures/WheelDial';

/** A wheel with one value of a field, for each field that is chosen by picture. */
const EXAMPLES: Readonly<Record<string, Readonly<Record<string, DrawnWheel>>>> = {
  lacing: Object.fromEntries(
    LACINGS.map((lacing) => [lacing, { build: 'spoked', spokes: 36, lacing }]),
  ),
  castShape: Object.fromEntries(
    CAST_SHAPES.map((castShape) => [castShape, { build: 'cast', spokes: 6, castShape }]),
  ),
};

interface Props {
  /** The key of the field. */
  name: string;
  label: string;
  value: string;
  options: readonly (readonly [value: string, label: string])[];
  onChange: (value: string) => void;
}

/** A choice among pictures; an option without a picture shows its word alone. */
export const DrawnChoice = ({ name, label, value, options, onChange }: Props) => {
  const id = useId();
  return (
    <fieldset className="col-span-full">
      <legend className="mb-1 text-[15px] text-ink2">{label}</legend>
      <div className="flex flex-wrap gap-2">
        {options.map(([option, words]) => {
          const example = EXAMPLES[name]?.[option];
          return (
            <label
              key={option}
              className="flex min-h-12 w-[104px] cursor-pointer flex-col items-center justify-end border-2 border-stone3 p-1 text-center text-[15px] leading-tight has-checked:border-water has-checked:bg-water3 has-focus-visible:outline-3 has-focus-visible:outline-water"
            >
              {example && (
                <WheelDial wheel={example} marks={[]} sideUp="disc" tireOn={false} small />
              )}
              <span className="flex items-center gap-1">
                <input
                  type="radio"
                  name={id}
                  value={option}
                  checked={option === value}
                  onChange={() => onChange(option)}
                />
                {words}
              </span>
            </label>
          );
        })}
      </div>
    </fieldset>
  );
};
