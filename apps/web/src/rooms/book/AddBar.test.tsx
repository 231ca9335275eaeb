import { fireEvent, screen, waitFor } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { type MaterialWire, type TestBarSend } from '@kleur/contract';
import { type Material } from '@kleur/core/material';
import { startingShelf } from '@kleur/core/material/catalogue';
import { STARTING_BASES } from '@kleur/core/start';
import { renderIn, testStore } from '../../../test/render.tsx';
import { savedApi } from '../../data/saved.ts';
import { AddBar } from './AddBar.tsx';

const wire = (m: Material): MaterialWire => ({ ...m, version: 1, builtIn: true });
const shelf = startingShelf()
  .filter((m) => m.id === 'red-iron-oxide')
  .map(wire);
const [base] = STARTING_BASES;

let sent: TestBarSend[] = [];
beforeEach(() => {
  sent = [];
  globalThis.fetch = jest.fn(async (input: Request | string | URL) => {
    sent.push((await (input as Request).json()) as TestBarSend);
    return new Response('[]', { headers: { 'content-type': 'application/json' } });
  }) as typeof fetch;
});

async function show() {
  const store = await testStore();
  await store.dispatch(savedApi.util.upsertQueryData('recipes', undefined, []));
  const onClose = jest.fn();
  renderIn(store, <AddBar shelf={shelf} of="red-iron-oxide" onClose={onClose} />);
  const user = userEvent.setup();
  const keep = () => user.click(screen.getByRole('button', { name: 'Keep this bar' }));
  const fill = (label: string, value: string) => {
    fireEvent.change(screen.getByLabelText(label), { target: { value } });
    fireEvent.blur(screen.getByLabelText(label));
  };
  return { user, keep, fill, onClose };
}

it('sends what the bar is made of, and what its Lab was read with', async () => {
  const { user, keep, fill, onClose } = await show();
  fill('Dose', '2');
  await user.click(screen.getByRole('combobox', { name: 'Base' }));
  await user.click(screen.getByTitle(base!.name));
  fill('Colour', '48 26 28');
  fill('Instrument', ' Bench reader ');
  await user.click(screen.getByRole('switch', { name: 'It sees the gloss too' }));
  await keep();
  await waitFor(() => {
    expect(onClose).toHaveBeenCalledWith(sent[0]!.bars[0]!.id);
  });
  expect(sent[0]!.bars).toMatchObject([
    {
      doses: [{ materialId: 'red-iron-oxide', dose: 2 }],
      oils: base!.oils.map(([materialId, share]) => ({ materialId, share })),
      lab: [48, 26, 28],
      how: 'lab',
      instrument: 'Bench reader',
      hasGloss: true,
    },
  ]);
});

it('asks for no instrument of a colour that a screen shows', async () => {
  const { keep, fill } = await show();
  fill('Dose', '2');
  fill('Colour', '48 26 28');
  fill('Instrument', 'Bench reader');
  fill('Colour', '#b06a49');
  expect(screen.queryByLabelText('Instrument')).toBeNull();
  await keep();
  await waitFor(() => {
    expect(sent).toHaveLength(1);
  });
  expect(sent[0]!.bars[0]).toMatchObject({ how: 'hex', oils: [] });
  expect(sent[0]!.bars[0]).not.toHaveProperty('instrument');
});

it('keeps what was told where a dose is missing', async () => {
  const { keep, fill } = await show();
  fill('Colour', '48 26 28');
  await keep();
  expect(screen.getByRole('alert')).toHaveTextContent('more than 0 g/kg');
  expect(screen.getByLabelText('Colour')).toHaveValue('48 26 28');
  expect(sent).toEqual([]);
});
