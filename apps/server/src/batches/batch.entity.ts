import { type BatchState, type FaceStripe } from '@kleur/contract';
import { type Predicted } from '@kleur/core/evidence';
import { type Plan } from '@kleur/core/plan';
import { Column, Entity, Index } from 'typeorm';
import { type BatchUses } from './uses.ts';
import { DocumentEntity } from '../storage/document.entity.ts';
import { JsonColumn } from '../storage/json-column.ts';

/** What is put down once, when a batch is poured. */
export interface PouredColumn {
  readonly at: string;
  readonly plan: Plan;
  readonly predicted: Predicted;
}

@Entity('batch')
@Index('batch_list', ['deletedAt', 'updatedAt'])
export class BatchEntity extends DocumentEntity {
  @Column('text') name!: string;
  @Column('text') state!: BatchState;
  @Column('text', { name: 'made_on', nullable: true }) madeOn!: string | null;
  @Column('real', { name: 'total_oils' }) totalOils!: number;
  /** Colours of the bar at cure, worked out at every save so that the list needs no plan. */
  @JsonColumn() face!: FaceStripe[];
  /** Worked out whenever plan, log or record change; null in rows of older versions until the next start. */
  @Column('boolean', { name: 'on_hold', nullable: true }) onHold!: boolean | null;
  @JsonColumn() plan!: Plan;
  @Column('text', { name: 'parent_id', nullable: true }) parentId!: string | null;
  /** What the plan uses, worked out at every save for what is searched and laid out in time; `{}` in older rows. */
  @JsonColumn() uses!: Partial<BatchUses>;
  /** Plan and prediction as they were at the pour; `{}` while it was not poured. */
  @JsonColumn() poured!: Partial<PouredColumn>;
}
