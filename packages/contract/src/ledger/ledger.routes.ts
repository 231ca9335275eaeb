export const ledgerRoutes = {
  ledger: '/api/ledger',
  ledgerCsv: '/api/ledger/kleur.csv',
  /** The last results with a scent, a colourant, a technique or a mould. */
  past: '/api/ledger/past',
  /** How bars on recipes like one’s own lose water. */
  losses: (batchId: string) => `/api/ledger/losses/${encodeURIComponent(batchId)}`,
} as const;
