import { type Domain } from '../storage/domain.ts';
import { SavedMouldEntity, SavedRecipeEntity } from './saved.entity.ts';
import { Kept1790000000002 } from './migrations/1790000000002-kept.ts';
import { Saved1790000000005 } from './migrations/1790000000005-saved.ts';
import { SavedModule } from './saved.module.ts';
import { MouldsService, RecipesService } from './saved.service.ts';

export const savedDomain: Domain = {
  module: SavedModule,
  entities: [SavedMouldEntity, SavedRecipeEntity],
  migrations: [Kept1790000000002, Saved1790000000005],
  content: [MouldsService, RecipesService],
};
