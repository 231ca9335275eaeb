import { type TestBar } from '@kleur/core/evidence';
import { Column, Entity } from 'typeorm';
import { DocumentEntity } from '../storage/document.entity.ts';
import { JsonColumn } from '../storage/json-column.ts';

/** A bar that was read and belongs to no batch. */
@Entity('test_bar')
export class TestBarEntity extends DocumentEntity {
  @Column('text') name!: string;
  @JsonColumn() bar!: Omit<TestBar, 'id' | 'name'>;
}
