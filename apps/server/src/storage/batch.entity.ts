import { Column, Entity, Index, PrimaryColumn } from 'typeorm';
import { type BatchState, type FaceStripe } from '@kleur/contract';
import { type Plan } from '@kleur/core';

@Entity('batch')
@Index('batch_list', ['deletedAt', 'updatedAt'])
export class BatchEntity {
  @PrimaryColumn('text') id!: string;
  @Column('text') name!: string;
  @Column('text') state!: BatchState;
  @Column('text', { name: 'made_on', nullable: true }) madeOn!: string | null;
  @Column('real', { name: 'total_oils' }) totalOils!: number;
  /** Colours of the bar at cure, worked out at every save so that the list needs no plan. */
  @Column('simple-json') face!: FaceStripe[];
  @Column('simple-json') plan!: Plan;
  @Column('integer') version!: number;
  @Column('text', { name: 'created_at' }) createdAt!: string;
  @Column('text', { name: 'updated_at' }) updatedAt!: string;
  @Column('text', { name: 'deleted_at', nullable: true }) deletedAt!: string | null;
}
