import { useState } from 'react';
import { ruleNumber, type RuleValues } from '../../../core/base/rules';
import { POSITION_WORDS, type Rollout, type Wheel } from '../../../core/fit/wheels';
import { Button } from '../../parts/Button';
import { ChoiceField, QuantityField } from '../../shared/fields';
import { useUnits } from '../../shared/quantity';
import { today, useDo } from '../../store';
import { api, ApiError } from '../../store/api';
import { announce } from '../../store/jobs-slice';
import { recordChanged } from '../../store/shop-slice';
import { shopChanged } from '../../store/records-api';
import { refusalText } from '../../shared/refusal';

const FEWEST_MM = 300;
const MAX_MM = 4000;

/** One more tape round one of the two: it goes into the wheel's record. */
export const TapeForm = ({
  wheels,
  rules,
}: {
  wheels: readonly [Wheel, Wheel];
  rules: RuleValues;
}) => {
  const dispatch = useDo();
  const { read, write } = useUnits();
  const [id, setId] = useState(wheels[0].id);
  const wheel = wheels.find((w) => w.id === id) ?? wheels[0];
  const [tape, setTape] = useState('');
  const [pressure, setPressure] = useState(() =>
    write(ruleNumber('rollout.measureKpa', rules), 'kPa'),
  );
  const [run, setRun] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const usualRun = wheel.rollouts.at(-1)?.run ?? 0;

  /** The typed readings, or the sentence that says what is wrong with them. */
  const typed = (): Omit<Rollout, 'onDate'> | string => {
    const [circumferenceMm, gaugeKpa] = [read(tape, 'mm'), read(pressure, 'kPa')];
    const runs = run.trim() === '' ? usualRun : /^\d{1,3}$/.test(run.trim()) ? Number(run) : null;
    if (circumferenceMm === null || circumferenceMm < FEWEST_MM || circumferenceMm > MAX_MM)
      return 'Circumference: enter 2640, or 104 3/8 for inches and eighths.';
    if (gaugeKpa === null || gaugeKpa < 5 || gaugeKpa > 400) return 'Taped at: enter a pressure.';
    if (runs === null || runs > 500)
      return 'Runs so far: enter a whole number, 0 before the first.';
    return { run: runs, circumferenceMm, gaugeKpa };
  };
  const keep = async () => {
    const told = typed();
    if (typeof told === 'string') return setProblem(told);
    setProblem(null);
    try {
      await api.changeRecord('wheels', {
        ...wheel,
        rollouts: [...wheel.rollouts, { onDate: today(), ...told }],
      });
      dispatch(recordChanged({ kind: 'wheels', id: wheel.id, before: wheel }));
      await dispatch(shopChanged());
      dispatch(announce({ text: 'Rollout saved.', tone: 'good' }));
      setTape('');
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setProblem(refusalText(error));
    }
  };
  return (
    <form
      className="grid grid-cols-2 items-start gap-3"
      noValidate
      aria-label="Tape again"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <ChoiceField
        label="Which wheel"
        value={id}
        onChange={setId}
        options={wheels.map((w) => [w.id, POSITION_WORDS[w.position]] as const)}
      />
      <QuantityField
        label="Circumference"
        unit="mm"
        value={tape}
        onChange={setTape}
        hint="or 104 3/8 for inches"
      />
      <QuantityField label="Taped at" unit="kPa" value={pressure} onChange={setPressure} />
      <QuantityField
        label="Runs so far"
        unit={null}
        value={run}
        onChange={setRun}
        hint={`empty: ${usualRun}`}
      />
      <div className="col-span-2 flex flex-wrap items-center gap-3">
        <Button go type="submit">
          Save rollout
        </Button>
        {problem && (
          <p role="alert" className="text-stop">
            {problem}
          </p>
        )}
      </div>
    </form>
  );
};
