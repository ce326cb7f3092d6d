import { useEffect, useRef } from 'react';
import { Controller, useFormState, type Control } from 'react-hook-form';
import {
  BUILDS,
  BUILD_WORDS,
  DISC_SIDES,
  POSITIONS,
  POSITION_WORDS,
  type Machine,
} from '../../../core/fit/wheels';
import { Button } from '../../parts/Button';
import { FormChoice, FormText } from '../../shared/form-fields';
import { FieldInput } from '../records/FieldInput';
import { More } from './More';
import { choices, moreOf, type MachineForm, type WheelForm } from './machine-form';

interface Props {
  control: Control<MachineForm>;
  index: number;
  /** The wheel as it is typed now. */
  typed: WheelForm;
  kind: Machine['kind'];
  /** Another build usually means another answer to tube or none, and has other bolts. */
  onBuild: (tube: WheelForm['tube']) => void;
  /** Takes the wheel away; null for the only one. */
  onAway: (() => void) | null;
}

const TUBE = [
  ['tube', 'with a tube'],
  ['none', 'tubeless'],
] as const;

/** One wheel of a new machine. */
export const WheelFields = ({ control, index, kind, typed, onBuild, onAway }: Props) => {
  const at = `wheels.${index}` as const;
  const { errors } = useFormState({ control });
  const wrong = errors.wheels?.[index];
  const before = useRef(typed.build);
  useEffect(() => {
    if (before.current === typed.build) return;
    before.current = typed.build;
    onBuild(typed.build === 'spoked' ? 'tube' : 'none');
  }, [typed.build, onBuild]);
  return (
    <fieldset className="grid gap-3 border-t-2 border-ink pt-3 sm:grid-cols-2 lg:grid-cols-4">
      <legend className="head pr-3 text-xl">{POSITION_WORDS[typed.position]}</legend>
      <FormChoice
        control={control}
        name={`${at}.position`}
        label="Position"
        options={choices(POSITIONS, POSITION_WORDS)}
      />
      <FormChoice
        control={control}
        name={`${at}.build`}
        label="Rim"
        options={choices(BUILDS, BUILD_WORDS)}
      />
      <FormText control={control} name={`${at}.rimCode`} label="Rim code" maxLength={40} />
      <FormText control={control} name={`${at}.tireMarking`} label="Current tire" maxLength={40} />
      <FormChoice control={control} name={`${at}.tube`} label="Tube" options={TUBE} />
      {moreOf(typed.build, kind).map((field) => (
        <Controller
          key={field.key}
          control={control}
          name={`${at}.more.${field.key}`}
          render={({ field: bound, fieldState }) => (
            <FieldInput
              field={field}
              value={bound.value ?? ''}
              problem={fieldState.error?.message ?? null}
              onChange={bound.onChange}
            />
          )}
        />
      ))}
      <More
        label="Rim locks, spokes, disc"
        isOpen={Boolean(wrong?.locks ?? wrong?.spokes)}
        className="sm:col-span-2 lg:col-span-4"
      >
        <FormText
          control={control}
          name={`${at}.locks`}
          label="Rim locks"
          hint="places from the valve, as 7:00 or 210°"
          maxLength={40}
        />
        {typed.build === 'spoked' && (
          <FormText
            control={control}
            name={`${at}.spokes`}
            label="Spokes"
            inputMode="numeric"
            maxLength={2}
          />
        )}
        <FormChoice
          control={control}
          name={`${at}.discSide`}
          label="Brake disc"
          options={choices(DISC_SIDES)}
        />
      </More>
      {onAway && (
        <Button small className="self-end" onClick={onAway}>
          Remove wheel
        </Button>
      )}
    </fieldset>
  );
};
