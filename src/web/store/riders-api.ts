import type { Forgotten, RiderKept } from '../../core/shop/riders';
import { visitsApi } from './visits-api';

/** A large shop takes its time; the server says when it cannot. */
const LONG_MS = 600_000;

/** The data kept of riders, and forgetting one. */
const ridersApi = visitsApi.injectEndpoints({
  endpoints: (build) => ({
    rider: build.query<RiderKept, string>({
      query: (name) => `/riders?name=${encodeURIComponent(name)}`,
      keepUnusedDataFor: 0,
    }),
    forgetRider: build.mutation<Forgotten, { name: string; also: string[]; who: string }>({
      query: (body) => ({ url: '/riders/forget', method: 'POST', body, timeout: LONG_MS }),
    }),
  }),
});

export const { useRiderQuery, useForgetRiderMutation } = ridersApi;
