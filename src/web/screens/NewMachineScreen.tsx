import { nanoid } from '@reduxjs/toolkit';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { tireSize } from '../../core/tires';
import {
  BUILDS,
  BUILD_WORDS,
  DISC_SIDES,
  DRIVES,
  KIND_WORDS,
  MACHINE_KINDS,
  POSITIONS,
  POSITION_WORDS,
  rimCode,
  type Machine,
  type Wheel,
} from '../../core/wheels';
import { InputError } from '../../core/errors';
import { complete } from '../../core/shop';
import { parseAngle } from '../../core/units';
import { attempt } from '../../core/working';
import { Button } from '../parts/Button';
import { ChoiceField, QuantityField, TextField } from '../parts/fields';
import { Failed, Frame } from '../parts/Frame';
import { useUnits } from '../parts/quantity';
import { useDo } from '../store';
import { api, ApiError } from '../store/api';
import { loadShop } from '../store/shop-slice';

interface WheelForm {
  key: string;
  position: Wheel['position'];
  build: Wheel['build'];
  rimCode: string;
  tireMarking: string;
  tube: boolean;
  locks: string;
  spokes: string;
  discSide: Wheel['discSide'];
}

interface FastenerForm {
  key: string;
  name: string;
  wheel: 'front' | 'rear' | 'any';
  torque: string;
}

const freshWheel = (position: Wheel['position']): WheelForm => ({
  key: nanoid(),
  position,
  build: 'spoked',
  rimCode: '',
  tireMarking: '',
  tube: true,
  locks: '',
  spokes: '36',
  discSide: 'right',
});

const choices = <T extends string>(values: readonly T[], words?: Record<T, string>) =>
  values.map((v) => [v, words?.[v] ?? v] as const);

/** Rim locks as typed: places separated by commas, empty for none. */
const parseLocks = (text: string): number[] =>
  text
    .split(',')
    .map((t) => t.trim())
    .filter(Boolean)
    .map((t) => parseAngle(t));

