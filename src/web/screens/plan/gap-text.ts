import type { DayPlan } from '../../../core/shop/day';
import { counted } from '../../../core/base/units';
import { durationText } from '../../parts/duration-text';

/** The distance of this plan from the best one, as far as known. */
export const gapText = ({
  cost,
  bound,
  proven,
}: Pick<DayPlan, 'cost' | 'bound' | 'proven'>): string => {
  if (proven) return 'Best possible plan.';
  const found = 'Best found so far. Still possible:';
  if (bound.broken < cost.broken)
    return `${found} ${counted(cost.broken - bound.broken, 'promise')} more kept.`;
  const less = (min: number) => durationText(min * 60);
  if (bound.lateMin < cost.lateMin)
    return `${found} ${less(cost.lateMin - bound.lateMin)} less late.`;
  return `${found} all wheels together ${less(cost.doneMin - bound.doneMin)} sooner.`;
};
