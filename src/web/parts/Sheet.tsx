import { Dialog } from 'radix-ui';
import { X } from 'lucide-react';
import type { ReactNode } from 'react';
import { KeysPause } from './keys';

interface Props {
  title: ReactNode;
  /** The accessible name of the close button. */
  closes: string;
  widthPx?: number;
  /** The sheet ends in a bar of its own that stays in sight. */
  footed?: boolean;
  /** Over every other sheet. */
  onTop?: boolean;
  children: ReactNode;
}

/**
 * The inside of a dialog that comes in from the right: title, cross, content. Stands in a
 * `Dialog.Root`.
 */
export const Sheet = ({ title, closes, widthPx = 620, footed, onTop, children }: Props) => (
  <Dialog.Portal>
    <Dialog.Overlay className={`fixed inset-0 bg-black/35 ${onTop ? 'z-40' : 'z-30'}`} />
    <Dialog.Content
      aria-describedby={undefined}
      style={{ width: `min(${widthPx}px, 100vw)` }}
      className={`fixed inset-y-0 right-0 overflow-y-auto border-l-4 border-lip bg-stone ${footed ? 'px-6 pt-6' : 'p-6'} ${onTop ? 'z-50' : 'z-30'}`}
    >
      <KeysPause />
      <div className="mb-3 flex items-start justify-between gap-4">
        <Dialog.Title className="text-2xl">{title}</Dialog.Title>
        <Dialog.Close
          className="grid h-12 w-12 shrink-0 cursor-pointer place-items-center rounded-xl hover:bg-stone2"
          aria-label={closes}
        >
          <X aria-hidden="true" />
        </Dialog.Close>
      </div>
      {children}
    </Dialog.Content>
  </Dialog.Portal>
);
