import { expect, type Locator, type Page } from '@playwright/test';

/** The open batch. */
export class BenchPage {
  constructor(private readonly page: Page) {}

  get saved(): Locator {
    return this.page.locator('.save-saved');
  }

  async waitSaved(): Promise<void> {
    await expect(this.saved).toBeVisible();
  }

  async step(name: 'Idea' | 'Base' | 'Pots' | 'Prep' | 'Make' | 'Result'): Promise<void> {
    await this.page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name }).click();
    // The address changes before the step is drawn: what the step writes itself says that it stands.
    await expect(this.page.locator(`[data-step="${name.toLowerCase()}"]:not([inert])`)).toBeVisible();
  }

  async pick(label: string, name: string): Promise<void> {
    await this.page.getByRole('combobox', { name: label }).fill(name);
    await this.page.locator('.ant-select-item-option').filter({ hasText: name }).first().click();
  }

  /** Chooses in a list that is not typed into. */
  async choose(label: string, option: string | RegExp): Promise<void> {
    await this.page.getByRole('combobox', { name: label, exact: true }).click();
    await this.page
      .locator('.ant-select-dropdown:not(.ant-select-dropdown-hidden) .ant-select-item-option')
      .filter({ hasText: option })
      .first()
      .click();
  }

  /** Chooses one of a row of options, which may still move while the step settles. */
  async option(label: string, name: string): Promise<void> {
    const group = this.page.getByLabel(label);
    await expect(async () => {
      await group.getByText(name).click();
      await expect(group.getByRole('radio', { name })).toBeChecked({ timeout: 2000 });
    }).toPass();
  }

  /** Opens the fields of a phrase of the pot's sentence. */
  async phrase(about: string): Promise<void> {
    await this.page.getByRole('button', { name: new RegExp(`^${about}: `) }).click();
  }

  async part(name: string): Promise<void> {
    const tab = this.page.getByRole('tablist', { name: /^Parts of/ }).getByRole('tab', { name });
    await tab.click();
    await expect(tab).toHaveAttribute('aria-selected', 'true');
  }

  /** 1,000 g of olive, coconut, lard and castor at 40 : 30 : 25 : 5. */
  async addUsualOils(): Promise<void> {
    await this.addOil('Olive', '40');
    await this.addOil('Coconut, refined', '30');
    await this.addOil('Lard', '25');
    await this.addOil('Castor', '5');
  }

  /** A loaf mould of 250 × 80 mm, filled to 65 mm: 1,300 ml, nine bars of 25 mm. */
  async addBox(): Promise<void> {
    await this.part('Mould and bars');
    await this.choose('Add a mould', 'Box (loaf)');
    await this.fill('Length', '250');
    await this.fill('Width', '80');
    await this.fill('Filled to', '65');
  }

  /** The number in a figure such as “1434.3 g”. */
  async figure(label: string, within: Locator = this.page.locator('main')): Promise<number> {
    const text = await within
      .locator('dl > div')
      .filter({ has: this.page.locator('dt', { hasText: label }) })
      .locator('dd')
      .first()
      .innerText();
    return Number(/[\d.]+/.exec(text)![0]);
  }

  async fill(label: string, value: string): Promise<void> {
    await this.page.getByLabel(label, { exact: true }).fill(value);
    await this.page.getByLabel(label, { exact: true }).blur();
  }

  async addOil(name: string, percent: string): Promise<void> {
    await this.pick('Add an oil', name);
    await this.fill(`${name}, %`, percent);
  }

  async addPot(name: string, parts: string): Promise<void> {
    await this.page.getByTitle('New pot (P)').click();
    await expect(
      this.page.getByRole('radiogroup', { name: 'Selected pot' }).getByRole('radio').last(),
    ).toBeChecked();
    await this.fill('Name', name);
    await this.fill('Parts', parts);
  }

  async addDose(material: string, gramsPerKg: string): Promise<void> {
    await this.pick('Add a colourant or additive', material);
    await this.fill(`${material}, g/kg oils`, gramsPerKg);
  }

  pot(name: string): Locator {
    return this.page.getByRole('radio', { name: new RegExp(name) });
  }

  async select(name: string): Promise<void> {
    await this.pot(name).click();
    await expect(this.pot(name)).toBeChecked();
  }

  /** `#rrggbb` that the bench strip shows for a pot. */
  async colourOf(name: string): Promise<string> {
    const swatch = this.pot(name).locator('.pot-fill');
    await expect(swatch).toHaveAttribute('data-hex', /^#/);
    return (await swatch.getAttribute('data-hex'))!;
  }

  get time(): Locator {
    return this.page.getByRole('slider', { name: 'Time since the pour' });
  }

  async gel(label: 'No gel' | 'Half' | 'Full gel'): Promise<void> {
    await this.page.getByLabel('Gel', { exact: true }).getByText(label).click();
  }

  /** A section of the sheet, by how its title begins. */
  sheet(title: string): Locator {
    return this.page.getByRole('region', { name: new RegExp(`^${title}`) }).first();
  }

  /** A line of the sheet in a section. */
  line(title: string, text: RegExp | string): Locator {
    return this.sheet(title).getByRole('listitem').filter({ hasText: text });
  }

  /** A cup of the sheet by its pot. */
  cup(name: string): Locator {
    return this.page.getByRole('region', { name: new RegExp(`^Cup \\d+: ${name}$`) });
  }

  /** A pot of the sheet where it is coloured. */
  colouring(name: string): Locator {
    return this.page.getByRole('region', { name: new RegExp(`^\\d+\\. ${name}$`) });
  }
}