/** A machine with its wheels and torque values, saved all at once. */
export const NewMachineScreen = () => {
  const dispatch = useDo();
  const navigate = useNavigate();
  const { read } = useUnits();
  const [name, setName] = useState('');
  const [rider, setRider] = useState('');
  const [kind, setKind] = useState<Machine['kind']>('dirt');
  const [drive, setDrive] = useState<Machine['drive']>('chain');
  const [front, setFront] = useState('');
  const [rear, setRear] = useState('');
  const [wheels, setWheels] = useState<WheelForm[]>([freshWheel('front'), freshWheel('rear')]);
  const [fasteners, setFasteners] = useState<FastenerForm[]>([
    { key: 'axle', name: 'rear axle nut', wheel: 'rear', torque: '' },
  ]);
  const [problem, setProblem] = useState<string | null>(null);

  const setWheel = (key: string, part: Partial<WheelForm>) =>
    setWheels((all) => all.map((w) => (w.key === key ? { ...w, ...part } : w)));
  const setFastener = (key: string, part: Partial<FastenerForm>) =>
    setFasteners((all) => all.map((f) => (f.key === key ? { ...f, ...part } : f)));

  const toWheel =
    (machineId: string) =>
    (w: WheelForm): Wheel => {
      const where = POSITION_WORDS[w.position];
      const size = attempt(tireSize, { marking: w.tireMarking || ' ' });
      if (!size.ok) throw new InputError(where, `${where}, tire: ${size.problem.message}`, size.problem.expected);
      const code = attempt(rimCode, { code: w.rimCode || ' ' });
      if (!code.ok) throw new InputError(where, `${where}, rim code: ${code.problem.message}`, code.problem.expected);
      const spokes = w.build === 'spoked' ? Number(w.spokes) : 0;
      if (!Number.isInteger(spokes) || spokes < 0 || spokes > 80)
        throw new InputError(where, `${where}: the number of spokes does not fit.`, 'a whole number up to 80');
      return complete('wheels', {
        id: nanoid(),
        machineId,
        position: w.position,
        build: w.build,
        rimCode: w.rimCode.trim(),
        tireMarking: w.tireMarking.trim(),
        tube: w.tube,
        rimLockDegs: parseLocks(w.locks),
        spokes,
        discSide: w.discSide,
      });
    };
  const optional = (text: string, what: string, unit: 'kPa' | 'Nm'): number | null => {
    if (!text.trim()) return null;
    const value = read(text, unit);
    if (value === null) throw new InputError(what, `${what}: not a number.`, 'a number, or nothing');
    return value;
  };

  const save = async () => {
    try {
      const id = nanoid();
      if (!name.trim()) throw new InputError('name', 'The machine has no name.', 'what the shop calls it');
      if (!rider.trim()) throw new InputError('rider', 'The rider has no name.', 'whose machine it is');
      const machine = complete('machines', {
        id,
        name: name.trim(),
        kind,
        rider: rider.trim(),
        drive,
        placardFrontKpa: optional(front, 'Front placard', 'kPa'),
        placardRearKpa: optional(rear, 'Rear placard', 'kPa'),
        fasteners: fasteners
          .filter((f) => f.name.trim())
          .map((f) => ({
            name: f.name.trim(),
            wheel: f.wheel,
            torqueNm: optional(f.torque, f.name, 'Nm'),
            socket: null,
          })),
      });
      await api.addMachine(machine, wheels.map(toWheel(id)));
      await dispatch(loadShop());
      await navigate('/jobs/new');
    } catch (error) {
      if (!(error instanceof InputError) && !(error instanceof ApiError)) throw error;
      setProblem(`${error.message} Right would be: ${error.expected}.`);
      window.scrollTo({ top: 0 });
    }
  };

  return (
    <Frame
      title="A new machine"
      actions={
        <Link className="btn" to="/jobs/new">
          Leave it
        </Link>
      }
    >
      {problem && <Failed message={problem} />}
      <form
        className="space-y-8"
        onSubmit={(e) => {
          e.preventDefault();
          void save();
        }}
      >
        <div className="grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
          <TextField label="What the shop calls it" value={name} onChange={setName} maxLength={80} />
          <TextField label="Rider" value={rider} onChange={setRider} maxLength={80} />
          <ChoiceField
            label="Kind"
            value={kind}
            onChange={(v) => setKind(v as Machine['kind'])}
            options={choices(MACHINE_KINDS, KIND_WORDS)}
          />
          <ChoiceField
            label="Drive"
            value={drive}
            onChange={(v) => setDrive(v as Machine['drive'])}
            options={choices(DRIVES)}
          />
          <QuantityField
            label="Placard, front"
            unit="kPa"
            value={front}
            onChange={setFront}
            hint="cold; empty where there is none"
          />
          <QuantityField label="Placard, rear" unit="kPa" value={rear} onChange={setRear} />
        </div>
        {wheels.map((w) => (
          <fieldset key={w.key} className="grid gap-3 border-t-2 border-ink pt-3 sm:grid-cols-2 lg:grid-cols-4">
            <legend className="head pr-3 text-xl">{POSITION_WORDS[w.position]}</legend>
            <ChoiceField
              label="Where"
              value={w.position}
              onChange={(v) => setWheel(w.key, { position: v as Wheel['position'] })}
              options={choices(POSITIONS, POSITION_WORDS)}
            />
            <ChoiceField
              label="Rim"
              value={w.build}
              onChange={(v) => setWheel(w.key, { build: v as Wheel['build'], tube: v === 'spoked' })}
              options={choices(BUILDS, BUILD_WORDS)}
            />
            <TextField
              label="Rim code"
              value={w.rimCode}
              onChange={(v) => setWheel(w.key, { rimCode: v })}
              maxLength={40}
            />
            <TextField
              label="Tire on it"
              value={w.tireMarking}
              onChange={(v) => setWheel(w.key, { tireMarking: v })}
              maxLength={40}
            />
            <ChoiceField
              label="Tube"
              value={w.tube ? 'tube' : 'none'}
              onChange={(v) => setWheel(w.key, { tube: v === 'tube' })}
              options={[
                ['tube', 'with a tube'],
                ['none', 'tubeless'],
              ]}
            />
            <TextField
              label="Rim locks"
              value={w.locks}
              onChange={(v) => setWheel(w.key, { locks: v })}
              hint="places from the valve, as 7:00 or 210°"
              maxLength={40}
            />
            {w.build === 'spoked' && (
              <TextField
                label="Spokes"
                value={w.spokes}
                onChange={(v) => setWheel(w.key, { spokes: v })}
                inputMode="numeric"
                maxLength={2}
              />
            )}
            <ChoiceField
              label="Brake disc"
              value={w.discSide}
              onChange={(v) => setWheel(w.key, { discSide: v as Wheel['discSide'] })}
              options={choices(DISC_SIDES)}
            />
            {wheels.length > 1 && (
              <Button small className="self-end" onClick={() => setWheels((all) => all.filter((x) => x.key !== w.key))}>
                Take this wheel away
              </Button>
            )}
          </fieldset>
        ))}
        {wheels.length < 6 && (
          <Button onClick={() => setWheels((all) => [...all, freshWheel('rear')])}>One more wheel</Button>
        )}
        <fieldset className="border-t-2 border-ink pt-3">
          <legend className="head pr-3 text-xl">Torque, from the manual</legend>
          {fasteners.map((f) => (
            <div key={f.key} className="mb-3 grid gap-3 sm:grid-cols-3">
              <TextField
                label="Fastener"
                value={f.name}
                onChange={(v) => setFastener(f.key, { name: v })}
                maxLength={60}
              />
              <ChoiceField
                label="Wheel"
                value={f.wheel}
                onChange={(v) => setFastener(f.key, { wheel: v as FastenerForm['wheel'] })}
                options={choices(['front', 'rear', 'any'] as const)}
              />
              <QuantityField
                label="Torque"
                unit="Nm"
                value={f.torque}
                onChange={(v) => setFastener(f.key, { torque: v })}
                hint="empty where there is no figure"
              />
            </div>
          ))}
          <Button
            small
            onClick={() => setFasteners((all) => [...all, { key: nanoid(), name: '', wheel: 'any', torque: '' }])}
          >
            One more fastener
          </Button>
        </fieldset>
        <Button go type="submit">
          Keep this machine
        </Button>
      </form>
    </Frame>
  );
};
