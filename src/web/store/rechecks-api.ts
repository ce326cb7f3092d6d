import type { RecheckRow } from '../../core/job/recheck';
import { visitsApi } from './visits-api';

/** The filter of a list of rechecks. */
interface RecheckAsk {
  state?: 'open' | 'done';
  search?: string;
  /** YYYY-MM-DD; older ones are left out. */
  from?: string;
  limit?: number;
}

interface RecheckList {
  rechecks: RecheckRow[];
  next: string | null;
  /** Of the whole shop. */
  open: number;
  overdue: number;
}

interface Looked {
  id: string;
  who: string;
  onDate: string;
  read: object;
}

/** The rechecks, from the server. */
const rechecksApi = visitsApi.enhanceEndpoints({ addTagTypes: ['Recheck'] }).injectEndpoints({
  endpoints: (build) => ({
    rechecks: build.query<RecheckList, RecheckAsk>({
      query: (params) => ({ url: '/rechecks', params }),
      providesTags: ['Recheck'],
    }),
    /** Page after page of a list, one behind the other. */
    recheckPages: build.infiniteQuery<RecheckList, RecheckAsk, string | null>({
      infiniteQueryOptions: {
        initialPageParam: null,
        getNextPageParam: ({ next }) => next ?? undefined,
      },
      query: ({ queryArg, pageParam }) => ({
        url: '/rechecks',
        params: { ...queryArg, ...(pageParam === null ? {} : { after: pageParam }) },
      }),
      providesTags: ['Recheck'],
    }),
    calendarKey: build.query<string, void>({
      query: () => '/calendar-key',
      transformResponse: ({ key }: { key: string }) => key,
    }),
    recheck: build.query<RecheckRow, string>({
      query: (id) => `/rechecks/${id}`,
      transformResponse: ({ recheck }: { recheck: RecheckRow }) => recheck,
      providesTags: ['Recheck'],
    }),
    wheelRechecks: build.query<RecheckRow[], string>({
      query: (wheelId) => `/wheels/${wheelId}/rechecks`,
      transformResponse: ({ rechecks }: { rechecks: RecheckRow[] }) => rechecks,
      providesTags: ['Recheck'],
    }),
    lookedAgain: build.mutation<unknown, { id: string; looked: Looked }>({
      query: ({ id, looked }) => ({ url: `/rechecks/${id}/looked`, method: 'POST', body: looked }),
      invalidatesTags: ['Recheck'],
    }),
  }),
});

export const {
  useRechecksQuery,
  useRecheckPagesInfiniteQuery,
  useRecheckQuery,
  useWheelRechecksQuery,
  useLookedAgainMutation,
  useCalendarKeyQuery,
} = rechecksApi;
