import { useState, type ReactNode } from 'react';
import type { LevelTest, Settle } from '../../../core/balance';
import { Button } from '../../parts/Button';
import { ChoiceField, QuantityField, TextField } from '../../parts/fields';
import { PlaceField } from '../../parts/place';
import { useUnits } from '../../parts/quantity';
import { useJob } from '../../screens/job-context';

interface Placed {
  /** The place at hand, as picked on the dial or typed. */
  deg: number | null;
  onPlace: (deg: number | null) => void;
}

/** What stands beside the button that takes a reading. */
interface Beside {
  beside: ReactNode;
}

/** Left and right swap with the side that is up; in the log they are as seen from the disc side. */
export const useSeenSide = () => {
  const { sideUp } = useJob();
  return (from: Settle['from']): Settle['from'] =>
    sideUp === 'disc' || from === null ? from : from === 'left' ? 'right' : 'left';
};

/** A rest: which place came to the bottom, and from which side it was let go. */
export const RestFields = ({
  deg,
  onPlace,
  from,
  onFrom,
  onTake,
  beside,
}: Placed & Beside & { from: Settle['from']; onFrom: (from: Settle['from']) => void; onTake: () => void }) => (
  <form
    id="balance-fields"
    className="grid gap-2"
    onSubmit={(e) => {
      e.preventDefault();
      onTake();
    }}
  >
    <div className="grid grid-cols-[1fr_130px] gap-3">
      <PlaceField label="This came to the bottom" deg={deg} onPlace={onPlace} />
      <ChoiceField
        label="Let go from"
        value={from ?? ''}
        onChange={(v) => onFrom((v || null) as Settle['from'])}
        options={[
          ['left', 'the left'],
          ['right', 'the right'],
          ['', 'not known'],
        ]}
      />
    </div>
    <div className="flex flex-wrap gap-2">
      <Button go type="submit" hotkey="N" disabled={deg === null}>
        Take it
      </Button>
      {beside}
    </div>
  </form>
);

/** What a place did that was held level. */
export const LevelButtons = ({
  disabled,
  onMoved,
}: {
  disabled: boolean;
  onMoved: (moved: LevelTest['moved']) => void;
}) => (
  <div role="group" aria-label="Let go, it" className="flex flex-wrap gap-2">
    {(['rises', 'sinks', 'stays'] as const).map((moved, i) => (
      <Button key={moved} go={!disabled} disabled={disabled} hotkey={String(i + 1)} onClick={() => onMoved(moved)}>
        It {moved}
      </Button>
    ))}
  </div>
);

/** A swing by the clock: typed seconds of so many swings, or tapped as it passes the bottom. */
export const SwingFields = ({ onTake, beside }: Beside & { onTake: (periodS: number) => void }) => {
  const [seconds, setSeconds] = useState('');
  const [swings, setSwings] = useState('5');
  const [since, setSince] = useState<number | null>(null);
  const clean = Number(seconds.replace(',', '.'));
  const period = seconds.trim() && Number.isFinite(clean) ? clean / Number(swings) : null;
  const problem =
    period !== null && (period < 0.2 || period > 60)
      ? 'One swing takes 0.2 to 60 seconds: see how many were counted.'
      : seconds.trim() && period === null
        ? 'Seconds: a number, such as 41.5.'
        : null;
  return (
    <form
      className="grid gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (period !== null && !problem) onTake(period);
      }}
    >
      <div className="grid grid-cols-2 gap-3">
        <ChoiceField
          label="Swings there and back"
          value={swings}
          onChange={setSwings}
          options={['1', '3', '5', '10'].map((n) => [n, n] as const)}
        />
        <TextField
          label="Seconds for all of them"
          value={seconds}
          onChange={setSeconds}
          problem={problem}
          maxLength={8}
          inputMode="numeric"
        />
      </div>
      <div className="flex flex-wrap gap-2">
        <Button
          onClick={(e) => {
            if (since === null) return setSince(e.timeStamp);
            setSeconds(((e.timeStamp - since) / 1000).toFixed(2));
            setSince(null);
          }}
        >
          {since === null ? 'Start the clock' : `Stop after ${swings}`}
        </Button>
        <Button go type="submit" disabled={period === null || problem !== null}>
          Take it
        </Button>
        {beside}
      </div>
    </form>
  );
};

/** What a machine can say, and how finely; as the log takes it. */
const MOST_G = 2000;
const [LEAST_STEP_G, MOST_STEP_G] = [0.1, 50];

/** What a dynamic machine shows, and how finely it shows it. */
export const MachineFields = ({
  deg,
  onPlace,
  placeKey,
  onTake,
  beside,
}: Placed &
  Beside & {
    /** Changes when the place was picked on the dial. */ placeKey: number;
    onTake: (reading: { massG: number; deg: number; stepG: number; stepDeg: number }) => void;
  }) => {
  const { read, say, write } = useUnits();
  const [mass, setMass] = useState('');
  const [step, setStep] = useState(write(1, 'g', 2));
  const [stepDeg, setStepDeg] = useState('3');
  const massG = read(mass, 'g');
  const stepG = read(step, 'g');
  const stepTurn = Number(stepDeg);
  const wrong =
    mass.trim() && (massG === null || massG < 0 || massG > MOST_G)
      ? `Mass: a number from 0 to ${say(MOST_G, 'g')}.`
      : null;
  const wrongStep =
    stepG === null || stepG < LEAST_STEP_G || stepG > MOST_STEP_G
      ? `Finest step: ${say(LEAST_STEP_G, 'g', { digits: 1 })} to ${say(MOST_STEP_G, 'g')}.`
      : null;
  const wrongTurn = !(stepTurn >= 0.1 && stepTurn <= 45) ? 'Finest step: 0.1 to 45°.' : null;
  const ready = massG !== null && !wrong && !wrongStep && !wrongTurn && deg !== null;
  return (
    <form
      className="grid gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (ready) onTake({ massG, deg, stepG: stepG!, stepDeg: stepTurn });
      }}
    >
      <div className="grid grid-cols-2 gap-x-3 gap-y-1">
        <QuantityField label="Heavy by" unit="g" value={mass} onChange={setMass} problem={wrong} />
        <PlaceField key={placeKey} label="Heavy at" deg={deg} onPlace={onPlace} />
        <QuantityField label="Its finest step" unit="g" value={step} onChange={setStep} problem={wrongStep} />
        <TextField
          label="Finest step of the turn, °"
          value={stepDeg}
          onChange={setStepDeg}
          problem={wrongTurn}
          maxLength={5}
          inputMode="numeric"
        />
      </div>
      <div className="flex flex-wrap gap-2">
        <Button go type="submit" disabled={!ready}>
          Take it
        </Button>
        {beside}
      </div>
    </form>
  );
};
