import { type DynamicModule, Global, Module } from '@nestjs/common';
import { HeavyService, WORKER_FILE } from './heavy.service.ts';

@Global()
@Module({})
export class HeavyModule {
  /** @param workerFile of the thread; null runs the work in the server's own. */
  static of(workerFile: string | null): DynamicModule {
    return {
      module: HeavyModule,
      providers: [{ provide: WORKER_FILE, useValue: workerFile }, HeavyService],
      exports: [HeavyService],
    };
  }
}
