import type { Control } from 'react-hook-form';
import { FormChoice, FormQuantity, FormText } from '../../shared/form-fields';
import { choices, type MachineForm } from './machine-form';

const WHEELS = choices(['front', 'rear', 'any']);

/** One fastener of a new machine, with its torque from the manual. */
export const FastenerFields = ({
  control,
  index,
}: {
  control: Control<MachineForm>;
  index: number;
}) => {
  const at = `fasteners.${index}` as const;
  return (
    <div className="mb-3 grid gap-3 sm:grid-cols-3">
      <FormText control={control} name={`${at}.name`} label="Fastener" maxLength={60} />
      <FormChoice control={control} name={`${at}.wheel`} label="Wheel" options={WHEELS} />
      <FormQuantity
        control={control}
        name={`${at}.torque`}
        label="Torque"
        unit="Nm"
        hint="empty if there is no spec"
      />
    </div>
  );
};
