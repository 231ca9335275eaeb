/** A plain document as text with its keys in order, so that equal documents are equal texts wherever they come from. */
export const canonicalText = (document: unknown): string =>
  JSON.stringify(document, (_, value: unknown) =>
    value !== null && typeof value === 'object' && !Array.isArray(value)
      ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
      : value,
  );
