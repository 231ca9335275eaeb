import { type FittedMaterial } from '@kleur/core/fit';
import { type FittedBase } from '@kleur/core/pigment';
import { type GelHabit } from '@kleur/core/plan';
import { Column, Entity } from 'typeorm';
import { DocumentEntity } from '../storage/document.entity.ts';
import { JsonColumn } from '../storage/json-column.ts';

/** What was taken over at one time. */
export interface Learnt {
  readonly curves: readonly FittedMaterial[];
  /** Null where the base stayed; with a `base` of null it was given up. */
  readonly base: {
    readonly readings: number;
    readonly base: FittedBase | null;
    readonly gel?: GelHabit;
  } | null;
}

/** One time that curves were taken over from bars. Rows are added and never changed. */
@Entity('learning')
export class LearningEntity extends DocumentEntity {
  /** Counts through from 1. */
  @Column('integer') number!: number;
  @JsonColumn() learnt!: Learnt;
}
