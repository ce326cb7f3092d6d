import { useContext, useState } from 'react';
import { InputError } from '../../core/errors';
import { clockText, mirrored, parseAngle, placeText } from '../../core/units';
import { JobContext } from '../screens/job-context';
import { TextField } from './fields';

/** Places as seen from the side that is up; inside they are kept as seen from the disc side. */
export const usePlace = () => {
  // Outside a job a wheel is seen from its disc side.
  const sideUp = useContext(JobContext)?.sideUp ?? 'disc';
  const turn = (deg: number) => (sideUp === 'other' ? mirrored(deg) : deg);
  return {
    say: (deg: number) => placeText(turn(deg)),
    /** The clock reading alone, for the one line in big type. */
    clock: (deg: number) => clockText(turn(deg), true),
    /** The typed place, or the sentence that says what is wrong with it. */
    read: (typed: string): { deg: number } | { problem: string } => {
      try {
        return { deg: turn(parseAngle(typed)) };
      } catch (error) {
        if (error instanceof InputError) return { problem: `${error.message} Right would be ${error.expected}.` };
        throw error;
      }
    },
  };
};

/** A place on the wheel: typed as a clock reading or degrees, or tapped on the dial. */
export const PlaceField = ({
  label,
  deg,
  onPlace,
}: {
  label: string;
  deg: number | null;
  onPlace: (deg: number | null) => void;
}) => {
  const { say, read } = usePlace();
  const [typed, setTyped] = useState<string | null>(null);
  const parsed = typed !== null && typed.trim() ? read(typed) : null;
  return (
    <TextField
      label={label}
      value={typed ?? (deg === null ? '' : say(deg))}
      maxLength={24}
      placeholder="7:05 or 212°, or tap the dial"
      problem={parsed && 'problem' in parsed ? parsed.problem : null}
      onChange={(text) => {
        setTyped(text);
        const place = text.trim() ? read(text) : null;
        onPlace(place && 'deg' in place ? place.deg : null);
      }}
    />
  );
};
