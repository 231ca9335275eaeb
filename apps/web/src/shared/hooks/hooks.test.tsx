import { act, render, renderHook, screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { type ReactNode } from 'react';
import { MemoryRouter, useLocation } from 'react-router';
import { useAddress } from './useAddress.ts';
import { useKeys } from './useKeys.ts';
import { useStable } from './useStable.ts';
import { useUndoNotice } from './useUndoNotice.tsx';
import { Notices } from '../ui/Notices.tsx';

describe('page-wide keys', () => {
  const pressed: string[] = [];
  function Sample() {
    useKeys({
      n: () => pressed.push('n'),
      'mod+z': () => pressed.push('undo'),
      'mod+shift+z': () => pressed.push('redo'),
    });
    return <input aria-label="Text" />;
  }
  beforeEach(() => void pressed.splice(0));

  it('tell letters, Ctrl and Shift apart', async () => {
    const user = userEvent.setup();
    render(<Sample />);
    await user.keyboard('nx{Control>}z{/Control}{Control>}{Shift>}Z{/Shift}{/Control}{Alt>}n{/Alt}');
    expect(pressed).toEqual(['n', 'undo', 'redo']);
  });

  it('leave plain letters to a field that is typed into', async () => {
    const user = userEvent.setup();
    render(<Sample />);
    await user.click(screen.getByLabelText('Text'));
    await user.keyboard('n');
    expect(pressed).toEqual([]);
    expect(screen.getByLabelText('Text')).toHaveValue('n');
  });
});

describe('filters in the address', () => {
  const wrapper = ({ children }: { readonly children: ReactNode }) => (
    <MemoryRouter initialEntries={['/?kind=clay&claim=vegan']}>{children}</MemoryRouter>
  );
  it('set what they name, several at once, and take out what is empty', () => {
    const { result } = renderHook(() => ({ address: useAddress(), at: useLocation().search }), { wrapper });
    act(() => {
      result.current.address[1]({ q: 'moss', claim: ['natural', 'stable'] });
    });
    expect(result.current.at).toBe('?kind=clay&q=moss&claim=natural&claim=stable');
    act(() => {
      result.current.address[1]({ kind: '', claim: [] });
    });
    expect(result.current.at).toBe('?q=moss');
    expect(result.current.address[0].get('q')).toBe('moss');
  });
});

it('a stable function stays the same and calls the newest one', () => {
  const { result, rerender } = renderHook(({ n }) => useStable((m: number) => n * m), {
    initialProps: { n: 2 },
  });
  const first = result.current;
  expect(first(3)).toBe(6);
  rerender({ n: 10 });
  expect(result.current).toBe(first);
  expect(first(3)).toBe(30);
});

it('a deletion is told with a button that takes it back, once', async () => {
  const undo = jest.fn();
  function Sample() {
    const notice = useUndoNotice();
    return (
      <button
        type="button"
        onClick={() => {
          notice({ key: 'k', title: '“Moss” was deleted', undo });
        }}
      >
        Delete
      </button>
    );
  }
  render(
    <Notices>
      <Sample />
    </Notices>,
  );
  await userEvent.click(screen.getByRole('button', { name: 'Delete' }));
  expect(await screen.findByText('“Moss” was deleted')).toBeInTheDocument();
  await userEvent.click(screen.getByRole('button', { name: 'Undo' }));
  expect(undo).toHaveBeenCalledTimes(1);
});
