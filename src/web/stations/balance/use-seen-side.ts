import type { Settle } from '../../../core/bench/balance';
import { useJob } from '../../shared/job-context';

/**
 * Left and right swap with the side that is up; in the log they are as seen from the disc side. The
 * same function reads and writes them.
 */
export const useSeenSide = () => {
  const { sideUp } = useJob();
  return <From extends Settle['from']>(from: From): From => {
    if (sideUp === 'disc' || from === null) return from;
    return (from === 'left' ? 'right' : 'left') as From;
  };
};
