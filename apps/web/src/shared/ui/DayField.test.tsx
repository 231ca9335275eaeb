import { fireEvent, screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { useState } from 'react';
import { type DateOrder } from '@kleur/contract';
import { renderIn, testStore } from '../../../test/render.tsx';
import { DayField } from './DayField.tsx';

const picked: (string | null)[] = [];
beforeEach(() => void picked.splice(0));

function Held() {
  const [day, setDay] = useState<string | null>('2026-11-28');
  return (
    <DayField
      label="Day of making"
      value={day}
      onPick={(next) => {
        picked.push(next);
        setDay(next);
      }}
    />
  );
}
const show = async (dateOrder: DateOrder) => renderIn(await testStore({ dateOrder }), <Held />);
const type = async (text: string): Promise<void> => {
  await userEvent.click(screen.getByRole('button', { name: /^Day of making/ }));
  const field = await screen.findByRole('textbox', { name: 'Day of making' });
  fireEvent.change(field, { target: { value: text } });
  fireEvent.keyDown(field, { key: 'Enter', code: 'Enter', keyCode: 13 });
};

it.each([
  ['day-month-year', 'Sat 28 Nov 2026', '03/12/2026'],
  ['month-day-year', 'Sat, Nov 28, 2026', '12/03/2026'],
  ['year-month-day', '2026 Nov 28, Sat', '2026-12-03'],
] as const)('shows and takes a day in the order %s', async (order, shown, typed) => {
  await show(order);
  expect(screen.getByRole('button', { name: `Day of making: ${shown}` })).toBeVisible();
  await type(typed);
  expect(picked).toEqual(['2026-12-03']);
});

it('says when there is no day', async () => {
  renderIn(await testStore(), <DayField label="Day" value={null} onPick={jest.fn()} />);
  expect(screen.getByRole('button', { name: 'Day: No date' })).toBeVisible();
});

describe('in words', () => {
  // 27 November 2026 is a Friday.
  beforeEach(() =>
    jest.useFakeTimers({ now: new Date(2026, 10, 27, 20), doNotFake: ['setTimeout', 'queueMicrotask'] }),
  );
  afterEach(() => jest.useRealTimers());

  it('takes a word typed for a day', async () => {
    await show('day-month-year');
    await type('tomorrow');
    expect(picked).toEqual(['2026-11-28']);
  });

  it('offers the next days beside the calendar', async () => {
    await show('day-month-year');
    await userEvent.click(screen.getByRole('button', { name: /^Day of making/ }));
    fireEvent.click(await screen.findByText('Sunday'));
    expect(picked).toEqual(['2026-11-29']);
  });
});
