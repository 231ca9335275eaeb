import { render, screen, waitFor } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { useState } from 'react';
import { ColourPicker } from './ColourPicker.tsx';

const hexField = (): HTMLInputElement | null => document.querySelector('.ant-color-picker-hex-input input');

function Sample({ told }: { readonly told: (hex: string) => void }) {
  const [hex, setHex] = useState('#3f62ae');
  return (
    <ColourPicker
      value={hex}
      label={`Wanted ${hex}`}
      onPick={(next) => {
        told(next);
        setHex(next);
      }}
    />
  );
}

it('shows the colour, opens on a press, tells what was picked and keeps the focus', async () => {
  const user = userEvent.setup();
  const told = jest.fn();
  render(<Sample told={told} />);
  const button = screen.getByRole('button', { name: 'Wanted #3f62ae' });
  expect(button).toHaveTextContent('#3f62ae');
  expect(button).toHaveAttribute('aria-expanded', 'false');
  expect(hexField()).toBeNull();

  button.focus();
  await user.keyboard('{Enter}');
  expect(button).toHaveAttribute('aria-expanded', 'true');
  await waitFor(() => {
    expect(hexField()).not.toBeNull();
  });
  expect(button).toHaveFocus();

  await user.clear(hexField()!);
  await user.type(hexField()!, 'b04030');
  await waitFor(() => {
    expect(told).toHaveBeenLastCalledWith('#b04030');
  });
  expect(screen.getByRole('button', { name: 'Wanted #b04030' })).toBe(button);
});

it('shows what it is given instead of the colour', () => {
  render(
    <ColourPicker value={null} label="Add a colour" onPick={jest.fn()}>
      Colour
    </ColourPicker>,
  );
  expect(screen.getByRole('button', { name: 'Add a colour' })).toHaveTextContent(/^Colour$/);
});
