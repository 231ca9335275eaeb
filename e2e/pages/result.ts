import { expect, type Locator, type Page } from '@playwright/test';
import { PATCHES } from '../photo.ts';

/** The step in which a batch is looked at after its pour. */
export class ResultPage {
  constructor(private readonly page: Page) {}

  /** One pot with its bands. */
  pot(name: string): Locator {
    return this.page.getByRole('listitem', { name, exact: true });
  }

  get readings(): Locator {
    return this.page.getByRole('region', { name: 'Readings' }).getByRole('listitem');
  }

  /** Takes every reading of the batch that lies open back, so that a test starts from none. */
  async clearReadings(): Promise<void> {
    const id = /batches\/([^/]+)/.exec(this.page.url())![1]!;
    const readings = (await (await this.page.request.get(`/api/batches/${id}/readings`)).json()) as {
      id: string;
    }[];
    for (const reading of readings) {
      const gone = await this.page.request.delete(`/api/batches/${id}/readings/${reading.id}`);
      expect(gone.ok()).toBe(true);
    }
    await this.page.reload();
  }

  async openPhoto(file: { name: string; mimeType: string; buffer: Buffer }): Promise<void> {
    await this.page.getByLabel('Choose a photo').setInputFiles(file);
  }

  /** Taps the patches of the card, then places in the photo. */
  async tapPhoto(...bars: (readonly [number, number])[]): Promise<void> {
    for (const place of [PATCHES.white, PATCHES.grey, PATCHES.black, ...bars]) await this.tapBar(place);
  }

  /** Taps one place of the photo, as parts of its sides: what is in hand is put there. */
  async tapBar([x, y]: readonly [number, number]): Promise<void> {
    const photo = this.page.getByRole('img', { name: /^The photo/ });
    await photo.waitFor();
    const box = (await photo.boundingBox())!;
    await photo.click({ position: { x: x * box.width, y: y * box.height } });
  }
}
