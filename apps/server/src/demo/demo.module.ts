import { type DynamicModule, Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.ts';
import { CatalogueModule } from '../catalogue/catalogue.module.ts';
import { KeepsakesModule } from '../keepsakes/keepsakes.module.ts';
import { PalettesModule } from '../palettes/palettes.module.ts';
import { SettingsModule } from '../settings/settings.module.ts';
import { DemoController } from './demo.controller.ts';
import { DemoService, FIRST_CONTENT, type FirstContent } from './demo.service.ts';

@Module({})
export class DemoModule {
  static withFirst(first: FirstContent): DynamicModule {
    return {
      module: DemoModule,
      imports: [BatchesModule, CatalogueModule, KeepsakesModule, PalettesModule, SettingsModule],
      controllers: [DemoController],
      providers: [{ provide: FIRST_CONTENT, useValue: first }, DemoService],
    };
  }
}
