import { Injectable, type OnApplicationBootstrap, type OnModuleInit } from '@nestjs/common';
import { isMade } from '@kleur/contract';
import { isOnHold, lyeCheckOf } from '@kleur/core/record';
import { type EntityManager } from 'typeorm';
import { BatchesService, type HeldBatch } from '../batches/batches.service.ts';
import { LogService } from '../log/log.service.ts';
import { SettingsService } from '../settings/settings.service.ts';
import { WriteQueue } from '../storage/write-queue.ts';
import { RecordService } from './record.service.ts';

/** Which batches are on hold, by plan, log and record. */
@Injectable()
export class HoldService implements OnModuleInit, OnApplicationBootstrap {
  constructor(
    private readonly batches: BatchesService,
    private readonly log: LogService,
    private readonly records: RecordService,
    private readonly settings: SettingsService,
    private readonly writes: WriteQueue,
  ) {}

  onModuleInit(): void {
    this.batches.judgeHoldsBy((m, batch) => this.judge(m, batch));
  }

  /** Rows of older versions do not tell yet. */
  async onApplicationBootstrap(): Promise<void> {
    for (const id of await this.batches.withoutHold())
      await this.writes.run((m) => this.batches.renewHold(m, id));
  }

  private async judge(m: EntityManager, { id, state, plan }: HeldBatch): Promise<boolean> {
    const log = await this.log.entriesOf(m, id);
    // Neither poured nor begun: there is no soap yet.
    if (log.length === 0 && !isMade(state)) return false;
    const record = await this.records.recordOf(m, id);
    const { measuring } = await this.settings.get();
    return isOnHold(lyeCheckOf(plan, measuring, log, record).state);
  }
}
