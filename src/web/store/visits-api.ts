import { createApi, fetchBaseQuery, type FetchBaseQueryError } from '@reduxjs/toolkit/query/react';
import type { InputProblem } from '../../core/base/errors';
import { withConfirm } from './confirm';
import { recall, remember } from './offline-cache';
import { reportAuthRejected } from './auth-rejected';
import type { OpenVisit, VisitEntry, VisitEntryBody, VisitSummary } from '../../core/shop/visit';

interface VisitAnswer {
  visit: VisitSummary;
  entries: VisitEntry[];
}

const fromServer = fetchBaseQuery({ baseUrl: '/api', timeout: 15_000 });

/** No answer: the line is dead, or it was too long in coming. */
const NO_ANSWER: readonly FetchBaseQueryError['status'][] = ['FETCH_ERROR', 'TIMEOUT_ERROR'];

/** Asks the server; where it does not answer, what is read is as this browser has seen it last. */
const fromServerOrSeen: typeof fromServer = async (args, apiOfQuery, extra) => {
  const answer = await withConfirm(() => fromServer(args, apiOfQuery, extra));
  const refused = answer.error?.data as { error?: InputProblem } | undefined;
  reportAuthRejected(answer.error?.status, refused?.error);
  const path = typeof args === 'string' ? args : (args.method ?? 'GET') === 'GET' ? args.url : null;
  if (path === null) return answer;
  if (!answer.error) void remember(path, answer.data);
  else if (NO_ANSWER.includes(answer.error.status)) {
    const seen = await recall(path);
    if (seen !== undefined) return { data: seen, meta: answer.meta };
  }
  return answer;
};

/** Visits from the server; what is written makes what was read stale. */
export const visitsApi = createApi({
  reducerPath: 'visits',
  baseQuery: fromServerOrSeen,
  tagTypes: ['Visit'],
  endpoints: (build) => ({
    openVisits: build.query<VisitSummary[], void>({
      query: () => '/visits?state=open&limit=200',
      transformResponse: ({ visits }: { visits: VisitSummary[] }) => visits,
      providesTags: ['Visit'],
    }),
    visit: build.query<VisitAnswer, string>({
      query: (id) => `/visits/${id}`,
      providesTags: ['Visit'],
    }),
    visitOfJob: build.query<VisitSummary | null, string>({
      query: (jobId) => `/jobs/${jobId}/visit`,
      transformResponse: ({ visit }: { visit: VisitSummary | null }) => visit,
      providesTags: ['Visit'],
      // The visit's other wheels know it as well: the key that goes back works at once.
      onQueryStarted: async (jobId, { dispatch, queryFulfilled }) => {
        const visit = await queryFulfilled.then(
          ({ data }) => data,
          () => null,
        );
        const others = (visit?.wheels ?? []).filter((w) => w.jobId !== jobId);
        dispatch(
          visitsApi.util.upsertQueryEntries(
            others.map((w) => ({
              endpointName: 'visitOfJob' as const,
              arg: w.jobId,
              value: visit,
            })),
          ),
        );
      },
    }),
    openVisit: build.mutation<VisitAnswer, OpenVisit>({
      query: (body) => ({ url: '/visits', method: 'POST', body }),
      invalidatesTags: ['Visit'],
    }),
    writeVisit: build.mutation<
      unknown,
      { id: string; expectedSeq: number; entries: VisitEntryBody[] }
    >({
      query: ({ id, ...body }) => ({ url: `/visits/${id}/entries`, method: 'POST', body }),
      // A refusal may mean that the log has moved on: read it again.
      invalidatesTags: ['Visit'],
    }),
  }),
});

export const {
  useOpenVisitsQuery,
  useVisitQuery,
  useVisitOfJobQuery,
  useOpenVisitMutation,
  useWriteVisitMutation,
} = visitsApi;
