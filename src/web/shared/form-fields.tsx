import { useController, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import type { Unit } from '../../core/base/units';
import { ChoiceField, QuantityField, TextField } from './fields';

interface Bound<Values extends FieldValues> {
  control: Control<Values>;
  name: FieldPath<Values>;
  label: string;
  hint?: string;
}

/**
 * The form state of a control: the text that is typed, what is wrong with it, and where to go when
 * it is.
 */
const useBound = <Values extends FieldValues>({
  control,
  name,
}: Pick<Bound<Values>, 'control' | 'name'>) => {
  const { field, fieldState } = useController({ control, name });
  return {
    value: String(field.value ?? ''),
    onChange: field.onChange,
    inputRef: field.ref,
    problem: fieldState.error?.message ?? null,
  };
};

/** A line of text of a form. */
export const FormText = <Values extends FieldValues>({
  control,
  name,
  ...rest
}: Bound<Values> & { maxLength?: number; type?: string; inputMode?: 'text' | 'numeric' }) => (
  <TextField {...rest} {...useBound({ control, name })} />
);

/** A quantity of a form, as typed in the fitter's unit. */
export const FormQuantity = <Values extends FieldValues>({
  control,
  name,
  ...rest
}: Bound<Values> & { unit: Unit | null }) => (
  <QuantityField {...rest} {...useBound({ control, name })} />
);

/** One of a few words of a form. */
export const FormChoice = <Values extends FieldValues>({
  control,
  name,
  ...rest
}: Bound<Values> & { options: readonly (readonly [string, string])[] }) => {
  const { inputRef: _, ...bound } = useBound({ control, name });
  return <ChoiceField {...rest} {...bound} />;
};
