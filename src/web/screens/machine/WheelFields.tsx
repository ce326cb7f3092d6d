import { useEffect, useRef } from 'react';
import type { Control } from 'react-hook-form';
import { BUILDS, BUILD_WORDS, DISC_SIDES, POSITIONS, POSITION_WORDS } from '../../../core/wheels';
import { Button } from '../../parts/Button';
import { FormChoice, FormText } from '../../parts/form-fields';
import { choices, type MachineForm, type WheelForm } from './machine-form';

interface Props {
  control: Control<MachineForm>;
  index: number;
  /** The wheel as it is typed now. */
  typed: WheelForm;
  /** Another build usually means another answer to tube or none. */
  onTube: (tube: WheelForm['tube']) => void;
  /** Takes the wheel away; null for the only one. */
  onAway: (() => void) | null;
}

const TUBE = [
  ['tube', 'with a tube'],
  ['none', 'tubeless'],
] as const;

/** One wheel of a new machine. */
export const WheelFields = ({ control, index, typed, onTube, onAway }: Props) => {
  const at = `wheels.${index}` as const;
  const before = useRef(typed.build);
  useEffect(() => {
    if (before.current === typed.build) return;
    before.current = typed.build;
    onTube(typed.build === 'spoked' ? 'tube' : 'none');
  }, [typed.build, onTube]);
  return (
    <fieldset className="grid gap-3 border-t-2 border-ink pt-3 sm:grid-cols-2 lg:grid-cols-4">
      <legend className="head pr-3 text-xl">{POSITION_WORDS[typed.position]}</legend>
      <FormChoice
        control={control}
        name={`${at}.position`}
        label="Where"
        options={choices(POSITIONS, POSITION_WORDS)}
      />
      <FormChoice control={control} name={`${at}.build`} label="Rim" options={choices(BUILDS, BUILD_WORDS)} />
      <FormText control={control} name={`${at}.rimCode`} label="Rim code" maxLength={40} />
      <FormText control={control} name={`${at}.tireMarking`} label="Tire on it" maxLength={40} />
      <FormChoice control={control} name={`${at}.tube`} label="Tube" options={TUBE} />
      <FormText
        control={control}
        name={`${at}.locks`}
        label="Rim locks"
        hint="places from the valve, as 7:00 or 210°"
        maxLength={40}
      />
      {typed.build === 'spoked' && (
        <FormText control={control} name={`${at}.spokes`} label="Spokes" inputMode="numeric" maxLength={2} />
      )}
      <FormChoice control={control} name={`${at}.discSide`} label="Brake disc" options={choices(DISC_SIDES)} />
      {onAway && (
        <Button small className="self-end" onClick={onAway}>
          Take this wheel away
        </Button>
      )}
    </fieldset>
  );
};
