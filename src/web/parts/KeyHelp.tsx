import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { KeysPause, useKeyList, useKeys } from './keys';
import { X } from 'lucide-react';

const NAMES: Record<string, string> = { ArrowLeft: '←', ArrowRight: '→' };

/** `?` lists the keys that work on this screen. */
export const KeyHelp = () => {
  const [open, setOpen] = useState(false);
  const [keys, read] = useKeyList();
  const show = () => {
    read();
    setOpen(true);
  };
  useKeys([{ key: '?', label: 'All keys', run: show }]);
  return (
    <Dialog.Root open={open} onOpenChange={(is) => (is ? show() : setOpen(false))}>
      <Dialog.Trigger className="flex min-h-12 cursor-pointer items-center gap-2 px-1 whitespace-nowrap text-ink2">
        All keys <kbd className="keycap">?</kbd>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/35" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-x-0 bottom-0 z-50 mx-auto max-h-[80vh] max-w-xl overflow-y-auto rounded-t-2xl border-x-4 border-t-4 border-lip bg-stone p-6"
        >
          <KeysPause />
          <div className="mb-3 flex items-center justify-between">
            <Dialog.Title className="text-2xl">Keys on this screen</Dialog.Title>
            <Dialog.Close
              className="grid h-12 w-12 cursor-pointer place-items-center rounded-xl hover:bg-stone2"
              aria-label="Close the list of keys"
            >
              <X aria-hidden="true" />
            </Dialog.Close>
          </div>
          <dl className="rows">
            {keys.map((k) => (
              <div key={k.key} className="row">
                <dt>{k.label}</dt>
                <dd>
                  <kbd className="keycap text-base">{NAMES[k.key] ?? k.key.toUpperCase()}</kbd>
                </dd>
              </div>
            ))}
          </dl>
          <p className="mt-3 text-ink2">A foot pedal that types one of these works too.</p>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
};
