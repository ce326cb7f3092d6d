import { valueWord } from '../../core/base/value-words';
import { Popover } from 'radix-ui';
import { useState } from 'react';
import { PACES, type Pace } from '../../core/shop/records';
import type { UnitPreferences } from '../../core/base/units';
import { selectUnits, useApp, useDo } from '../store';
import { api, ApiError } from '../store/api';
import {
  spokenChosen,
  themeChosen,
  shopUnitsChosen,
  unitChosen,
  whoChosen,
  type Prefs,
} from '../store/prefs-slice';
import { paceOf, pacesChanged } from '../store/shop-slice';
import { AddPerson } from './AddPerson';
import { Button } from '../parts/Button';
import { ChoiceField } from './fields';
import { initials } from '../parts/initials';
import { KeysPause } from '../parts/keys';
import { SignedInMenu } from './SignedInMenu';

const UNIT_CHOICES: { key: keyof UnitPreferences; label: string; values: string[] }[] = [
  { key: 'pressure', label: 'Pressure', values: ['psi', 'kPa', 'bar'] },
  { key: 'length', label: 'Length', values: ['mm', 'in'] },
  { key: 'mass', label: 'Weight', values: ['g', 'oz'] },
  { key: 'torque', label: 'Torque', values: ['N·m', 'lbf·ft'] },
  { key: 'temperature', label: 'Temperature', values: ['°C', '°F'] },
];

const WhoIsThere = () => {
  const dispatch = useDo();
  const people = useApp((s) => s.shop.shop?.people) ?? [];
  const who = useApp((s) => s.prefs.who);
  return (
    <>
      {people.length > 0 && (
        <ChoiceField
          label="Who’s working"
          value={who}
          onChange={(v) => dispatch(whoChosen(v))}
          options={people.map((p) => [p, p] as const)}
        />
      )}
      <AddPerson onAdded={(name) => dispatch(whoChosen(name))} />
    </>
  );
};

const PACE_WORDS: Record<Pace, string> = {
  'step by step': 'step by step',
  'by station': 'by station: plain steps together',
};

/** The step mode of a fitter, stored by the shop for every bench. */
const PaceOf = ({ who }: { who: string }) => {
  const dispatch = useDo();
  const pace = useApp(paceOf);
  const [problem, setProblem] = useState<string | null>(null);
  const choose = async (to: Pace) => {
    try {
      dispatch(pacesChanged((await api.setPace(who, to)).paces));
      setProblem(null);
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setProblem(error.message);
    }
  };
  return (
    <>
      <ChoiceField
        label={`Step mode for ${who}`}
        value={pace}
        onChange={(v) => void choose(v as Pace)}
        options={PACES.map((p) => [p, PACE_WORDS[p]] as const)}
      />
      {problem && (
        <p role="alert" className="text-stop">
          {problem}
        </p>
      )}
    </>
  );
};

/** The person at work, their units and the theme. */
export const BenchMenu = () => {
  const dispatch = useDo();
  const prefs = useApp((s) => s.prefs);
  const units = useApp(selectUnits);
  const isSignInOn = useApp((s) => s.auth.areClosed);
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <button
          type="button"
          className="stamp shrink-0"
          aria-label={`Bench: ${prefs.who || 'no one yet'}, units and theme`}
        >
          {initials(prefs.who)}
        </button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={8}
          className="z-40 max-h-[85vh] w-[min(340px,94vw)] space-y-3 overflow-y-auto rounded-2xl border-2 border-ink bg-stone p-4"
          aria-label="Bench"
        >
          <KeysPause />
          {isSignInOn ? <SignedInMenu /> : <WhoIsThere />}
          {prefs.who && <PaceOf who={prefs.who} />}
          <ChoiceField
            label="Read aloud"
            value={prefs.isSpoken ? 'yes' : 'no'}
            onChange={(v) => dispatch(spokenChosen(v === 'yes'))}
            options={[
              ['no', 'nothing'],
              ['yes', 'the next step and readings'],
            ]}
          />
          <ChoiceField
            label="Theme"
            value={prefs.theme}
            onChange={(v) => dispatch(themeChosen(v as Prefs['theme']))}
            options={[
              ['auto', 'same as device'],
              ['day', 'day'],
              ['night', 'night'],
            ]}
          />
          <div className="grid grid-cols-2 gap-2">
            {UNIT_CHOICES.map(({ key, label, values }) => (
              <ChoiceField
                key={key}
                label={label}
                value={units[key]}
                onChange={(v) => dispatch(unitChosen({ [key]: v }))}
                options={values.map((v) => [v, valueWord(v)] as const)}
              />
            ))}
          </div>
          {Object.keys(prefs.units).length > 0 && (
            <Button small onClick={() => dispatch(shopUnitsChosen())}>
              Use shop units
            </Button>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
};
