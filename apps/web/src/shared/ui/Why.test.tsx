import { render, screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { Figure } from './Why.tsx';

it('works the arithmetic out when it is opened, from the newest figures', async () => {
  let asked = 0;
  const lines = (text: string) => () => {
    asked += 1;
    return [text];
  };
  const { rerender } = render(
    <Figure label="Liquid" why={lines('271 g')}>
      271 g
    </Figure>,
  );
  rerender(
    <Figure label="Liquid" why={lines('280 g, of all')}>
      280 g
    </Figure>,
  );
  expect(asked).toBe(0);
  expect(screen.getByText('280 g')).toBeVisible();
  await userEvent.click(screen.getByRole('button', { name: 'Why: Liquid' }));
  expect(await screen.findByText('280 g, of all')).toBeInTheDocument();
  expect(asked).toBeGreaterThan(0);
});

it('has no question mark where there is no arithmetic', () => {
  render(<Figure label="Bars">9</Figure>);
  expect(screen.queryByRole('button')).not.toBeInTheDocument();
});
