import { lazy, Suspense } from 'react';
import { useAccessQuery } from '../data/access.ts';

const SignInDialog = lazy(() => import('./SignInDialog.tsx'));

/** Asks for the passphrase where there is one and this browser has not signed in. */
export function SignIn() {
  const { data } = useAccessQuery();
  if (data?.isSignedIn !== false) return null;
  return (
    <Suspense fallback={null}>
      <SignInDialog />
    </Suspense>
  );
}
