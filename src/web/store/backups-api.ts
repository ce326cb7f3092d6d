import type { BackupsNow, KeptBackup, LookedInto } from '../../core/reports/backup';
import { visitsApi } from './visits-api';

/** A large shop takes its time to be packed or looked through; the server says when it cannot. */
const LONG_MS = 600_000;

/** Backups of the shop: made, brought in, looked into and restored. */
const backupsApi = visitsApi.enhanceEndpoints({ addTagTypes: ['Backup'] }).injectEndpoints({
  endpoints: (build) => ({
    backups: build.query<BackupsNow, void>({ query: () => '/backups', providesTags: ['Backup'] }),
    makeBackup: build.mutation<KeptBackup, void>({
      query: () => ({ url: '/backups', method: 'POST', body: {}, timeout: LONG_MS }),
      invalidatesTags: ['Backup'],
    }),
    bringBackup: build.mutation<KeptBackup, File>({
      query: (file) => ({
        url: '/backups/brought-in',
        method: 'PUT',
        headers: { 'content-type': 'application/zip' },
        body: file,
        timeout: LONG_MS,
      }),
      invalidatesTags: ['Backup'],
    }),
    setBackupPassphrase: build.mutation<BackupsNow, string | null>({
      query: (passphrase) => ({ url: '/backups/passphrase', method: 'PUT', body: { passphrase } }),
      invalidatesTags: ['Backup'],
    }),
    setSecondFolder: build.mutation<BackupsNow, string | null>({
      query: (folder) => ({
        url: '/backups/second-folder',
        method: 'PUT',
        body: { folder },
        timeout: LONG_MS,
      }),
      invalidatesTags: ['Backup'],
    }),
    testBackup: build.mutation<BackupsNow, void>({
      query: () => ({ url: '/backups/test', method: 'POST', body: {}, timeout: LONG_MS }),
      invalidatesTags: ['Backup'],
    }),
    lookInto: build.query<LookedInto, string>({
      query: (name) => ({
        url: `/backups/${name}/look`,
        method: 'POST',
        body: {},
        timeout: LONG_MS,
      }),
      // What is here changes: it is looked at again each time.
      keepUnusedDataFor: 0,
    }),
    restoreBackup: build.mutation<{ kept: string | null }, string>({
      query: (name) => ({
        url: `/backups/${name}/restore`,
        method: 'POST',
        body: {},
        timeout: LONG_MS,
      }),
    }),
  }),
});

export const {
  useBackupsQuery,
  useMakeBackupMutation,
  useBringBackupMutation,
  useSetBackupPassphraseMutation,
  useSetSecondFolderMutation,
  useTestBackupMutation,
  useLookIntoQuery,
  useRestoreBackupMutation,
} = backupsApi;
