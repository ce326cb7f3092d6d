import { ChevronDown } from 'lucide-react';
import { useState, type MouseEvent, type ReactNode } from 'react';

/**
 * The fields that may be filled in later: folded until someone opens it, or something in it does
 * not fit.
 */
export const More = ({
  label,
  isOpen = false,
  className = '',
  children,
}: {
  label: string;
  isOpen?: boolean;
  className?: string;
  children: ReactNode;
}) => {
  const [wanted, setWanted] = useState(false);
  const toggle = (event: MouseEvent) => {
    event.preventDefault();
    setWanted((w) => !w);
  };
  return (
    <details className={className} open={wanted || isOpen}>
      <summary
        className="head inline-flex min-h-12 cursor-pointer items-center text-lg"
        onClick={toggle}
      >
        <ChevronDown
          size={20}
          aria-hidden="true"
          className={`mr-1 transition-transform ${wanted || isOpen ? '' : '-rotate-90'}`}
        />
        {label}
      </summary>
      <div className="grid gap-3 pt-1 sm:grid-cols-2 lg:grid-cols-4">{children}</div>
    </details>
  );
};
