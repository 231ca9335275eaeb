import { type DynamicModule, Module } from '@nestjs/common';
import { ServeStaticModule } from '@nestjs/serve-static';
import { BatchesModule } from './batches/batches.module.ts';
import { CatalogueModule } from './catalogue/catalogue.module.ts';
import { ColourModule } from './colour/colour.module.ts';
import { DemoModule } from './demo/demo.module.ts';
import { type FirstContent } from './demo/demo.service.ts';
import { HealthController } from './health.controller.ts';
import { SettingsModule } from './settings/settings.module.ts';
import { StorageModule } from './storage/storage.module.ts';

export interface AppOptions {
  /** Path of the SQLite file. */
  readonly file: string;
  readonly first: FirstContent;
  /** Folder of the built web application; without it only the API is served. */
  readonly webRoot?: string;
}

const YEAR_SECONDS = 31_536_000;

@Module({})
export class AppModule {
  static forRoot({ file, first, webRoot }: AppOptions): DynamicModule {
    return {
      module: AppModule,
      imports: [
        StorageModule.forFile(file),
        ...(webRoot
          ? [
              ServeStaticModule.forRoot({
                rootPath: webRoot,
                exclude: ['/api/{*path}'],
                serveStaticOptions: {
                  // Names in assets/ carry a hash of the content.
                  setHeaders: (res: { setHeader(k: string, v: string): void }, path: string) => {
                    const hashed = path.includes('/assets/');
                    res.setHeader(
                      'Cache-Control',
                      hashed ? `public, max-age=${YEAR_SECONDS}, immutable` : 'no-cache',
                    );
                  },
                },
              }),
            ]
          : []),
        CatalogueModule,
        BatchesModule,
        SettingsModule,
        ColourModule,
        DemoModule.withFirst(first),
      ],
      controllers: [HealthController],
    };
  }
}
