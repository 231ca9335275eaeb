import { type EntryKind, type EntryWay } from '@kleur/core/day';
import { Column, Entity, Index } from 'typeorm';
import { DocumentEntity } from '../storage/document.entity.ts';

/** Something that was said at the bench. Rows are added and never changed. */
@Entity('log_entry')
@Index('log_of_batch', ['batchId', 'place'], { unique: true })
export class LogEntryEntity extends DocumentEntity {
  @Column('text', { name: 'batch_id' }) batchId!: string;
  /** Where it stands among the entries of its batch, by when it came to the server; from 1. */
  @Column('integer') place!: number;
  @Column('integer') at!: number;
  @Column('text') kind!: EntryKind;
  @Column('text', { name: 'pot_id' }) potId!: string;
  @Column('text') target!: string;
  @Column('text') by!: EntryWay;
  @Column('real') value!: number;
  @Column('text') text!: string;
  @Column('boolean', { default: false }) simulated!: boolean;
}
