export const bookRoutes = {
  /** Readings of all batches, and what is known of each colourant. */
  book: '/api/book',
  /** Bars that no batch knows of. */
  bookBars: '/api/book/bars',
  bookBar: (id: string): string => `/api/book/bars/${encodeURIComponent(id)}`,
  bookBarRestore: (id: string): string => `/api/book/bars/${encodeURIComponent(id)}/restore`,
  /** Those with a spectrum, as CGATS text. */
  bookSpectra: '/api/book/kleur-spectra.txt',
  /** All readings as CGATS text, and as CSV. */
  bookCgats: '/api/book/kleur-readings.txt',
  bookCsv: '/api/book/kleur-readings.csv',
  /** The few bars that would teach most. */
  bookTrial: '/api/book/trial',
  /** What a fit to those readings would change. */
  bookFit: '/api/book/fit',
  /** What some readings alone would move. */
  bookEffect: '/api/book/effect',
  /** Takes fitted curves over into the shelf. */
  bookAccept: '/api/book/accept',
  /** Everything that was taken over so far, the latest first, and one of it again. */
  bookLearnings: '/api/book/learnings',
  bookBack: '/api/book/back',
  /** The bare base as bars have told it. */
  bookBase: '/api/book/base',
  /** Gives them up again. */
  bookForget: '/api/book/forget',
} as const;
