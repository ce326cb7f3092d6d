import { Delete } from 'lucide-react';

const DIGITS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0'];

/** Big keys for a PIN, for who has no keyboard in reach. */
export const DigitKeys = ({
  value,
  onChange,
}: {
  value: string;
  onChange: (value: string) => void;
}) => (
  <div className="grid grid-cols-4 gap-2" role="group" aria-label="Number keys">
    {DIGITS.map((digit) => (
      <button
        key={digit}
        type="button"
        className="btn !px-0 text-2xl"
        onClick={() => onChange(value + digit)}
      >
        {digit}
      </button>
    ))}
    <button
      type="button"
      className="btn col-span-2 !px-0"
      aria-label="Delete last digit"
      onClick={() => onChange(value.slice(0, -1))}
    >
      <Delete aria-hidden="true" />
    </button>
  </div>
);
