import type { Guessing, Passkey, Person, Role, Session } from '../../core/shop/auth';
import { visitsApi } from './visits-api';

/** A code for a second browser, and the addresses at which other machines find this shop. */
export interface SignInCode {
  code: string;
  endsAt: string;
  addresses: string[];
}

const TAGGED = visitsApi.enhanceEndpoints({
  addTagTypes: ['Person', 'Session', 'Passkey', 'Guessing'],
});

/** People and how they come in, and where they are signed in. */
const authApi = TAGGED.injectEndpoints({
  endpoints: (build) => ({
    people: build.query<Person[], void>({
      query: () => '/people',
      transformResponse: ({ people }: { people: Person[] }) => people,
      providesTags: ['Person'],
    }),
    addPerson: build.mutation<unknown, string>({
      query: (name) => ({ url: '/people', method: 'POST', body: { name } }),
      invalidatesTags: ['Person'],
    }),
    setWayIn: build.mutation<unknown, { name: string; role: Role; secret?: string | null }>({
      query: ({ name, ...body }) => ({
        url: `/people/${encodeURIComponent(name)}/way-in`,
        method: 'PUT',
        body,
      }),
      invalidatesTags: ['Person', 'Session'],
    }),
    setOwnSecret: build.mutation<unknown, { old: string; secret: string }>({
      query: (body) => ({ url: '/session/secret', method: 'PUT', body }),
      invalidatesTags: ['Session'],
    }),
    sessions: build.query<Session[], void>({
      query: () => '/sessions',
      transformResponse: ({ sessions }: { sessions: Session[] }) => sessions,
      providesTags: ['Session'],
    }),
    endSession: build.mutation<unknown, string>({
      query: (id) => ({ url: `/sessions/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Session'],
    }),
    passkeys: build.query<Passkey[], void>({
      query: () => '/session/passkeys',
      transformResponse: ({ passkeys }: { passkeys: Passkey[] }) => passkeys,
      providesTags: ['Passkey'],
    }),
    removePasskey: build.mutation<unknown, string>({
      query: (id) => ({ url: `/session/passkeys/${encodeURIComponent(id)}`, method: 'DELETE' }),
      invalidatesTags: ['Passkey'],
    }),
    guessing: build.query<Guessing[], void>({
      query: () => '/sessions/guessing',
      transformResponse: ({ guessing }: { guessing: Guessing[] }) => guessing,
      providesTags: ['Guessing'],
    }),
    blockGuessing: build.mutation<unknown, { id: number; isBlocked: boolean }>({
      query: ({ id, isBlocked }) => ({
        url: `/sessions/guessing/${id}`,
        method: 'PUT',
        body: { isBlocked },
      }),
      invalidatesTags: ['Guessing'],
    }),
    clearGuessing: build.mutation<unknown, number>({
      query: (id) => ({ url: `/sessions/guessing/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Guessing'],
    }),
    makeCode: build.mutation<SignInCode, void>({
      query: () => ({ url: '/session/codes', method: 'POST', body: {} }),
    }),
  }),
});

export const {
  usePeopleQuery,
  useAddPersonMutation,
  useSetWayInMutation,
  useSetOwnSecretMutation,
  useSessionsQuery,
  useEndSessionMutation,
  useMakeCodeMutation,
  usePasskeysQuery,
  useRemovePasskeyMutation,
  useGuessingQuery,
  useBlockGuessingMutation,
  useClearGuessingMutation,
} = authApi;
