import { useMemo } from 'react';
import { leftFor } from '../../../core/parts';
import { useJob } from '../../parts/job-context';
import type { ShopAnswer } from '../../store/api';

/** The shop with its shelves as this job may count on them: without what other jobs on the bench have. */
export const useShelf = (): ShopAnswer => {
  const { shop, job } = useJob();
  return useMemo(() => {
    const { reserved } = shop;
    if (reserved.length === 0) return shop;
    return {
      ...shop,
      tires: leftFor(shop.tires, reserved, job.id),
      tubes: leftFor(shop.tubes, reserved, job.id),
      strips: leftFor(shop.strips, reserved, job.id),
      locks: leftFor(shop.locks, reserved, job.id),
      valves: leftFor(shop.valves, reserved, job.id),
    };
  }, [shop, job.id]);
};
