import { fireEvent, render, screen, within } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { type ComparedPot, type GelSeen } from '@kleur/core/evidence';
import { FAULT_IDS } from '@kleur/core/record';
import { renderIn, testStore } from '../../../../test/render.tsx';
import { FaultPicture } from './FaultPicture.tsx';
import { GelSeenBar } from './GelSeenBar.tsx';
import { SeenBands } from './SeenBands.tsx';
import { nextName } from './useNextVersion.ts';

const pot = (change: Partial<ComparedPot> = {}): ComparedPot => ({
  potId: 'a',
  name: 'Red wall',
  share: 1,
  planned: [45, 30, 25],
  made: [45, 30, 25],
  seen: [40, 30, 25],
  hours: 1008,
  readings: [],
  doubt: 2.5,
  seenDoubt: 3,
  plannedToMade: 0,
  plannedToSeen: 4.9,
  madeToSeen: 4.9,
  words: 'darker',
  within: false,
  ...change,
});

it('says how a pot came out beside what was planned, and whether that was to be expected', async () => {
  renderIn(
    await testStore(),
    <SeenBands
      pots={[
        pot(),
        pot({
          potId: 'b',
          name: 'Rim',
          seen: null,
          words: null,
          plannedToSeen: null,
          madeToSeen: null,
          within: null,
        }),
      ]}
      selectedId="a"
      onSelect={() => undefined}
    />,
  );
  const red = within(screen.getByRole('listitem', { name: 'Red wall' }));
  expect(red.getByText('Darker than planned.')).toBeInTheDocument();
  expect(red.getByText(/^Outside what was to be expected: model ± 2.5, reading ± 3/)).toBeInTheDocument();
  expect(red.getByRole('button')).toHaveAccessibleName(/planned .* #[0-9a-f]{6}, made .*, seen /);
  expect(within(screen.getByRole('listitem', { name: 'Rim' })).getByText('not read yet')).toBeInTheDocument();
});

it('takes the gel by one tap, asks how wide a ring is, and takes it back by a second tap', async () => {
  const user = userEvent.setup();
  const told: (GelSeen | null)[] = [];
  const store = await testStore();
  const { unmount } = renderIn(store, <GelSeenBar gel={null} onChange={(g) => told.push(g)} />);
  await user.click(screen.getByRole('button', { name: 'A ring' }));
  expect(told).toEqual([{ how: 'ring', rim: 10 }]);
  unmount();
  renderIn(store, <GelSeenBar gel={{ how: 'ring', rim: 10 }} onChange={(g) => told.push(g)} />);
  fireEvent.change(screen.getByRole('textbox', { name: 'Width of the pale rim' }), {
    target: { value: '14' },
  });
  expect(told.at(-1)).toEqual({ how: 'ring', rim: 14 });
  await user.click(screen.getByRole('button', { name: 'A ring' }));
  expect(told.at(-1)).toBeNull();
});

it('has a drawing of its own for every fault', () => {
  const drawn = FAULT_IDS.map((fault) => render(<FaultPicture fault={fault} />).container.innerHTML);
  expect(new Set(drawn).size).toBe(FAULT_IDS.length);
});

it('names the next version after the first one', () => {
  expect(nextName('Roofs', [{ name: 'Roofs' }])).toBe('Roofs, version 2');
  expect(nextName('Roofs, version 2', [{ name: 'Roofs' }, { name: 'Roofs, version 2' }])).toBe(
    'Roofs, version 3',
  );
  expect(nextName('Roofs', [{ name: 'Roofs' }, { name: 'Other' }, { name: 'Third' }])).toBe(
    'Roofs, version 4',
  );
  expect(nextName('x'.repeat(80), [{ name: 'x' }])).toHaveLength(80);
});
