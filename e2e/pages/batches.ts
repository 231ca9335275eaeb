import { type Locator, type Page } from '@playwright/test';
import { type BatchDocument, type BatchPage, routes } from '@kleur/contract';
import { emptyPlan, type Plan } from '@kleur/core/plan';

export class BatchesPage {
  constructor(private readonly page: Page) {}

  async open(query = ''): Promise<void> {
    await this.page.goto(`/batches${query}`);
    await this.page.getByRole('heading', { name: 'Batches' }).waitFor();
  }

  card(name: string): Locator {
    return this.page
      .getByRole('article')
      .filter({ has: this.page.getByRole('heading', { name, exact: true }) });
  }

  /** Opens a batch by its address, as the list would: the list has tests of its own. */
  async openBatch(name: string): Promise<void> {
    const answer = await this.page.request.get(`${routes.batches}?pageSize=100`);
    const { items } = (await answer.json()) as BatchPage;
    await this.page.goto(`/batches/${items.find((b) => b.name === name)!.id}`);
    await this.page.getByLabel('Name of the batch').waitFor();
  }

  /** A batch, open at Base: without a plan an empty one, whose oils stay as they are set, whatever the mould. */
  async create(plan: Plan = emptyPlan()): Promise<void> {
    const made = await this.page.request.post(routes.batches, {
      data: { name: 'Untitled batch', state: 'idea', madeOn: null, plan },
    });
    const { id } = (await made.json()) as BatchDocument;
    await this.page.goto(`/batches/${id}/base`);
    await this.page.getByLabel('Name of the batch').waitFor();
  }
}
