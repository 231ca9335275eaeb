import { type Locator, type Page } from '@playwright/test';

export class ShelfPage {
  constructor(private readonly page: Page) {}

  async open(query = ''): Promise<void> {
    await this.page.goto(`/shelf${query}`);
    await this.page.getByRole('heading', { name: 'Shelf', exact: true }).waitFor();
  }

  row(name: string): Locator {
    return this.page.getByRole('listitem').filter({ has: this.page.getByText(name, { exact: true }) });
  }

  get editor(): Locator {
    return this.page.getByRole('dialog');
  }
}
