import { type NestExpressApplication } from '@nestjs/platform-express';
import { DocumentBuilder, SwaggerModule } from '@nestjs/swagger';
import { BODY_LIMIT_BYTES, FILE_LIMIT_BYTES } from '@kleur/contract';
import { MEDIA_TYPES } from '@kleur/core/formats';
import compression from 'compression';
import cookieParser from 'cookie-parser';
import helmet from 'helmet';
import { type NextFunction, type Request, type Response } from 'express';
import { type Logger } from 'pino';
import { AccessService } from './access/access.service.ts';
import { ownPagesOnly } from './access/own-pages.ts';
import { requestLog } from './access/request-log.ts';
import { signedInOnly } from './access/session-cookie.ts';
import { boundedBody } from './problems/bounded-body.ts';
import { ProblemFilter } from './problems/problem.filter.ts';
import { validationPipe } from './problems/validation.ts';

/** What pages may ask the browser for: camera and microphone, for photos and voice notes at the bench, and the scale. */
const PERMISSIONS =
  'camera=(self), microphone=(self), geolocation=(), payment=(), usb=(), serial=(self), midi=()';

/** What a page may load: its own files, styles that Ant Design writes into the page, images in style sheets. */
const CONTENT = {
  'default-src': ["'none'"],
  'script-src': ["'self'"],
  'script-src-attr': ["'none'"],
  'style-src': ["'self'", "'unsafe-inline'"],
  'img-src': ["'self'", 'data:', 'blob:'],
  'media-src': ["'self'", 'blob:'],
  'font-src': ["'self'"],
  'connect-src': ["'self'"],
  'worker-src': ["'self'"],
  'manifest-src': ["'self'"],
  'base-uri': ["'none'"],
  'form-action': ["'none'"],
  'frame-ancestors': ["'none'"],
};

/** Everything between the socket and the controllers, the same for the real server and for tests. */
export function configureApp(app: NestExpressApplication, log: Logger, names: readonly string[] = []): void {
  app.setGlobalPrefix('api');
  app.use(requestLog(log));
  app.use(
    helmet({
      contentSecurityPolicy: { useDefaults: false, directives: CONTENT },
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
  const access = app.get(AccessService);
  app.use(cookieParser(access.secret));
  app.use(signedInOnly(access));
  app.use(compression());
  app.useBodyParser('json', { limit: BODY_LIMIT_BYTES });
  app.useBodyParser('raw', { type: MEDIA_TYPES, limit: FILE_LIMIT_BYTES });
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
