import { type NestExpressApplication } from '@nestjs/platform-express';
import { DocumentBuilder, SwaggerModule } from '@nestjs/swagger';
import { BODY_LIMIT_BYTES } from '@kleur/contract';
import compression from 'compression';
import helmet from 'helmet';
import { type Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { ProblemFilter } from './problems/problem.filter.ts';
import { validationPipe } from './problems/validation.ts';

/** Everything between the socket and the controllers, the same for the real server and for tests. */
export function configureApp(app: NestExpressApplication, log: Logger): void {
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
  app.use(compression());
  app.useBodyParser('json', { limit: BODY_LIMIT_BYTES });
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
