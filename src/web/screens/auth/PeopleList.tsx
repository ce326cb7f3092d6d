import { useState } from 'react';
import type { Person } from '../../../core/shop/auth';
import { AddPerson } from '../../shared/AddPerson';
import { Button } from '../../parts/Button';
import { Failed, Waiting } from '../../shared/Frame';
import { initials } from '../../parts/initials';
import { usePeopleQuery } from '../../store/auth-api';
import { serverProblem } from '../../shared/server-problem';
import { RoleSheet } from './RoleSheet';

/** Everyone of the shop, what they are, and whether they can come in. */
export const PeopleList = () => {
  const { data, error, refetch } = usePeopleQuery();
  const [open, setOpen] = useState<Person | null>(null);
  if (error && !data)
    return (
      <Failed message={serverProblem(error)}>
        <Button onClick={() => void refetch()}>Try again</Button>
      </Failed>
    );
  if (!data) return <Waiting what="Loading people" />;
  return (
    <>
      <ul className="rows" aria-label="People">
        {data.map((person) => (
          <li
            key={person.name}
            className="grid grid-cols-[48px_minmax(0,1fr)_auto] items-center gap-x-4 border-b border-stone3 py-2"
          >
            <span className="stamp" aria-hidden="true">
              {initials(person.name)}
            </span>
            <span>
              <span className="head text-lg">{person.name}</span>
              <span className="block text-[16px] text-ink2">
                {person.role}
                {!person.canSignIn && ', can’t sign in yet'}
              </span>
            </span>
            <Button
              small
              onClick={() => setOpen(person)}
              aria-label={`Role and sign-in of ${person.name}`}
            >
              Role and sign-in
            </Button>
          </li>
        ))}
      </ul>
      <div className="mt-3">
        <AddPerson />
      </div>
      {open && <RoleSheet person={open} onClose={() => setOpen(null)} />}
    </>
  );
};
