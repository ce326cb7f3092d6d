import { useRef, type ReactNode } from 'react';
import { Button } from './Button';

/** A button that asks for a zip file; `label` says which, for who does not see the button. */
export const FileButton = ({
  label,
  disabled,
  onFile,
  children,
}: {
  label: string;
  disabled: boolean;
  onFile: (file: File) => void;
  children: ReactNode;
}) => {
  const chooser = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={chooser}
        type="file"
        accept=".zip,application/zip"
        aria-label={label}
        className="sr-only"
        tabIndex={-1}
        onChange={({ target }) => {
          const file = target.files?.[0];
          target.value = '';
          if (file) onFile(file);
        }}
      />
      <Button disabled={disabled} onClick={() => chooser.current?.click()}>
        {children}
      </Button>
    </>
  );
};
