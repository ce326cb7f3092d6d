import { skipToken } from '@reduxjs/toolkit/query/react';
import { useMemo } from 'react';
import { tryInput } from '../../../core/base/errors';
import { rimDiameterOf, type Shelves } from '../../../core/job';
import { availableStock } from '../../../core/shop/parts';
import type { TireStock } from '../../../core/shop/records';
import { useTiresForQuery } from '../../store/records-api';
import { useJob } from '../../shared/job-context';
import type { ShopAnswer } from '../../store/api';

const NO_TIRES: readonly TireStock[] = [];

/**
 * The tires of the shelf that are for this rim; undefined while they are on their way, none where
 * they cannot be had.
 */
export const useTires = (): readonly TireStock[] | undefined => {
  const { wheel } = useJob();
  const rim = useMemo(() => tryInput(() => rimDiameterOf(wheel)), [wheel]);
  const { currentData, isError } = useTiresForQuery(rim.ok ? rim.value : skipToken);
  return currentData ?? (isError || !rim.ok ? NO_TIRES : undefined);
};

/**
 * The shop with its shelves as this job may count on them: without what other jobs on the bench
 * have.
 */
export const useShelf = (): ShopAnswer & Shelves => {
  const { shop, job } = useJob();
  const tires = useTires() ?? NO_TIRES;
  return useMemo(() => {
    const { reserved } = shop;
    if (reserved.length === 0) return { ...shop, tires };
    return {
      ...shop,
      tires: availableStock(tires, reserved, job.id),
      tubes: availableStock(shop.tubes, reserved, job.id),
      strips: availableStock(shop.strips, reserved, job.id),
      locks: availableStock(shop.locks, reserved, job.id),
      valves: availableStock(shop.valves, reserved, job.id),
    };
  }, [shop, tires, job.id]);
};
