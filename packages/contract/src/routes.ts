import { accessRoutes } from './access/access.routes.ts';
import { batchRoutes } from './batches/batches.routes.ts';
import { calendarRoutes } from './calendar/calendar.routes.ts';
import { bookRoutes } from './book/book.routes.ts';
import { ledgerRoutes } from './ledger/ledger.routes.ts';
import { materialRoutes } from './catalogue/materials.routes.ts';
import { colourRoutes } from './colour/colour.routes.ts';
import { copyRoutes } from './copies/copies.routes.ts';
import { demoRoutes } from './demo/demo.routes.ts';
import { fileRoutes } from './files/files.routes.ts';
import { logRoutes } from './log/log.routes.ts';
import { paletteRoutes } from './palettes/palettes.routes.ts';
import { recordRoutes } from './record/record.routes.ts';
import { savedRoutes } from './saved/saved.routes.ts';
import { tickRoutes } from './ticks/ticks.routes.ts';
import { settingsRoutes } from './settings/settings.routes.ts';

/** Paths under the origin. `:id` is filled by the caller. */
export const routes = {
  health: '/api/health',
  openapi: '/api/openapi.json',
  ...accessRoutes,
  ...batchRoutes,
  ...materialRoutes,
  ...settingsRoutes,
  ...demoRoutes,
  ...calendarRoutes,
  ...colourRoutes,
  ...bookRoutes,
  ...ledgerRoutes,
  ...copyRoutes,
  ...fileRoutes,
  ...logRoutes,
  ...paletteRoutes,
  ...recordRoutes,
  ...savedRoutes,
  ...tickRoutes,
} as const;

/** Largest request body the server reads. A plan with the whole shelf in it is about a third of it. */
export const BODY_LIMIT_BYTES = 400_000;
