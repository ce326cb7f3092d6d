import type { StationTook, TroubleMet, WeightLeft } from '../../core/reports/stats';
import { visitsApi } from './visits-api';

export interface Knows {
  troubles: TroubleMet[];
  stations: StationTook[];
  weights: WeightLeft[];
  takeOffs: { marking: string; treadMm: number | null; dateCode: string | null; count: number }[];
}

const shopStatsApi = visitsApi.injectEndpoints({
  endpoints: (build) => ({
    knows: build.query<Knows, { from: string; to: string }>({
      query: ({ from, to }) => ({
        url: '/knows',
        params: { ...(from && { from }), ...(to && { to }) },
      }),
      keepUnusedDataFor: 0,
    }),
  }),
});

export const { useKnowsQuery } = shopStatsApi;
