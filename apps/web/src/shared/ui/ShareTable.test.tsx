import { render, screen, within } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { ShareTable } from './ShareTable.tsx';

const onRemove = jest.fn();
const rows = [
  { id: 'a', name: 'Olive', field: '40 %', figure: '400 g', removeLabel: 'Remove Olive', onRemove },
  {
    id: 'b',
    name: 'Castor',
    about: 'thick',
    field: '5 %',
    figure: '50 g',
    removeLabel: 'Remove Castor',
    onRemove: jest.fn(),
  },
];

it('lists each material with its share and what it makes, and takes one out', async () => {
  render(<ShareTable head={['Oil', 'Share', 'Mass']} rows={rows} />);
  expect(screen.getAllByRole('columnheader').map((h) => h.textContent)).toEqual([
    'Oil',
    'Share',
    'Mass',
    'Remove',
  ]);
  const castor = screen.getByRole('row', { name: /Castor/ });
  expect(castor).toHaveTextContent('Castorthick5 %50 g');
  await userEvent.click(screen.getByRole('button', { name: 'Remove Olive' }));
  expect(onRemove).toHaveBeenCalledTimes(1);
});

it('says when the shares do not add up, not by colour alone', () => {
  const { rerender } = render(
    <ShareTable rows={rows} sum={{ share: '45.00 %', figure: '450 g', off: true }} />,
  );
  const total = () => within(screen.getByRole('row', { name: /Together/ })).getAllByRole('cell')[0]!;
  expect(total()).toHaveTextContent('45.00 %');
  expect(total()).toHaveClass('off');
  rerender(<ShareTable rows={rows} sum={{ share: '100.00 %', figure: '450 g', off: false }} />);
  expect(total()).not.toHaveClass('off');
});
