import { type ServerResponse } from 'node:http';
import { join } from 'node:path';
import { type NestExpressApplication } from '@nestjs/platform-express';
import { type NextFunction, type Request, type Response } from 'express';
import expressStaticGzip from 'express-static-gzip';

const YEAR_SECONDS = 31_536_000;

/** Headers that say what a page or a worker may do. On any other file they only cost room, a kilobyte in all. */
const PAGE_HEADERS = [
  'Content-Security-Policy',
  'Cross-Origin-Opener-Policy',
  'Origin-Agent-Cluster',
  'Permissions-Policy',
  'X-DNS-Prefetch-Control',
  'X-Download-Options',
  'X-Frame-Options',
  'X-Permitted-Cross-Domain-Policies',
  'X-XSS-Protection',
];

/**
 * Serves the built web application, with the brotli files that the build wrote beside it. Every other address
 * outside the API gets the page itself: the rooms are its own to find.
 */
export function serveWeb(app: NestExpressApplication, webRoot: string): void {
  app.use(
    expressStaticGzip(webRoot, {
      enableBrotli: true,
      orderPreference: ['br', 'gz'],
      index: false,
      serveStatic: {
        // Names in assets/ carry a hash of the content.
        setHeaders: (res: ServerResponse, path: string) => {
          const hashed = path.includes('/assets/');
          if (hashed && !path.includes('.worker-')) PAGE_HEADERS.forEach((name) => res.removeHeader(name));
          res.setHeader('Cache-Control', hashed ? `public, max-age=${YEAR_SECONDS}, immutable` : 'no-cache');
        },
      },
    }),
  );
  app.use((req: Request, res: Response, next: NextFunction) => {
    const page = req.method === 'GET' && !req.path.startsWith('/api') && !req.path.startsWith('/assets/');
    if (!page) {
      next();
      return;
    }
    // The built page may lie under a folder with a leading dot, which sendFile would otherwise refuse.
    res.sendFile(join(webRoot, 'index.html'), {
      dotfiles: 'allow',
      headers: { 'Cache-Control': 'no-cache' },
    });
  });
}
