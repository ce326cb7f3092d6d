import type { Played, PracticeScore, PracticeTried, ShownPractice } from '../../core/practice';
import type { Working } from '../../core/base/working';
import { visitsApi } from './visits-api';

/**
 * A round is scored by a simulated stand: on a slow machine that takes its time, and the server
 * says when it is too long.
 */
const SCORE_MS = 100_000;

interface OwnPractice {
  /** The newest first. */
  rounds: PracticeScore[];
  /** The shop may see them. */
  isShown: boolean;
}

/** Rounds of practice, and how those get on who let the shop see it. */
const practiceApi = visitsApi
  .enhanceEndpoints({ addTagTypes: ['Practice'] })
  .injectEndpoints({
    endpoints: (build) => ({
      practice: build.query<OwnPractice, string>({
        query: (who) => `/practice?who=${encodeURIComponent(who)}`,
        providesTags: ['Practice'],
      }),
      addPractice: build.mutation<
        { score: PracticeScore; working: Working<Played> },
        PracticeTried
      >({
        query: (body) => ({ url: '/practice', method: 'POST', body, timeout: SCORE_MS }),
        invalidatesTags: ['Practice'],
      }),
      shownPractice: build.query<{ people: ShownPractice[] }, void>({
        query: () => '/practice/shown',
        providesTags: ['Practice'],
      }),
      showPractice: build.mutation<{ isShown: boolean }, { who: string; isShown: boolean }>({
        query: (body) => ({ url: '/practice/shown', method: 'PUT', body }),
        invalidatesTags: ['Practice'],
      }),
    }),
  });

export const {
  usePracticeQuery,
  useAddPracticeMutation,
  useShownPracticeQuery,
  useShowPracticeMutation,
} = practiceApi;
