import { screen, within } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { fakeStorage } from '../../../test/storage.ts';
import { renderIn, testStore } from '../../../test/render.tsx';
import { type Saving } from '../../data/saveQueue.ts';
import { unsent } from '../../data/unsent.ts';
import { Notices } from '../../shared/ui/Notices.tsx';
import { UnsentList } from './UnsentList.tsx';

fakeStorage();

async function show(...all: readonly Saving[]) {
  const store = await testStore();
  for (const [i, saving] of all.entries())
    store.dispatch(unsent.changed({ id: `b${i}`, batch: { name: `Batch ${i}`, saving } }));
  renderIn(
    store,
    <Notices>
      <MemoryRouter>
        <UnsentList />
      </MemoryRouter>
    </Notices>,
  );
}
const buttons = (row: HTMLElement) =>
  within(row)
    .queryAllByRole('button')
    .map((b) => b.textContent);

it('is not there while the server has everything', async () => {
  await show();
  expect(screen.queryByRole('region')).toBeNull();
});

it('tells of each batch how it stands, with the ways on that fit', async () => {
  await show(
    { status: 'saving' },
    { status: 'failed', message: 'No line.', retrying: true },
    { status: 'failed', message: 'No such pot.', retrying: false },
    { status: 'conflict' },
    { status: 'gone' },
  );
  const rows = screen.getAllByRole('listitem');
  expect(rows.map((r) => r.textContent)).toEqual([
    expect.stringContaining('is being sent'),
    expect.stringContaining('No line. It is safe in this browser and will be sent again.'),
    expect.stringContaining('No such pot. It is safe in this browser and is not sent again by itself.'),
    expect.stringContaining('Open it to choose.'),
    expect.stringContaining('was deleted elsewhere'),
  ]);
  expect(rows.map(buttons)).toEqual([
    [],
    ['Try now'],
    ['Save it as a new batch', 'Discard it'],
    [],
    ['Restore it', 'Save it as a new batch', 'Discard it'],
  ]);
  // One that is gone leads nowhere; the others open.
  expect(rows.map((r) => within(r).queryByRole('link') !== null)).toEqual([true, true, true, true, false]);
});
