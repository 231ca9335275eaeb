import { type BatchState, type FaceStripe } from '@kleur/contract';
import { type Plan } from '@kleur/core/plan';
import { Column, Entity, Index } from 'typeorm';
import { DocumentEntity } from '../storage/document.entity.ts';
import { JsonColumn } from '../storage/json-column.ts';

@Entity('batch')
@Index('batch_list', ['deletedAt', 'updatedAt'])
export class BatchEntity extends DocumentEntity {
  @Column('text') name!: string;
  @Column('text') state!: BatchState;
  @Column('text', { name: 'made_on', nullable: true }) madeOn!: string | null;
  @Column('real', { name: 'total_oils' }) totalOils!: number;
  /** Colours of the bar at cure, worked out at every save so that the list needs no plan. */
  @JsonColumn() face!: FaceStripe[];
  @JsonColumn() plan!: Plan;
}
