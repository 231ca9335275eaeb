import { type DynamicModule, Module } from '@nestjs/common';
import { BatchesModule } from './batches/batches.module.ts';
import { CatalogueModule } from './catalogue/catalogue.module.ts';
import { ColourModule } from './colour/colour.module.ts';
import { DemoModule } from './demo/demo.module.ts';
import { type FirstContent } from './demo/demo.service.ts';
import { HealthController } from './health.controller.ts';
import { KeepsakesModule } from './keepsakes/keepsakes.module.ts';
import { PalettesModule } from './palettes/palettes.module.ts';
import { SettingsModule } from './settings/settings.module.ts';
import { StorageModule } from './storage/storage.module.ts';

export interface AppOptions {
  /** Path of the SQLite file. */
  readonly file: string;
  readonly first: FirstContent;
  /** Folder of the built web application; without it only the API is served. */
  readonly webRoot?: string;
}

@Module({})
export class AppModule {
  static forRoot({ file, first }: AppOptions): DynamicModule {
    return {
      module: AppModule,
      imports: [
        StorageModule.forFile(file),
        CatalogueModule,
        BatchesModule,
        SettingsModule,
        PalettesModule,
        KeepsakesModule,
        ColourModule,
        DemoModule.withFirst(first),
      ],
      controllers: [HealthController],
    };
  }
}
