import type { ShopChange } from '../../core/shop/records';
import { visitsApi } from './visits-api';

interface ChangesPage {
  changes: ShopChange[];
  next: string | null;
}

/** The changes, a page after the other. */
const changesApi = visitsApi.injectEndpoints({
  endpoints: (build) => ({
    changes: build.infiniteQuery<ChangesPage, void, string | null>({
      query: ({ pageParam }) =>
        `/changes?limit=50${pageParam ? `&before=${encodeURIComponent(pageParam)}` : ''}`,
      infiniteQueryOptions: {
        initialPageParam: null,
        getNextPageParam: ({ next }) => next ?? undefined,
      },
      // It grows with everything that is changed: looked at again each time.
      keepUnusedDataFor: 0,
    }),
  }),
});

export const { useChangesInfiniteQuery } = changesApi;
