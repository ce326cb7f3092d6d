import { useState } from 'react';
import { Link, useParams } from 'react-router';
import type { RiderKept } from '../../core/shop/riders';
import { Button } from '../parts/Button';
import { Failed, Frame, Waiting } from '../shared/Frame';
import { useRiderQuery } from '../store/riders-api';
import { serverProblem } from '../shared/server-problem';
import { ForgetSheet } from './rider/ForgetSheet';

const counted = (n: number, one: string): string => (n === 1 ? `1 ${one}` : `${n} ${one}s`);

const Kept = ({ kept: { name, machines, visits, jobs } }: { kept: RiderKept }) => (
  <>
    <p className="text-[18px]">
      {counted(visits, 'visit')}, {counted(jobs, 'job')}.
    </p>
    <h2 className="head mt-5 mb-1 text-xl">Machines</h2>
    {machines.length === 0 && (
      <p className="text-[17px] text-ink2">No machine on record for {name}.</p>
    )}
    <ul className="rows max-w-[60ch]">
      {machines.map((machine) => (
        <li key={machine.id} className="border-b border-stone3">
          <Link
            className="flex min-h-12 items-center text-[18px]"
            to={`/jobs?search=${encodeURIComponent(machine.name)}`}
          >
            {machine.name}
          </Link>
        </li>
      ))}
    </ul>
    <p className="mt-5 max-w-[65ch] text-[16px] text-ink2">
      The file holds everything, for the rider or for another shop: machines with their wheels,
      visits and jobs with their logs and photos. Erasing removes the name from every record and
      log; what was fitted and measured stays.
    </p>
  </>
);

/** The data kept of a rider: exported as a file, or forgotten. */
export const RiderScreen = () => {
  const { name = '' } = useParams();
  const { data, error, refetch } = useRiderQuery(name);
  const [isForgetting, setForgetting] = useState(false);
  return (
    <Frame
      title={name}
      actions={
        data && (
          <div className="flex flex-wrap gap-2">
            <a className="btn" href={`/api/riders/file?name=${encodeURIComponent(name)}`} download>
              Export data
            </a>
            <Button onClick={() => setForgetting(true)}>Erase rider name</Button>
          </div>
        )
      }
    >
      {error && (
        <Failed message={serverProblem(error)}>
          <Button onClick={() => void refetch()}>Try again</Button>
        </Failed>
      )}
      {!error && !data && <Waiting what="Loading rider data" />}
      {data && <Kept kept={data} />}
      {data && isForgetting && <ForgetSheet name={name} onClose={() => setForgetting(false)} />}
    </Frame>
  );
};
