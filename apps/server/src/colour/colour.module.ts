import { Module } from '@nestjs/common';
import { CatalogueModule } from '../catalogue/catalogue.module.ts';
import { ColourController } from './colour.controller.ts';
import { ColourService } from './colour.service.ts';

@Module({ imports: [CatalogueModule], controllers: [ColourController], providers: [ColourService] })
export class ColourModule {}
