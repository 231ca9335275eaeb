import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { MaterialEntity } from '../storage/material.entity.ts';
import { CatalogueController } from './catalogue.controller.ts';
import { CatalogueService } from './catalogue.service.ts';

@Module({
  imports: [TypeOrmModule.forFeature([MaterialEntity])],
  controllers: [CatalogueController],
  providers: [CatalogueService],
  exports: [CatalogueService],
})
export class CatalogueModule {}
