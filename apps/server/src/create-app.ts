import { NestFactory } from '@nestjs/core';
import { type NestExpressApplication } from '@nestjs/platform-express';
import { type Logger } from 'pino';
import { AppModule, type AppOptions } from './app.module.ts';
import { feedPage } from './calendar/feed-page.ts';
import { configureApp } from './configure-app.ts';
import { trustPage } from './lan/trust-page.ts';
import { serveWeb } from './web-files.ts';

/** The application, configured and not yet listening. */
export async function createApp(options: AppOptions, log: Logger): Promise<NestExpressApplication> {
  const app = await NestFactory.create<NestExpressApplication>(AppModule.forRoot(options), {
    bodyParser: false,
    // Whoever starts it tells what went wrong, in a sentence.
    logger: false,
    abortOnError: false,
  });
  app.useLogger(['error', 'warn']);
  configureApp(app, log, options.names);
  app.use(feedPage(app));
  if (options.root) app.use(trustPage(options.root));
  if (options.webRoot) serveWeb(app, options.webRoot);
  app.enableShutdownHooks();
  return app;
}
