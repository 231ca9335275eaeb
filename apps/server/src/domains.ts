import { batchesDomain } from './batches/batches.domain.ts';
import { bookDomain } from './book/book.domain.ts';
import { catalogueDomain } from './catalogue/catalogue.domain.ts';
import { logDomain } from './log/log.domain.ts';
import { palettesDomain } from './palettes/palettes.domain.ts';
import { recordDomain } from './record/record.domain.ts';
import { savedDomain } from './saved/saved.domain.ts';
import { settingsDomain } from './settings/settings.domain.ts';
import { ticksDomain } from './ticks/ticks.domain.ts';
import { type Domain } from './storage/domain.ts';

/** Every part of the workspace that has tables, in the order in which a new one is filled. */
export const domains: readonly Domain[] = [
  settingsDomain,
  catalogueDomain,
  palettesDomain,
  savedDomain,
  batchesDomain,
  ticksDomain,
  logDomain,
  recordDomain,
  bookDomain,
];
