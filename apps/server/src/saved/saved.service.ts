import { Injectable } from '@nestjs/common';
import { type BaseRecipe, type Saved } from '@kleur/contract';
import { upgradeMaterial } from '@kleur/core/material';
import { type Mould } from '@kleur/core/plan';
import { type EntityManager } from 'typeorm';
import { demoMoulds, demoRecipes } from '../demo/data/demo-shelf.ts';
import { named } from '../problems/named.ts';
import { Documents, type DocumentStore } from '../storage/document-store.ts';
import { type Content, type FirstContent } from '../storage/domain.ts';
import { type DocumentEntity } from '../storage/document.entity.ts';
import { SavedMouldEntity, SavedRecipeEntity } from './saved.entity.ts';

type SavedEntity<T> = DocumentEntity & { name: string; data: T };

/** Saved documents of one kind. What a batch uses is its own copy. */
abstract class SavedService<T extends { readonly name: string }> implements Content {
  constructor(
    private readonly store: DocumentStore<SavedEntity<T>>,
    private readonly label: string,
  ) {}

  async list(): Promise<Saved<T>[]> {
    const rows = await this.store.find({ order: { name: 'ASC', id: 'ASC' } as object });
    return this.store.readAll(rows, (r) => this.wire(r));
  }

  async create(input: T): Promise<Saved<T>> {
    return this.wire(await this.store.create(this.columns(input)));
  }

  async update(id: string, version: number, input: T): Promise<Saved<T>> {
    return this.wire(await this.store.update(id, version, this.columns(input)));
  }

  async setDeleted(id: string, deleted: boolean): Promise<Saved<T>> {
    return this.wire(await this.store.setDeleted(id, deleted));
  }

  async fill(m: EntityManager, first: FirstContent): Promise<void> {
    if (first !== 'demo') return;
    for (const each of this.demo()) await this.store.insert(m, this.columns(each));
  }

  protected abstract demo(): readonly T[];

  /** As this version has it, whatever version stored it. */
  protected upgrade(data: T): T {
    return data;
  }

  private columns(input: T): { name: string; data: T } {
    const data = named(input, this.label);
    return { name: data.name, data };
  }

  private wire(row: SavedEntity<T>): Saved<T> {
    const { id, version, updatedAt } = row;
    return { ...this.upgrade(row.data), id, version, updatedAt };
  }
}

@Injectable()
export class MouldsService extends SavedService<Mould> {
  constructor(documents: Documents) {
    super(documents.of<SavedEntity<Mould>>(SavedMouldEntity, 'The mould'), 'A mould');
  }

  protected override demo = (): readonly Mould[] => demoMoulds;
}

@Injectable()
export class RecipesService extends SavedService<BaseRecipe> {
  constructor(documents: Documents) {
    super(documents.of<SavedEntity<BaseRecipe>>(SavedRecipeEntity, 'The base'), 'A base');
  }

  protected override demo = demoRecipes;

  /** Recipes hold copies of oils, which an older version may have stored. */
  protected override upgrade(data: BaseRecipe): BaseRecipe {
    return { ...data, oils: data.oils.map((o) => ({ ...o, material: upgradeMaterial(o.material) })) };
  }
}
