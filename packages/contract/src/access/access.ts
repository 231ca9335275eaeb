/** How this browser stands with the workspace. */
export interface Access {
  /** Whether a passphrase is set, so that nobody gets in without it. */
  readonly isProtected: boolean;
  readonly isSignedIn: boolean;
  /** Whether the passphrase may be taken away: only while the server listens on this machine alone. */
  readonly isLocal: boolean;
  /** Addresses under which devices of the network reach it, the one to try first at the front. */
  readonly lan: readonly string[];
}

/** A browser that has signed in. */
export interface Session {
  readonly id: string;
  /** As the browser calls itself. */
  readonly device: string;
  readonly createdAt: string;
  /** To the hour. */
  readonly lastSeenAt: string;
  readonly isThis: boolean;
}

export interface SignIn {
  readonly passphrase: string;
}

export interface PassphraseChange {
  /** Null where none is set yet. */
  readonly current: string | null;
  /** Null takes it away. */
  readonly passphrase: string | null;
}

export const PASSPHRASE_LIMITS = { min: 12, max: 200 } as const;
