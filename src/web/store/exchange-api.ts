import type { Brought, ExchangePlan } from '../../core/reports/exchange';
import { visitsApi } from './visits-api';

/** A large file takes its time to be read; the server says when it cannot. */
const LONG_MS = 600_000;

/** Files of a shop or a job: brought, looked into, and taken in. */
const exchangeApi = visitsApi.injectEndpoints({
  endpoints: (build) => ({
    bringFile: build.mutation<Brought, File>({
      query: (file) => ({
        url: '/exchange/brought',
        method: 'PUT',
        headers: { 'content-type': 'application/zip' },
        body: file,
        timeout: LONG_MS,
      }),
    }),
    takeFileIn: build.mutation<{ plan: ExchangePlan; kept: string | null }, string>({
      query: (id) => ({
        url: `/exchange/brought/${id}/take-in`,
        method: 'POST',
        body: {},
        timeout: LONG_MS,
      }),
    }),
    leaveFile: build.mutation<null, string>({
      query: (id) => ({ url: `/exchange/brought/${id}`, method: 'DELETE' }),
    }),
  }),
});

export const { useBringFileMutation, useTakeFileInMutation, useLeaveFileMutation } = exchangeApi;
