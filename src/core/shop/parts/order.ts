import type { Position } from '../../fit/wheels';
import type { PartOrder, ShortPart } from './allocate';

/** An order as it is placed; the id is of the client's own making, so that it may send again. */
export interface NewOrder extends Pick<
  PartOrder,
  'id' | 'what' | 'stockId' | 'count' | 'supplier' | 'jobIds'
> {
  who: string;
}

/** The job that a part is for, as the list names it. */
export interface ForJob {
  jobId: string;
  number: number;
  machineName: string;
  position: Position;
  /** When its machine is promised, ISO 8601, or null. */
  dueAt: string | null;
}

/** A part to order, with the jobs that it is for. */
export interface ToOrder extends Omit<ShortPart, 'jobIds'> {
  jobs: ForJob[];
}

/** An order on its way, with the jobs that it is for. */
export interface OnItsWay extends PartOrder {
  jobs: ForJob[];
}

/** The parts to order, those on their way, and their suppliers so far, the latest first. */
export interface OrderList {
  short: ToOrder[];
  ordered: OnItsWay[];
  suppliers: string[];
}
