import { render, screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { type ComponentProps } from 'react';
import { ListRoom } from './ListRoom.tsx';

const onNew = jest.fn();
const onSearch = jest.fn();
const show = (change: Partial<ComponentProps<typeof ListRoom>> = {}) =>
  render(
    <ListRoom
      title="Shelf"
      search={{ label: 'Search', placeholder: 'Name', width: 200, value: '', onChange: onSearch }}
      tools={<button type="button">New</button>}
      onNew={onNew}
      failure={null}
      nothingFits={null}
      {...change}
    >
      <p>the list</p>
    </ListRoom>,
  );
beforeEach(() => jest.clearAllMocks());

it('leads to the search by / and to a new one by n, but not while something is typed', async () => {
  const user = userEvent.setup();
  show();
  await user.keyboard('n');
  expect(onNew).toHaveBeenCalledTimes(1);
  await user.keyboard('/');
  expect(screen.getByLabelText('Search')).toHaveFocus();
  await user.keyboard('n');
  expect(onNew).toHaveBeenCalledTimes(1);
  expect(onSearch).toHaveBeenLastCalledWith('n');
});

it('shows the list, or what is there instead of it', async () => {
  const user = userEvent.setup();
  const retry = jest.fn();
  const showAll = jest.fn();
  const { unmount } = show();
  expect(screen.getByText('the list')).toBeVisible();
  unmount();

  const failed = show({ failure: { title: 'Not loaded', error: new Error('no line'), retry } });
  expect(screen.getByRole('alert')).toHaveTextContent('Not loaded');
  expect(screen.queryByText('the list')).toBeNull();
  await user.click(screen.getByRole('button', { name: 'Try again' }));
  expect(retry).toHaveBeenCalledTimes(1);
  failed.unmount();

  const none = show({ nothingFits: { title: 'Nothing fits', advice: 'Fewer filters.', showAll } });
  expect(screen.getByRole('status')).toHaveTextContent('Fewer filters.');
  await user.click(screen.getByRole('button', { name: 'Show all' }));
  expect(showAll).toHaveBeenCalledTimes(1);
  none.unmount();

  show({ nothingYet: { title: 'No batch yet', advice: 'Start.', action: null } });
  expect(screen.getByText('No batch yet')).toBeVisible();
});
