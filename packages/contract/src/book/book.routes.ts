export const bookRoutes = {
  /** Readings of all batches, and what is known of each colourant. */
  book: '/api/book',
  /** All readings as CGATS text, and as CSV. */
  bookCgats: '/api/book/kleur-readings.txt',
  bookCsv: '/api/book/kleur-readings.csv',
  /** What a fit to those readings would change. */
  bookFit: '/api/book/fit',
  /** Takes fitted curves over into the shelf. */
  bookAccept: '/api/book/accept',
  /** Gives them up again. */
  bookForget: '/api/book/forget',
} as const;
