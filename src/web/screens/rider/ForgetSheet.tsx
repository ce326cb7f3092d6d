import { Dialog } from 'radix-ui';
import { useState, type SyntheticEvent } from 'react';
import type { Forgotten } from '../../../core/shop/riders';
import { Button } from '../../parts/Button';
import { TextField } from '../../shared/fields';
import { Sheet } from '../../parts/Sheet';
import { useApp, useDo } from '../../store';
import { forgottenHere } from '../../store/auth-slice';
import { useForgetRiderMutation } from '../../store/riders-api';
import { serverProblem } from '../../shared/server-problem';

const Done = ({ done: { records, entries, stillIn } }: { done: Forgotten }) => (
  <>
    <p role="status" className="text-[18px]">
      Erased. Records that held the name: {records}. Entries of logs: {entries}.
    </p>
    {stillIn.length > 0 && (
      <>
        <p className="mt-3 border-l-4 border-check pl-3 text-[17px]">
          These older files still hold the name. Delete them, and any copies elsewhere, when you no
          longer need them.
        </p>
        <ul className="mt-2 text-[15px] [overflow-wrap:anywhere]">
          {stillIn.map((file) => (
            <li key={file}>{file}</li>
          ))}
        </ul>
      </>
    )}
    <div className="mt-4">
      {/* Everything that this browser has read says the name. */}
      <Button go onClick={() => location.assign('/')}>
        Open the shop
      </Button>
    </div>
  </>
);

/** A rider is forgotten once the name is typed again; it cannot be taken back. */
export const ForgetSheet = ({ name, onClose }: { name: string; onClose: () => void }) => {
  const dispatch = useDo();
  const who = useApp((s) => s.prefs.who);
  const [typed, setTyped] = useState('');
  const [also, setAlso] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [forget, { data: done, isLoading }] = useForgetRiderMutation();
  const run = async (event: SyntheticEvent) => {
    event.preventDefault();
    if (typed.trim() !== name) return setProblem(`Type the name as shown above: ${name}`);
    setProblem(null);
    const words = also.split(';').map((word) => word.trim());
    try {
      const { at } = await forget({
        name,
        also: words.filter(Boolean),
        who: who || 'no name given',
      }).unwrap();
      dispatch(forgottenHere(at));
    } catch (failed) {
      setProblem(serverProblem(failed));
    }
  };
  return (
    <Dialog.Root open onOpenChange={(open) => !open && (done ? location.assign('/') : onClose())}>
      <Sheet title={`Erase ${name}`} closes="Close without erasing" widthPx={560}>
        {done && <Done done={done} />}
        {!done && (
          <form className="grid gap-4" onSubmit={(e) => void run(e)}>
            <p className="text-[17px]">
              The name is erased from every record, log and list. This can’t be undone. Work records
              stay. Photos stay too: check them by hand. A partial name in a note is not found.
            </p>
            <TextField
              label="Other text to erase, such as a phone number; separate with semicolons"
              value={also}
              onChange={setAlso}
            />
            <TextField
              label="Type the name again"
              value={typed}
              onChange={setTyped}
              problem={problem}
            />
            <Button go type="submit" disabled={isLoading}>
              {isLoading ? 'Erasing …' : 'Erase for good'}
            </Button>
          </form>
        )}
      </Sheet>
    </Dialog.Root>
  );
};
