import { type Locator, type Page } from '@playwright/test';

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

  async openBatch(name: string): Promise<void> {
    await this.open();
    await this.card(name).getByRole('link').click();
    await this.page.getByLabel('Name of the batch').waitFor();
  }

  async create(): Promise<void> {
    await this.open();
    await this.page.getByRole('button', { name: 'New batch' }).click();
    await this.page.getByLabel('Name of the batch').waitFor();
  }
}
