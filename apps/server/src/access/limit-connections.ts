import { type Server } from 'node:http';

/** How long a connection may take, in milliseconds. */
export const CONNECTION_LIMITS = { headers: 10_000, request: 30_000, idle: 10_000 } as const;

/** Ends connections that are slow on purpose, or that nobody uses, so that they cannot be saved up. */
export function limitConnections(server: Server): void {
  server.headersTimeout = CONNECTION_LIMITS.headers;
  server.requestTimeout = CONNECTION_LIMITS.request;
  server.keepAliveTimeout = CONNECTION_LIMITS.idle;
  server.maxRequestsPerSocket = 1000;
}
