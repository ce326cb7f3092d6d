/**
 * Parts of the jobs on the bench: whose the shelf's are, what is on its way, and what has to be
 * ordered.
 */
export {
  allocate,
  orderList,
  type AllocatedPart,
  type PartOrder,
  type ShortPart,
  type WantedPart,
} from './allocate';
export { availableStock, type Reserved } from './available-stock';
export type { ForJob, NewOrder, OnItsWay, OrderList, ToOrder } from './order';
