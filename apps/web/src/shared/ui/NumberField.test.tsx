import { screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { useState } from 'react';
import { metricUnits } from '@kleur/core/units';
import { renderIn, testStore } from '../../../test/render.tsx';
import { NumberField } from './NumberField.tsx';

const commits: number[] = [];
let cleared = 0;
beforeEach(() => {
  commits.length = 0;
  cleared = 0;
});

/** A field over a state, as the rooms use it. */
function Held({ start, clearable = false }: { start: number | null; clearable?: boolean }) {
  const [value, setValue] = useState(start);
  return (
    <NumberField
      label="Superfat"
      value={value}
      min={0}
      max={12.5}
      step={0.5}
      suffix="%"
      onCommit={(v) => {
        commits.push(v);
        setValue(v);
      }}
      onClear={
        clearable
          ? () => {
              cleared += 1;
              setValue(null);
            }
          : undefined
      }
    />
  );
}
const field = () => screen.getByLabelText<HTMLInputElement>('Superfat');

it('commits a usable number at once, with comma or point', async () => {
  renderIn(await testStore(), <Held start={5} />);
  await userEvent.clear(field());
  await userEvent.type(field(), '7,5');
  expect(commits.at(-1)).toBe(7.5);
  expect(field()).toHaveValue('7,5');
});

it.each([
  ['', 'Enter a number'],
  ['abc', 'Not a number'],
  ['-1', 'At least 0'],
  ['12.6', 'At most 12.5'],
])('keeps "%s" in the field, says “%s”, and lets the last value stand', async (text, message) => {
  renderIn(await testStore(), <Held start={5} />);
  await userEvent.clear(field());
  if (text) await userEvent.type(field(), text);
  expect(screen.getByText(message)).toBeVisible();
  expect(field()).toHaveAttribute('aria-invalid', 'true');
  expect(commits.every((v) => v >= 0 && v <= 12.5)).toBe(true);
  await userEvent.type(field(), '{Escape}');
  expect(screen.queryByText(message)).not.toBeInTheDocument();
});

it('shows the maker’s decimal mark, in its messages too', async () => {
  const units = { ...metricUnits, decimalMark: 'comma' } as const;
  renderIn(await testStore({ units }), <Held start={2.25} />);
  expect(field()).toHaveValue('2,25');
  await userEvent.clear(field());
  await userEvent.type(field(), '99');
  expect(screen.getByText('At most 12,5')).toBeVisible();
});

it('moves by arrow keys within its limits, and clears only where that is allowed', async () => {
  const { unmount } = renderIn(await testStore(), <Held start={12.2} />);
  await userEvent.type(field(), '{ArrowUp}{ArrowUp}{ArrowDown}');
  expect(commits).toEqual([12.5, 12.5, 12]);
  unmount();
  renderIn(await testStore(), <Held start={3} clearable />);
  await userEvent.clear(field());
  expect(cleared).toBe(1);
  expect(screen.queryByText('Enter a number')).not.toBeInTheDocument();
});

it('asks where a separator could mean one or one thousand, and leaves the value as it was', async () => {
  renderIn(await testStore(), <Held start={5} />);
  await userEvent.clear(field());
  await userEvent.type(field(), '1,000');
  expect(screen.getByText(/One, or one thousand\?/)).toBeVisible();
  expect(commits.at(-1)).toBe(5);
  expect(field()).toHaveValue('1,000');
});
