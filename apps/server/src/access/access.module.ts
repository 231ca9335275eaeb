import { type DynamicModule, Module } from '@nestjs/common';
import { ThrottlerModule } from '@nestjs/throttler';
import { AccessController } from './access.controller.ts';
import { AccessService } from './access.service.ts';

/** Tries to sign in from one address. */
export const TRIES = { limit: 5, ttl: 60_000 } as const;

@Module({})
export class AccessModule {
  static of(access: AccessService): DynamicModule {
    return {
      module: AccessModule,
      imports: [ThrottlerModule.forRoot([TRIES])],
      controllers: [AccessController],
      providers: [{ provide: AccessService, useValue: access }],
    };
  }
}
