import { Module } from '@nestjs/common';
import { CatalogueController } from './catalogue.controller.ts';
import { CatalogueService } from './catalogue.service.ts';
import { LearningsService } from './learnings.service.ts';

@Module({
  controllers: [CatalogueController],
  providers: [CatalogueService, LearningsService],
  exports: [CatalogueService, LearningsService],
})
export class CatalogueModule {}
