import { type Access, type PassphraseChange, routes, type Session, type SignIn } from '@kleur/contract';
import { api, TAGS } from './api.ts';

/** Who may open Kleur. */
export const accessApi = api.injectEndpoints({
  endpoints: (b) => ({
    access: b.query<Access, void>({ query: () => routes.access, providesTags: ['Access'] }),
    signIn: b.mutation<void, SignIn>({
      query: (body) => ({ url: routes.signIn, method: 'POST', body }),
      // Whatever was refused before is asked again.
      invalidatesTags: (_result, error) => (error ? [] : TAGS),
    }),
    signOut: b.mutation<void, void>({
      query: () => ({ url: routes.signOut, method: 'POST' }),
      invalidatesTags: ['Access'],
    }),
    changePassphrase: b.mutation<void, PassphraseChange>({
      query: (body) => ({ url: routes.passphrase, method: 'PUT', body }),
      invalidatesTags: ['Access', 'Sessions'],
    }),
    sessions: b.query<Session[], void>({ query: () => routes.sessions, providesTags: ['Sessions'] }),
    endSession: b.mutation<void, string>({
      query: (id) => ({ url: routes.session(id), method: 'DELETE' }),
      invalidatesTags: ['Access', 'Sessions'],
    }),
  }),
});

export const {
  useAccessQuery,
  useSignInMutation,
  useSignOutMutation,
  useChangePassphraseMutation,
  useSessionsQuery,
  useEndSessionMutation,
} = accessApi;
