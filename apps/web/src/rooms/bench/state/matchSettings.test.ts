import { fakeStorage } from '../../../../test/storage.ts';

/** Settings of the match in this browser: what is read back must be usable whatever lies in storage. */
const store = fakeStorage();
const stored = store.kept;

async function fresh() {
  jest.resetModules();
  return import('./matchSettings.ts');
}
beforeEach(() => {
  stored.clear();
  store.failing = null;
});

it('starts with what is in stock and three colourants', async () => {
  const { readMatchSettings } = await fresh();
  expect(readMatchSettings()).toMatchObject({
    most: 3,
    filter: { inStock: true, natural: false, exclude: [] },
  });
});

it('is kept and read back', async () => {
  const one = await fresh();
  one.setMatchSettings({ most: 2, filter: { ...one.readMatchSettings().filter, vegan: true } });
  const two = await fresh();
  expect(two.readMatchSettings()).toMatchObject({ most: 2, filter: { vegan: true } });
});

it.each(['{"most":', '{"most":99}', 'null', '[]', '{"filter":null}'])(
  'takes %s for nothing stored',
  async (text) => {
    stored.set('kleur.match', text);
    const { readMatchSettings } = await fresh();
    expect(readMatchSettings()).toMatchObject({ most: 3, filter: { inStock: true } });
  },
);

it('goes on without storage', async () => {
  const { readMatchSettings, setMatchSettings } = await fresh();
  store.failing = 'QuotaExceededError';
  setMatchSettings({ most: 1 });
  expect(readMatchSettings().most).toBe(1);
});
