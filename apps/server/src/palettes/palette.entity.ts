import { type SwatchColour } from '@kleur/contract';
import { Column, Entity } from 'typeorm';
import { DocumentEntity } from '../storage/document.entity.ts';
import { JsonColumn } from '../storage/json-column.ts';

@Entity('palette')
export class PaletteEntity extends DocumentEntity {
  @Column('text') name!: string;
  @Column('boolean') favourite!: boolean;
  @JsonColumn() colours!: readonly SwatchColour[];
}
