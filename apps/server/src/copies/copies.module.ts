import { type DynamicModule, Module } from '@nestjs/common';
import { Copies } from '../storage/copies.ts';
import { type Domain } from '../storage/domain.ts';
import { WriteQueue } from '../storage/write-queue.ts';
import { CopiesController } from './copies.controller.ts';
import { CopiesService } from './copies.service.ts';

@Module({})
export class CopiesModule {
  static of(domains: readonly Domain[]): DynamicModule {
    return {
      module: CopiesModule,
      controllers: [CopiesController],
      providers: [
        {
          provide: CopiesService,
          inject: [Copies, WriteQueue],
          useFactory: (copies: Copies, writes: WriteQueue) => new CopiesService(copies, writes, domains),
        },
      ],
    };
  }
}
