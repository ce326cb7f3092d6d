import { Delete } from 'lucide-react';

const DIGITS = ['0', '1', '2', '3', '4', '5', '6', '7', '8', '9'];

/** The digits of a PIN along a scale, like the marks of a rule, for hands without a keyboard. */
export const DigitScale = ({
  value,
  onChange,
}: {
  value: string;
  onChange: (value: string) => void;
}) => (
  <div
    className="grid grid-cols-6 border-t-4 border-ink sm:grid-cols-11"
    role="group"
    aria-label="Number keys"
  >
    {DIGITS.map((digit) => (
      <button
        key={digit}
        type="button"
        className="num min-h-14 cursor-pointer border-l-2 border-ink text-2xl hover:bg-stone2 active:bg-water3"
        onClick={() => onChange(value + digit)}
      >
        {digit}
      </button>
    ))}
    <button
      type="button"
      className="col-span-2 grid min-h-14 cursor-pointer place-items-center border-x-2 border-ink hover:bg-stone2 sm:col-span-1"
      aria-label="Delete last digit"
      onClick={() => onChange(value.slice(0, -1))}
    >
      <Delete aria-hidden="true" />
    </button>
  </div>
);
