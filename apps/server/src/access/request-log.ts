import { randomUUID } from 'node:crypto';
import { type IncomingMessage, type ServerResponse } from 'node:http';
import { type Logger } from 'pino';
import { pinoHttp } from 'pino-http';

/** An error as it is logged: nothing that a query or a request carried. */
const bareError = (error: Error & { code?: string }): object => ({
  type: error.name,
  code: error.code,
  message: error.message,
  stack: error.stack,
});

/** What of an error may be logged, for every logger of the server. */
export const LOG_SERIALIZERS = { err: bareError } as const;

/** Gives each request an id, which is in its answer and in every line about it. Bodies, cookies and queries stay out. */
export const requestLog = (log: Logger) =>
  pinoHttp({
    logger: log,
    genReqId: (_request: IncomingMessage, response: ServerResponse) => {
      const id = randomUUID();
      response.setHeader('X-Request-Id', id);
      return id;
    },
    autoLogging: { ignore: () => !log.isLevelEnabled('debug') },
    serializers: {
      ...LOG_SERIALIZERS,
      req: ({ id, method, url }: { id: string; method: string; url: string }) => ({
        id,
        method,
        path: url.split('?')[0],
      }),
      res: ({ statusCode }: { statusCode: number }) => ({ status: statusCode }),
    },
  });
