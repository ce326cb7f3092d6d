import { useContext, useMemo, useState, type Ref } from 'react';
import { InputError } from '../../core/base/errors';
import { clockText, mirrored, parseAngle, placeText } from '../../core/base/units';
import { JobContext } from './job-context';
import { TextField } from './fields';
import { refusalText } from './refusal';

/** Places as seen from the side that is up; inside they are kept as seen from the disc side. */
export const usePlace = () => {
  // Outside a job a wheel is seen from its disc side.
  const sideUp = useContext(JobContext)?.sideUp ?? 'disc';
  return useMemo(() => placesOf(sideUp), [sideUp]);
};

const placesOf = (sideUp: 'disc' | 'other') => {
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
        if (error instanceof InputError) return { problem: refusalText(error) };
        throw error;
      }
    },
  };
};

interface PlaceProps {
  label: string;
  deg: number | null;
  onPlace: (deg: number | null) => void;
  inputRef?: Ref<HTMLInputElement> | undefined;
}

/** A place on the wheel: typed as a clock reading or degrees, or tapped on the dial. */
export const PlaceField = ({ label, deg, onPlace, inputRef }: PlaceProps) => {
  const { say, read } = usePlace();
  const [typed, setTyped] = useState<string | null>(null);
  const parsed = typed !== null && typed.trim() ? read(typed) : null;
  return (
    <TextField
      inputRef={inputRef}
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
