import { Popover } from 'radix-ui';
import { useState } from 'react';
import { useJob } from './job-context';
import { Button } from '../parts/Button';
import { KeysPause, useKeys } from '../parts/keys';

/** A note at any station. */
export const NoteButton = () => {
  const { write, station } = useJob();
  const [open, setOpen] = useState(false);
  const [text, setText] = useState('');
  useKeys([{ key: 'm', label: 'Add a note', run: () => setOpen(true) }]);
  const keep = async () => {
    if (
      text.trim() &&
      (await write([{ kind: 'note', data: { text: text.trim() } }], 'Note saved.'))
    ) {
      setText('');
      setOpen(false);
    }
  };
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <button type="button" className="btn shrink-0">
          Note
          <kbd className="keycap max-sm:hidden" aria-hidden="true">
            M
          </kbd>
        </button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="top"
          sideOffset={10}
          className="z-40 w-[min(440px,92vw)] rounded-2xl border-2 border-ink bg-stone p-4"
          aria-label={`Note at ${station}`}
        >
          <KeysPause />
          <form
            onSubmit={(e) => {
              e.preventDefault();
              void keep();
            }}
          >
            <label htmlFor="note" className="mb-1 block text-ink2">
              What was found, advised or decided
            </label>
            <textarea
              id="note"
              className="field h-28 py-2"
              maxLength={2000}
              value={text}
              onChange={(e) => setText(e.target.value)}
            />
            <Button go type="submit" className="mt-3">
              Save note
            </Button>
          </form>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
};
