import type { Estimate } from '../../core/costs';
import type { Working } from '../../core/working';
import { visitsApi } from './visits-api';

/** The job that a part is for. */
export interface ForJob {
  jobId: string;
  number: number;
  machineName: string;
  position: string;
  dueAt: string | null;
}

export interface ToOrder {
  what: string;
  stockId: string | null;
  count: number;
  jobs: ForJob[];
}

export interface OnItsWay extends ToOrder {
  id: string;
  supplier: string;
  orderedAt: string;
  orderedBy: string;
}

export interface OrderList {
  short: ToOrder[];
  ordered: OnItsWay[];
  /** From whom parts were ordered before, the latest first. */
  suppliers: string[];
}

interface NewOrder {
  id: string;
  what: string;
  stockId: string | null;
  count: number;
  supplier: string;
  jobIds: string[];
  who: string;
}

/** Parts to order and what a visit costs, from the server. */
const partsApi = visitsApi
  .enhanceEndpoints({ addTagTypes: ['Order'] })
  .injectEndpoints({
    endpoints: (build) => ({
      orderList: build.query<OrderList, void>({ query: () => '/order-list', providesTags: ['Order'] }),
      placeOrder: build.mutation<unknown, NewOrder>({
        query: (body) => ({ url: '/orders', method: 'POST', body }),
        invalidatesTags: ['Order', 'Visit'],
      }),
      closeOrder: build.mutation<unknown, { id: string; how: 'received' | 'called-off'; who: string }>({
        query: ({ id, how, who }) => ({ url: `/orders/${id}/${how}`, method: 'POST', body: { who } }),
        invalidatesTags: ['Order', 'Visit'],
      }),
      estimate: build.query<Working<Estimate>, string>({
        query: (visitId) => `/visits/${visitId}/estimate`,
        providesTags: ['Visit'],
      }),
    }),
  });

export const { useOrderListQuery, usePlaceOrderMutation, useCloseOrderMutation, useEstimateQuery } = partsApi;
