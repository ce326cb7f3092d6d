import { useState } from 'react';
import { useDo } from '../store';
import { useAddPersonMutation } from '../store/auth-api';
import { shopChanged } from '../store/records-api';
import { serverProblem } from './server-problem';
import { Button } from '../parts/Button';
import { TextField } from './fields';

/** A name that joins the shop; `onAdded` hears it once everyone knows it. */
export const AddPerson = ({ onAdded }: { onAdded?: (name: string) => void }) => {
  const dispatch = useDo();
  const [name, setName] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [add] = useAddPersonMutation();
  const put = async () => {
    const its = name.trim();
    if (!its) return setProblem('Type the name of the fitter.');
    try {
      await add(its).unwrap();
      await dispatch(shopChanged());
      onAdded?.(its);
      setName('');
      setProblem(null);
    } catch (error) {
      setProblem(serverProblem(error));
    }
  };
  return (
    <form
      className="flex max-w-md items-end gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        void put();
      }}
    >
      <div className="flex-1">
        <TextField
          label="New person"
          value={name}
          onChange={setName}
          problem={problem}
          maxLength={60}
        />
      </div>
      <Button small type="submit">
        Add
      </Button>
    </form>
  );
};
