import type { Estimate } from '../../core/shop/costs';
import type { NewOrder, OrderList } from '../../core/shop/parts';
import type { Working } from '../../core/base/working';
import { visitsApi } from './visits-api';

/** Parts to order and what a visit costs, from the server. */
const partsApi = visitsApi
  .enhanceEndpoints({ addTagTypes: ['Order'] })
  .injectEndpoints({
    endpoints: (build) => ({
      orderList: build.query<OrderList, void>({
        query: () => '/order-list',
        providesTags: ['Order'],
      }),
      placeOrder: build.mutation<unknown, NewOrder>({
        query: (body) => ({ url: '/orders', method: 'POST', body }),
        invalidatesTags: ['Order', 'Visit'],
      }),
      closeOrder: build.mutation<
        unknown,
        { id: string; how: 'received' | 'called-off'; who: string }
      >({
        query: ({ id, how, who }) => ({
          url: `/orders/${id}/${how}`,
          method: 'POST',
          body: { who },
        }),
        invalidatesTags: ['Order', 'Visit'],
      }),
      estimate: build.query<Working<Estimate>, string>({
        query: (visitId) => `/visits/${visitId}/estimate`,
        providesTags: ['Visit'],
      }),
    }),
  });

export const { useOrderListQuery, usePlaceOrderMutation, useCloseOrderMutation, useEstimateQuery } =
  partsApi;
