import { type Domain } from '../storage/domain.ts';
import { LearningEntity } from './learning.entity.ts';
import { LearningsService } from './learnings.service.ts';
import { MaterialEntity } from './material.entity.ts';
import { DefaultCurves1790000000008 } from './migrations/1790000000008-default-curves.ts';
import { BandPlaces1790000000009 } from './migrations/1790000000009-band-places.ts';
import { MaterialDates1790000000003 } from './migrations/1790000000003-material-dates.ts';
import { Learning1790000000013 } from './migrations/1790000000013-learning.ts';
import { LookAlikeOils1790000000017 } from './migrations/1790000000017-look-alike-oils.ts';
import { CatalogueModule } from './catalogue.module.ts';
import { CatalogueService } from './catalogue.service.ts';

export const catalogueDomain: Domain = {
  module: CatalogueModule,
  entities: [MaterialEntity, LearningEntity],
  migrations: [
    MaterialDates1790000000003,
    DefaultCurves1790000000008,
    BandPlaces1790000000009,
    Learning1790000000013,
    LookAlikeOils1790000000017,
  ],
  content: [CatalogueService, LearningsService],
};
