import type { ButtonHTMLAttributes, ReactNode } from 'react';

interface Props extends ButtonHTMLAttributes<HTMLButtonElement> {
  go?: boolean;
  small?: boolean;
  /** The key that does the same, shown on the button. */
  hotkey?: string;
  children: ReactNode;
}

/** The house's button: one flattened corner, a key where there is one. */
export const Button = ({
  go,
  small,
  hotkey,
  children,
  className = '',
  type = 'button',
  ...rest
}: Props) => (
  <button
    type={type}
    className={`btn ${go ? 'btn-go' : ''} ${small ? 'btn-small' : ''} ${className}`}
    {...rest}
  >
    {children}
    {hotkey && (
      <kbd className="keycap max-sm:hidden" aria-hidden="true">
        {hotkey}
      </kbd>
    )}
  </button>
);
