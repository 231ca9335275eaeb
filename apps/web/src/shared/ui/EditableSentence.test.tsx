import { render, screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { EditableSentence } from './EditableSentence.tsx';

const parts = [
  { key: 'place', label: 'Where it goes', text: 'into the mould', editor: <input aria-label="Place" /> },
  { key: 'hours', label: 'When', text: 'with the others', editor: <button type="button">Sooner</button> },
];
const phrase = (name: string) => screen.getByRole('button', { name });

it('reads as a sentence, and opens one phrase at a time with the focus in its fields', async () => {
  render(<EditableSentence label="How it goes" parts={parts} />);
  expect(screen.getByRole('group', { name: 'How it goes' })).toHaveTextContent(
    'Into the mould · with the others',
  );
  await userEvent.click(phrase('Where it goes: into the mould'));
  expect(screen.getByLabelText('Place')).toHaveFocus();
  expect(phrase('Where it goes: into the mould')).toHaveAttribute('aria-expanded', 'true');
  await userEvent.click(phrase('When: with the others'));
  expect(screen.queryByLabelText('Place')).toBeNull();
  expect(screen.getByRole('button', { name: 'Sooner' })).toHaveFocus();
  await userEvent.click(phrase('When: with the others'));
  expect(screen.queryByRole('button', { name: 'Sooner' })).toBeNull();
});

it('closes with Escape and gives the focus back to its phrase', async () => {
  render(<EditableSentence label="How it goes" parts={parts} />);
  phrase('Where it goes: into the mould').focus();
  await userEvent.keyboard('{Enter}');
  expect(screen.getByLabelText('Place')).toHaveFocus();
  await userEvent.keyboard('{Escape}');
  expect(screen.queryByLabelText('Place')).toBeNull();
  expect(phrase('Where it goes: into the mould')).toHaveFocus();
});
