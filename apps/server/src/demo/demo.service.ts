import { Inject, Injectable, type OnApplicationBootstrap } from '@nestjs/common';
import { defaultSettings } from '@kleur/contract';
import { DataSource, type EntityManager } from 'typeorm';
import { BatchesService } from '../batches/batches.service.ts';
import { CatalogueService } from '../catalogue/catalogue.service.ts';
import { KeepsakesService } from '../keepsakes/keepsakes.service.ts';
import { PalettesService } from '../palettes/palettes.service.ts';
import { SettingsService } from '../settings/settings.service.ts';
import { BatchEntity } from '../storage/batch.entity.ts';
import { KeptEntity } from '../storage/kept.entity.ts';
import { MaterialEntity } from '../storage/material.entity.ts';
import { PaletteEntity } from '../storage/palette.entity.ts';
import { SettingsEntity } from '../storage/settings.entity.ts';
import { WriteQueue } from '../storage/write-queue.ts';
import { demoBatches, demoPalettes, demoWrite } from './demo-batches.ts';
import { demoMoulds, demoRecipes, demoStock } from './demo-shelf.ts';

/** Whether a new workspace starts with the demo or with the bare starting shelf. */
export const FIRST_CONTENT = Symbol('first content');
export type FirstContent = 'demo' | 'empty';

@Injectable()
export class DemoService implements OnApplicationBootstrap {
  constructor(
    @Inject(FIRST_CONTENT) private readonly first: FirstContent,
    private readonly source: DataSource,
    private readonly writes: WriteQueue,
    private readonly catalogue: CatalogueService,
    private readonly batches: BatchesService,
    private readonly settings: SettingsService,
    private readonly palettes: PalettesService,
    private readonly kept: KeepsakesService,
  ) {}

  /** A new file gets its first content; one that was ever filled is left alone. */
  async onApplicationBootstrap(): Promise<void> {
    if (await this.source.manager.existsBy(SettingsEntity, { id: 1 })) return;
    await this.writes.run((m) => this.fill(m, this.first));
  }

  /** Replaces everything with the demo, in one transaction. */
  reset(): Promise<void> {
    return this.writes.run(async (m) => {
      for (const entity of [BatchEntity, MaterialEntity, SettingsEntity, PaletteEntity, KeptEntity]) {
        await m.createQueryBuilder().delete().from(entity).execute();
      }
      await this.fill(m, 'demo');
    });
  }

  private async fill(m: EntityManager, content: FirstContent): Promise<void> {
    const demo = content === 'demo';
    await this.settings.seed(m, { ...defaultSettings, studio: demo ? 'Tarn Lane Soap Room' : '' });
    await this.catalogue.seed(m, demo ? demoStock : new Map());
    if (!demo) return;
    for (const palette of demoPalettes) await this.palettes.insert(m, palette);
    for (const mould of demoMoulds) await this.kept.insert(m, 'mould', mould);
    for (const recipe of demoRecipes()) await this.kept.insert(m, 'recipe', recipe);
    const now = new Date();
    for (const [i, batch] of demoBatches().entries()) {
      await this.batches.insert(m, demoWrite(batch, now), new Date(now.getTime() + i));
    }
  }
}
