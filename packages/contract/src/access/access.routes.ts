export const accessRoutes = {
  access: '/api/access',
  signIn: '/api/access/sign-in',
  signOut: '/api/access/sign-out',
  passphrase: '/api/access/passphrase',
  sessions: '/api/access/sessions',
  session: (id: string) => `/api/access/sessions/${encodeURIComponent(id)}`,
} as const;
