import { type BatchRecord } from '@kleur/core/record';
import { Entity } from 'typeorm';
import { DocumentEntity } from '../storage/document.entity.ts';
import { JsonColumn } from '../storage/json-column.ts';

/** The record of a batch, under the batch’s own id. */
@Entity('batch_record')
export class RecordEntity extends DocumentEntity {
  @JsonColumn() record!: BatchRecord;
}
