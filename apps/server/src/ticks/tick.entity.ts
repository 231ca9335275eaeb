import { Column, Entity, Index } from 'typeorm';
import { DocumentEntity } from '../storage/document.entity.ts';

/** One tick of a line of a sheet. Rows are added and never changed. */
@Entity('tick')
export class TickEntity extends DocumentEntity {
  @Index('tick_of_batch')
  @Column('text', { name: 'batch_id' })
  batchId!: string;
  @Column('text', { name: 'line_id' }) lineId!: string;
  @Column('boolean') done!: boolean;
}
