import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.ts';
import { RecordModule } from '../record/record.module.ts';
import { LedgerController } from './ledger.controller.ts';
import { LedgerService } from './ledger.service.ts';

@Module({
  imports: [BatchesModule, RecordModule],
  controllers: [LedgerController],
  providers: [LedgerService],
})
export class LedgerModule {}
