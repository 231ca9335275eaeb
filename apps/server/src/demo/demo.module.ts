import { type DynamicModule, Module } from '@nestjs/common';
import { type Domain, type FirstContent } from '../storage/domain.ts';
import { DemoController } from './demo.controller.ts';
import { DemoService, DOMAINS, FIRST_CONTENT } from './demo.service.ts';

@Module({})
export class DemoModule {
  static of(domains: readonly Domain[], first: FirstContent): DynamicModule {
    return {
      module: DemoModule,
      controllers: [DemoController],
      providers: [
        { provide: FIRST_CONTENT, useValue: first },
        { provide: DOMAINS, useValue: domains },
        DemoService,
      ],
    };
  }
}
