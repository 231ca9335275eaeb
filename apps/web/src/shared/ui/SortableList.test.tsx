import { render, screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { SortableList } from './SortableList.tsx';

const items = [
  { id: 'mist', label: 'mist with alcohol' },
  { id: 'oven', label: 'warm oven' },
];

it('lists in order and takes one out', async () => {
  const onRemove = jest.fn();
  render(<SortableList label="After the pour" items={items} onOrder={jest.fn()} onRemove={onRemove} />);
  expect(screen.getByRole('list', { name: 'After the pour' })).toBeVisible();
  expect(screen.getAllByRole('listitem').map((i) => i.textContent)).toEqual(items.map((i) => i.label));
  await userEvent.click(screen.getByRole('button', { name: 'Leave out warm oven' }));
  expect(onRemove).toHaveBeenCalledWith('oven');
});

it('gives each item a handle that tells how it is moved by key', () => {
  render(<SortableList label="After the pour" items={items} onOrder={jest.fn()} onRemove={jest.fn()} />);
  expect(screen.getByRole('button', { name: 'Move warm oven' })).toHaveAccessibleDescription(
    /Space picks it up .* arrow keys/,
  );
});
