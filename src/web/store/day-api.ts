import type { DayPlan, DayVisit } from '../../core/shop/day';
import type { LeftOut, LetGo } from '../../core/shop/visit';
import type { Working } from '../../core/base/working';
import { visitsApi } from './visits-api';

/** The plan of the day, counted in minutes from `at`. */
export interface PlanAnswer {
  at: string;
  people: string[];
  working: Working<DayPlan, { people: string[]; benches: number; visits: DayVisit[] }>;
  leftOut: LeftOut[];
  letGo: LetGo[];
}

const dayApi = visitsApi.injectEndpoints({
  endpoints: (build) => ({
    dayPlan: build.query<PlanAnswer, { people: string[]; closely: boolean }>({
      query: ({ people, closely }) => ({
        url: `/day-plan?${new URLSearchParams([...people.map((p) => ['person', p]), ...(closely ? [['closely', 'yes']] : [])])}`,
        // The server says itself when it takes too long, and the fitter can stop it before.
        timeout: 240_000,
      }),
      // Time goes on: a plan is never kept.
      keepUnusedDataFor: 0,
    }),
  }),
});

export const { useLazyDayPlanQuery } = dayApi;
