import type { RiderPaper } from '../../core/reports/papers';
import type { UnitPreferences } from '../../core/base/units';
import { visitsApi } from './visits-api';

/** The rider's sheet of a visit, in the fitter's units. */
const paperApi = visitsApi.injectEndpoints({
  endpoints: (build) => ({
    riderPaper: build.query<RiderPaper, { id: string; units: UnitPreferences }>({
      query: ({ id, units }) => `/visits/${id}/paper?${new URLSearchParams({ ...units })}`,
      providesTags: ['Visit'],
    }),
  }),
});

export const { useRiderPaperQuery } = paperApi;
