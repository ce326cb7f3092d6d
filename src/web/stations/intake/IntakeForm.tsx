import { USES, USE_WORDS, type Use } from '../../../core/bench/pressure';
import { CLEARANCE_PLACES, PLACE_WORDS, type ClearancePlace } from '../../../core/fit/tires';
import { Button } from '../../parts/Button';
import { WithTake } from '../../shared/DeviceTake';
import { ChoiceField, QuantityField, TextField } from '../../shared/fields';
import { useJob } from '../../shared/job-context';
import { useUnits } from '../../shared/quantity';
import { VerdictMark } from '../../parts/VerdictMark';
import { BasisTag } from '../../shared/working';
import type { IntakeAtHand } from './use-intake';

/** The age of the old tire, the clearances so far, and whether its tread is worn out. */
const IntakeNotes = ({ age, isWorn }: Pick<IntakeAtHand, 'age' | 'isWorn'>) => {
  const { state } = useJob();
  const { say } = useUnits();
  return (
    <div className="col-span-2 space-y-1 text-[16px]" role="status">
      {age?.ok && (
        <p className="flex items-center gap-3">
          <VerdictMark verdict={age.working.result.verdict}>
            week {age.working.result.weekOf.week} of {age.working.result.weekOf.year},{' '}
            {age.working.result.ageYears.toFixed(1)} years old
          </VerdictMark>
          <BasisTag title="the age of the old tire" working={age.working} />
        </p>
      )}
      {state.clearances.length > 0 && (
        <p className="text-ink2">
          Measured: {state.clearances.map((c) => `${c.place} ${say(c.mm, 'mm')}`).join(', ')}. Pick
          the next place.
        </p>
      )}
      {isWorn && <VerdictMark verdict="stop">below road minimum</VerdictMark>}
    </div>
  );
};

/** The old tire, the machine's use, odometer and clearance. */
export const IntakeForm = ({ intake, onSave }: { intake: IntakeAtHand; onSave: () => void }) => {
  const { machine } = useJob();
  const { write: show } = useUnits();
  const { draft, change, faults, age, isWorn } = intake;
  return (
    <form
      className="grid grid-cols-2 gap-x-3 gap-y-2"
      onSubmit={(e) => {
        e.preventDefault();
        onSave();
      }}
    >
      <div className="col-span-2">
        <TextField
          label="Size, as printed on the sidewall"
          value={draft.marking}
          onChange={(marking) => change({ marking })}
          maxLength={40}
          problem={faults.marking}
        />
      </div>
      <TextField
        label="Date code"
        value={draft.dateCode}
        onChange={(dateCode) => change({ dateCode })}
        maxLength={4}
        inputMode="numeric"
        problem={faults.dateCode}
      />
      <WithTake
        kind="caliper"
        what="Tread depth"
        onTake={({ value, device }) => change({ tread: show(value, 'tread', 2), treadBy: device })}
      >
        <QuantityField
          label="Tread depth"
          unit="tread"
          value={draft.tread}
          onChange={(tread) => change({ tread, treadBy: null })}
          problem={faults.tread}
        />
      </WithTake>
      <div className={machine.loose ? 'col-span-2' : ''}>
        <ChoiceField
          label="Use"
          value={draft.use}
          onChange={(use) => change({ use: use as Use })}
          options={USES.map((use) => [use, USE_WORDS[use]] as const)}
        />
      </div>
      {!machine.loose && (
        <QuantityField
          label="Odometer"
          unit="km"
          value={draft.odometer}
          onChange={(odometer) => change({ odometer })}
          problem={faults.odometer}
        />
      )}
      <ChoiceField
        label="Clearance at"
        value={draft.place}
        onChange={(place) => change({ place: place as ClearancePlace })}
        options={CLEARANCE_PLACES.map((place) => [place, PLACE_WORDS[place]] as const)}
      />
      <QuantityField
        label="Clearance"
        unit="mm"
        value={draft.clearance}
        onChange={(clearance) => change({ clearance })}
        problem={faults.clearance}
      />
      <div className="col-span-2">
        <TextField
          label="Load while measuring"
          value={draft.load}
          onChange={(load) => change({ load })}
          maxLength={60}
          problem={faults.load}
        />
      </div>
      <IntakeNotes age={age} isWorn={isWorn} />
      <div className="col-span-2">
        <Button go type="submit" hotkey="N">
          Save
        </Button>
      </div>
    </form>
  );
};
