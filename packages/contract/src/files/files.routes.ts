export const fileRoutes = {
  /** `name`: SHA-256 of the content in hexadecimal digits, a dot, and the ending of its type. */
  file: (batchId: string, name: string) =>
    `/api/batches/${encodeURIComponent(batchId)}/files/${encodeURIComponent(name)}`,
} as const;

/** Largest picture or clip that is kept, bytes. */
export const FILE_LIMIT_BYTES = 4_000_000;
