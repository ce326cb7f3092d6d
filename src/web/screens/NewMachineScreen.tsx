import { joiResolver } from '@hookform/resolvers/joi';
import { nanoid } from '@reduxjs/toolkit';
import { useEffect, useMemo, useState } from 'react';
import { useFieldArray, useForm, useWatch, type FieldErrors } from 'react-hook-form';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { Button } from '../parts/Button';
import { FormChoice, FormQuantity, FormText } from '../shared/form-fields';
import { Failed, Frame } from '../shared/Frame';
import { useUnits } from '../shared/quantity';
import { useDo } from '../store';
import { api, ApiError } from '../store/api';
import { shopChanged } from '../store/records-api';
import { DRIVES, KIND_WORDS, MACHINE_KINDS } from '../../core/fit/wheels';
import {
  choices,
  EMPTY_MACHINE,
  LOOSE_WHEEL,
  freshFastener,
  freshWheel,
  machineOf,
  machineSchema,
  USUAL_DRIVE,
  wheelsOf,
  type MachineForm,
} from './machine/machine-form';
import { FastenerFields } from './machine/FastenerFields';
import { More } from './machine/More';
import { WheelFields } from './machine/WheelFields';
import { refusalText } from '../shared/refusal';

const MAX_WHEELS = 6;

/** The first thing that does not fit, in the order of the form. */
const firstProblem = (errors: FieldErrors): string | null => {
  for (const error of Object.values(errors)) {
    if (!error) continue;
    if (typeof error.message === 'string' && error.message) return error.message;
    const inside = firstProblem(error as FieldErrors);
    if (inside) return inside;
  }
  return null;
};

/** A machine with its wheels and torque values, saved all at once. */
export const NewMachineScreen = () => {
  const dispatch = useDo();
  const navigate = useNavigate();
  const units = useUnits();
  const { read } = units;
  const [query] = useSearchParams();
  const isLoose = query.has('loose');
  const [refused, setRefused] = useState<string | null>(null);
  const schema = useMemo(() => machineSchema(units), [units]);
  const { control, handleSubmit, setValue, formState } = useForm<MachineForm>({
    resolver: joiResolver(schema, { abortEarly: false }),
    defaultValues: isLoose ? LOOSE_WHEEL : EMPTY_MACHINE,
  });
  const wheels = useFieldArray({ control, name: 'wheels' });
  const fasteners = useFieldArray({ control, name: 'fasteners' });
  const typedWheels = useWatch({ control, name: 'wheels' });
  const kind = useWatch({ control, name: 'kind' });

  // The usual drive of its kind, until someone says another.
  useEffect(() => setValue('drive', USUAL_DRIVE[kind]), [kind, setValue]);

  const save = handleSubmit(async (form) => {
    setRefused(null);
    try {
      const id = nanoid();
      await api.addMachine(machineOf(form, id, read), wheelsOf(form, id, units));
      await dispatch(shopChanged());
      await navigate(`/jobs/new?${new URLSearchParams({ find: form.name.trim() })}`);
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setRefused(refusalText(error));
    }
  });
  const { errors } = formState;
  const problem = refused ?? firstProblem(errors);
  return (
    <Frame
      title={isLoose ? 'Loose wheel' : 'New machine'}
      actions={
        <Link className="btn" to="/jobs/new">
          Cancel
        </Link>
      }
    >
      {problem && <Failed message={problem} />}
      <form className="space-y-8" noValidate onSubmit={(e) => void save(e)}>
        <div className="grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
          <FormText control={control} name="name" label="Name" maxLength={80} />
          <FormText control={control} name="rider" label="Rider" maxLength={80} />
          <FormChoice
            control={control}
            name="kind"
            label="Kind"
            options={choices(MACHINE_KINDS, KIND_WORDS)}
          />
        </div>
        {wheels.fields.map((wheel, i) => (
          <WheelFields
            key={wheel.id}
            control={control}
            index={i}
            kind={kind}
            typed={typedWheels[i] ?? wheel}
            onBuild={(tube) => {
              setValue(`wheels.${i}.tube`, tube);
              setValue(`wheels.${i}.more`, {});
            }}
            onAway={wheels.fields.length > 1 ? () => wheels.remove(i) : null}
          />
        ))}
        {wheels.fields.length < MAX_WHEELS && (
          <Button onClick={() => wheels.append(freshWheel('rear'))}>Add wheel</Button>
        )}
        {!isLoose && (
          <More
            label="Drive, placard, and torque from the manual"
            isOpen={Boolean(errors.front ?? errors.rear ?? errors.fasteners)}
            className="border-t-2 border-ink pt-2"
          >
            <FormChoice control={control} name="drive" label="Drive" options={choices(DRIVES)} />
            <FormQuantity
              control={control}
              name="front"
              label="Placard, front"
              unit="kPa"
              hint="cold; empty if there is none"
            />
            <FormQuantity control={control} name="rear" label="Placard, rear" unit="kPa" />
            <div className="sm:col-span-2 lg:col-span-4">
              {fasteners.fields.map((fastener, i) => (
                <FastenerFields key={fastener.id} control={control} index={i} />
              ))}
              <Button small onClick={() => fasteners.append(freshFastener())}>
                Add fastener
              </Button>
            </div>
          </More>
        )}
        <Button go type="submit" className="ml-3">
          {isLoose ? 'Save wheel' : 'Save machine'}
        </Button>
      </form>
    </Frame>
  );
};
