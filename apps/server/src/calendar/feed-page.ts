import { type INestApplicationContext } from '@nestjs/common';
import { type NextFunction, type Request, type RequestHandler, type Response } from 'express';
import { ICS } from './calendar.controller.ts';
import { CalendarService } from './calendar.service.ts';
import { Feed } from './feed.ts';

const PATH = /^\/feed\/([A-Za-z0-9_-]+)\.ics$/;

/** Gives the calendar to whoever knows the address of the feed; every other address is not there. */
export function feedPage(app: INestApplicationContext): RequestHandler {
  const feed = app.get(Feed, { strict: false });
  const calendar = app.get(CalendarService, { strict: false });
  return (request: Request, response: Response, next: NextFunction): void => {
    const token = PATH.exec(request.path)?.[1];
    if (request.method !== 'GET' || token === undefined) {
      next();
      return;
    }
    if (!feed.is(token)) {
      response.status(404).type('text/plain').send('There is no such feed.');
      return;
    }
    calendar.file().then((text) => {
      response.setHeader('Content-Type', ICS);
      response.setHeader('Cache-Control', 'no-store');
      response.send(text);
    }, next);
  };
}
