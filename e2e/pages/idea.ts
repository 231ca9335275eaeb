import { expect, type Locator, type Page } from '@playwright/test';

/** The Idea step of an open batch. */
export class IdeaPage {
  constructor(private readonly page: Page) {}

  async source(name: 'Reach' | 'Photo' | 'File' | 'Saved'): Promise<void> {
    await this.page.getByLabel('Where colours come from').getByText(name, { exact: true }).click();
  }

  get palette(): Locator {
    return this.page.getByRole('region', { name: 'Palette' });
  }

  colour(name: string): Locator {
    return this.palette.getByRole('listitem', { name, exact: true });
  }

  /** Waits until the shelf has answered for every colour. */
  async matched(count: number): Promise<void> {
    await expect(this.palette.locator('.wanted')).toHaveCount(count);
    await expect(this.palette.locator('.wanted').filter({ hasText: 'ΔE' })).toHaveCount(count);
  }

  /** The only technique in the mould. */
  async technique(name: string): Promise<void> {
    const remove = this.page
      .getByRole('region', { name: 'Techniques' })
      .locator('.ant-select-selection-item-remove');
    for (let left = await remove.count(); left > 0; left--) {
      await remove.first().click();
      await expect(remove).toHaveCount(left - 1);
    }
    await this.addTechnique(name);
  }

  /** One more technique in the mould, after those that are there. */
  async addTechnique(name: string): Promise<void> {
    await this.page.getByRole('combobox', { name: 'Techniques in the mould' }).click();
    await this.page
      .locator('.ant-select-dropdown:visible .ant-select-item-option')
      .filter({ hasText: name })
      .first()
      .click();
    await this.page.keyboard.press('Escape');
  }

  async file(label: string, name: string, content: string | Buffer, mimeType: string): Promise<void> {
    await this.page
      .getByLabel(label, { exact: true })
      .setInputFiles({ name, mimeType, buffer: Buffer.from(content) });
  }

  /** A picture of vertical stripes, made by the browser itself. */
  async picture(colours: readonly string[], width: number, height: number, type: string): Promise<Buffer> {
    const url = await this.page.evaluate(
      ([list, w, h, mime]) => {
        const canvas = document.createElement('canvas');
        canvas.width = w;
        canvas.height = h;
        const context = canvas.getContext('2d')!;
        list.forEach((colour, i) => {
          context.fillStyle = colour;
          context.fillRect((i * w) / list.length, 0, w / list.length + 1, h);
        });
        return canvas.toDataURL(mime, 0.95);
      },
      [colours, width, height, type] as const,
    );
    return Buffer.from(url.split(',')[1]!, 'base64');
  }
}
