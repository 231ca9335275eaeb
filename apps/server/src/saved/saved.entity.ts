import { type BaseRecipe } from '@kleur/contract';
import { type Mould } from '@kleur/core/plan';
import { Column, Entity } from 'typeorm';
import { DocumentEntity } from '../storage/document.entity.ts';
import { JsonColumn } from '../storage/json-column.ts';

/** A mould or a base recipe that is saved apart from any batch. */
abstract class SavedEntity extends DocumentEntity {
  @Column('text') name!: string;
}

@Entity('saved_mould')
export class SavedMouldEntity extends SavedEntity {
  @JsonColumn() data!: Mould;
}

@Entity('saved_recipe')
export class SavedRecipeEntity extends SavedEntity {
  @JsonColumn() data!: BaseRecipe;
}
