import { type Domain } from '../storage/domain.ts';
import { BookModule } from './book.module.ts';
import { TestBar1790000000014 } from './migrations/1790000000014-test-bar.ts';
import { TestBarEntity } from './test-bar.entity.ts';
import { TestBarsService } from './test-bars.service.ts';

export const bookDomain: Domain = {
  module: BookModule,
  entities: [TestBarEntity],
  migrations: [TestBar1790000000014],
  content: [TestBarsService],
};
