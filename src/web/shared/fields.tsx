import { Popover } from 'radix-ui';
import { Delete, Grid3x3 } from 'lucide-react';
import { useId, type ReactNode, type Ref } from 'react';
import type { Unit } from '../../core/base/units';
import { useUnits } from './quantity';
import { KeysPause } from '../parts/keys';

interface Common {
  label: string;
  value: string;
  onChange: (value: string) => void;
  problem?: string | null | undefined;
  hint?: string;
  /** For a key that goes to the field. */
  inputRef?: Ref<HTMLInputElement> | undefined;
}

/**
 * Label, control and what is wrong with it, tied together for the eye and for the screen reader.
 */
export const Labelled = ({
  label,
  problem,
  hint,
  children,
}: {
  label: string;
  problem?: string | null | undefined;
  hint?: string | undefined;
  children: (ids: { id: string; describedBy: string | undefined }) => ReactNode;
}) => {
  const id = useId();
  const describedBy = problem || hint ? `${id}-more` : undefined;
  return (
    <div>
      <label htmlFor={id} className="mb-1 block text-[15px] text-ink2">
        {label}
      </label>
      {children({ id, describedBy })}
      {(problem || hint) && (
        <p id={describedBy} className={`mt-1 text-[15px] ${problem ? 'text-stop' : 'text-ink2'}`}>
          {problem ?? hint}
        </p>
      )}
    </div>
  );
};

/** A line of text. */
export const TextField = ({
  label,
  value,
  onChange,
  problem,
  hint,
  onFocus,
  inputRef,
  ...rest
}: Common & {
  placeholder?: string;
  maxLength?: number;
  onFocus?: () => void;
  type?: string;
  list?: string;
  autoFocus?: boolean;
  inputMode?: 'text' | 'numeric';
}) => (
  <Labelled label={label} problem={problem} hint={hint}>
    {({ id, describedBy }) => (
      <input
        {...rest}
        ref={inputRef}
        id={id}
        className="field"
        value={value}
        autoComplete="off"
        aria-describedby={describedBy}
        aria-invalid={Boolean(problem)}
        onFocus={onFocus}
        onChange={(e) => onChange(e.target.value)}
      />
    )}
  </Labelled>
);

/** One of a few words. */
export const ChoiceField = ({
  label,
  value,
  onChange,
  options,
  problem,
  hint,
}: Omit<Common, 'inputRef'> & {
  options: readonly (readonly [value: string, label: string])[];
}) => (
  <Labelled label={label} problem={problem} hint={hint}>
    {({ id, describedBy }) => (
      <select
        id={id}
        className="field"
        value={value}
        aria-describedby={describedBy}
        onChange={(e) => onChange(e.target.value)}
      >
        {options.map(([v, text]) => (
          <option key={v} value={v}>
            {text}
          </option>
        ))}
      </select>
    )}
  </Labelled>
);

const PAD = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '.', '0', 'back'];

/** Big keys for gloved hands, beside the field they fill. */
const NumberPad = ({
  label,
  value,
  onChange,
  signed,
}: Pick<Common, 'label' | 'value' | 'onChange'> & { signed?: boolean | undefined }) => (
  <Popover.Root>
    <Popover.Trigger asChild>
      <button
        type="button"
        className="grid h-12 w-12 shrink-0 cursor-pointer place-items-center rounded-lg text-ink2 hover:bg-stone2"
        aria-label={`Number keys for ${label}`}
      >
        <Grid3x3 size={20} aria-hidden="true" />
      </button>
    </Popover.Trigger>
    <Popover.Portal>
      <Popover.Content
        sideOffset={8}
        className="z-40 rounded-2xl border-2 border-ink bg-stone p-3"
        aria-label={`Number keys for ${label}`}
      >
        <KeysPause />
        <output className="num mb-2 block text-right text-3xl" aria-live="polite">
          {value || '–'}
        </output>
        <div className="grid grid-cols-3 gap-2">
          {PAD.map((key) => (
            <button
              key={key}
              type="button"
              className="btn w-16 !px-0 text-2xl"
              aria-label={key === 'back' ? 'Delete last digit' : key}
              onClick={() => onChange(key === 'back' ? value.slice(0, -1) : value + key)}
            >
              {key === 'back' ? <Delete aria-hidden="true" /> : key}
            </button>
          ))}
        </div>
        {signed && (
          <button
            type="button"
            className="btn mt-2 w-full"
            onClick={() => onChange(value.startsWith('-') ? value.slice(1) : `-${value}`)}
          >
            plus or minus
          </button>
        )}
        <Popover.Close className="btn btn-go mt-2 w-full">Done</Popover.Close>
      </Popover.Content>
    </Popover.Portal>
  </Popover.Root>
);

/** A reading in the fitter's unit; `value` is what is typed, `useUnits().read` turns it into SI. */
export const QuantityField = ({
  label,
  unit,
  value,
  onChange,
  problem,
  hint,
  inputRef,
  big,
  signed,
}: Common & { unit: Unit | null; big?: boolean; signed?: boolean }) => {
  const { label: unitLabel } = useUnits();
  const name = unit ? `${label}, ${unitLabel(unit)}` : label;
  return (
    <Labelled label={name} problem={problem} hint={hint}>
      {({ id, describedBy }) => (
        <div className="flex">
          <input
            ref={inputRef}
            id={id}
            className={`field num min-w-0 ${big ? '!min-h-14 text-2xl' : ''}`}
            inputMode="decimal"
            autoComplete="off"
            maxLength={9}
            value={value}
            aria-describedby={describedBy}
            aria-invalid={Boolean(problem)}
            onChange={(e) => onChange(e.target.value)}
          />
          <NumberPad label={label} value={value} onChange={onChange} signed={signed} />
        </div>
      )}
    </Labelled>
  );
};
