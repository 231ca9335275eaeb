import { Inject, Injectable, type OnApplicationBootstrap } from '@nestjs/common';
import { ModuleRef } from '@nestjs/core';
import { DataSource, type EntityManager } from 'typeorm';
import { Copies } from '../storage/copies.ts';
import { type Domain, type FirstContent } from '../storage/domain.ts';
import { WriteQueue } from '../storage/write-queue.ts';

export const FIRST_CONTENT = Symbol('first content');
export const DOMAINS = Symbol('domains');

/** Fills a new workspace, and brings the demo back. */
@Injectable()
export class DemoService implements OnApplicationBootstrap {
  constructor(
    @Inject(FIRST_CONTENT) private readonly first: FirstContent,
    @Inject(DOMAINS) private readonly domains: readonly Domain[],
    private readonly source: DataSource,
    private readonly writes: WriteQueue,
    private readonly modules: ModuleRef,
    private readonly copies: Copies,
  ) {}

  /** A new file gets its first content; one that was ever filled is left alone. */
  async onApplicationBootstrap(): Promise<void> {
    for (const entity of this.domains.flatMap((d) => d.entities)) {
      if (await this.source.manager.exists(entity, { withDeleted: true })) return;
    }
    const fill = (m: EntityManager): Promise<void> => this.fill(m, this.first);
    await (this.first === 'demo' ? this.writes.runAsDemo(fill) : this.writes.run(fill));
  }

  /** Replaces everything with the demo, in one transaction, after a copy of what is there. */
  async reset(): Promise<void> {
    this.copies.makeBefore('before-reset');
    await this.writes.runAsDemo(async (m) => {
      for (const entity of this.domains.flatMap((d) => d.entities)) {
        await m.createQueryBuilder().delete().from(entity).execute();
      }
      await this.fill(m, 'demo');
    });
    this.copies.prune();
  }

  private async fill(m: EntityManager, first: FirstContent): Promise<void> {
    for (const service of this.domains.flatMap((d) => d.content)) {
      await this.modules.get(service, { strict: false }).fill(m, first);
    }
  }
}
