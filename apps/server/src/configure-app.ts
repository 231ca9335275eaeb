import { type NestExpressApplication } from '@nestjs/platform-express';
import { DocumentBuilder, SwaggerModule } from '@nestjs/swagger';
import { BODY_LIMIT_BYTES } from '@kleur/contract';
import compression from 'compression';
import helmet from 'helmet';
import { type NextFunction, type Request, type Response } from 'express';
import { type Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { ownPagesOnly } from './access/own-pages.ts';
import { boundedBody } from './problems/bounded-body.ts';
import { ProblemFilter } from './problems/problem.filter.ts';
import { validationPipe } from './problems/validation.ts';

/** What pages may ask the browser for: the camera, for photos of soap. */
const PERMISSIONS = 'camera=(self), microphone=(), geolocation=(), payment=(), usb=(), serial=(), midi=()';

/** Everything between the socket and the controllers, the same for the real server and for tests. */
export function configureApp(app: NestExpressApplication, log: Logger, names: readonly string[] = []): void {
  app.setGlobalPrefix('api');
  app.use(pinoHttp({ logger: log, autoLogging: { ignore: () => !log.isLevelEnabled('debug') } }));
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          'style-src': ["'self'", "'unsafe-inline'"],
          'worker-src': ["'self'"],
          'img-src': ["'self'", 'data:', 'blob:'],
          'upgrade-insecure-requests': null,
        },
      },
      strictTransportSecurity: false,
    }),
  );
  app.use((_request: Request, response: Response, next: NextFunction) => {
    response.setHeader('Permissions-Policy', PERMISSIONS);
    next();
  });
  app.use(ownPagesOnly(names));
  app.use('/api', (_request: Request, response: Response, next: NextFunction) => {
    response.setHeader('Cache-Control', 'no-store');
    next();
  });
  app.use(compression());
  app.useBodyParser('json', { limit: BODY_LIMIT_BYTES });
  app.use(boundedBody);
  app.useGlobalPipes(validationPipe());
  app.useGlobalFilters(new ProblemFilter(log));
  const info = new DocumentBuilder()
    .setTitle('Kleur')
    .setDescription('Plans, shelf and colour predictions for cold-process soap')
    .setVersion('1')
    .build();
  SwaggerModule.setup('api/docs', app, () => SwaggerModule.createDocument(app, info), {
    jsonDocumentUrl: 'api/openapi.json',
    ui: false,
    raw: ['json'],
  });
}
