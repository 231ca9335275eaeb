import { type Reading } from '@kleur/core/evidence';
import { Column, Entity, Index } from 'typeorm';
import { DocumentEntity } from '../storage/document.entity.ts';
import { JsonColumn } from '../storage/json-column.ts';

/** What was seen of one pot. */
@Entity('reading')
@Index('reading_of_batch', ['batchId'])
export class ReadingEntity extends DocumentEntity {
  @Column('text', { name: 'batch_id' }) batchId!: string;
  @Column('text', { name: 'pot_id' }) potId!: string;
  @Column('real') hours!: number;
  @JsonColumn() reading!: Omit<Reading, 'id' | 'potId' | 'hours'>;
}
