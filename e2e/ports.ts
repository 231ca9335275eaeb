/** Port of the first test server; those of further workers follow it. */
export const firstPort = Number(process.env.E2E_PORT ?? 4290);
