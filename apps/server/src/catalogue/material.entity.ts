import { type Material } from '@kleur/core/material';
import { Column, Entity } from 'typeorm';
import { DocumentEntity } from '../storage/document.entity.ts';
import { JsonColumn } from '../storage/json-column.ts';

/** A shelf item. The document is the material as core knows it; the columns are what is searched. */
@Entity('material')
export class MaterialEntity extends DocumentEntity {
  @Column('text') kind!: string;
  @Column('text') name!: string;
  @JsonColumn() data!: Material;
  @Column('boolean', { name: 'built_in' }) builtIn!: boolean;
}
