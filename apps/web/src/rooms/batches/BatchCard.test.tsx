import { screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { renderIn, testStore } from '../../../test/render.tsx';
import { BatchCard } from './BatchCard.tsx';

const nothing = () => undefined;
async function show(onHold: boolean) {
  const batch = {
    id: 'b',
    name: 'Rust',
    state: 'finished',
    madeOn: '2026-03-09',
    totalOils: 900,
    face: [],
    onHold,
    version: 1,
    updatedAt: '',
  } as const;
  renderIn(
    await testStore(),
    <MemoryRouter>
      <BatchCard
        batch={batch}
        nearest={null}
        marked={null}
        onMark={nothing}
        onCopy={nothing}
        onDelete={nothing}
      />
    </MemoryRouter>,
  );
}

it('tells the state', async () => {
  await show(false);
  expect(screen.getByText('Finished')).toBeVisible();
  expect(screen.queryByText('On hold')).toBeNull();
});

it('soap on hold is not called finished', async () => {
  await show(true);
  expect(screen.getByText('On hold')).toBeVisible();
  expect(screen.queryByText('Finished')).toBeNull();
});
