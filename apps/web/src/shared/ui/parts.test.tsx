import { fireEvent, render, screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { useState } from 'react';
import { MemoryRouter, useLocation } from 'react-router';
import { renderIn, testStore } from '../../../test/render.tsx';
import { usePart } from '../hooks/usePart.ts';
import { EmptyState } from './EmptyState.tsx';
import { FileButton } from './FileButton.tsx';
import { LevelMark } from './Levels.tsx';
import { PartTabs } from './PartTabs.tsx';
import { metricUnits } from '@kleur/core/units';
import { LengthField, MassField, TemperatureField } from './Quantity.tsx';

describe('an empty place', () => {
  it('says what it is for, and is told aloud where that is wanted', () => {
    render(
      <EmptyState title="No batch yet" role="alert" action={<button type="button">New</button>}>
        Start with the oils.
      </EmptyState>,
    );
    expect(screen.getByRole('alert')).toHaveTextContent('No batch yetStart with the oils.New');
    expect(screen.getByRole('heading', { name: 'No batch yet' })).toBeVisible();
  });
});

describe('the mark of a level', () => {
  it.each([
    ['stop', 'Stop: 2'],
    ['warn', 'Warning: 2'],
    ['tip', 'Tip: 2'],
  ] as const)('%s is a word besides its shape', (level, said) => {
    render(<LevelMark level={level} count={2} />);
    expect(screen.getByRole('img', { name: said })).toHaveTextContent('2');
  });

  it('shows no count for one', () => {
    render(<LevelMark level="warn" count={1} />);
    expect(screen.getByRole('img', { name: 'Warning: 1' })).toHaveTextContent('');
  });
});

describe('a file button', () => {
  it('hands over the file, also the same one twice', async () => {
    const files: string[] = [];
    render(
      <FileButton
        label="Choose a palette file"
        icon={null}
        text="Choose"
        accept=".gpl"
        onFile={(f) => files.push(f.name)}
      />,
    );
    const file = new File(['GIMP Palette'], 'moss.gpl');
    const field = screen.getByLabelText('Choose a palette file');
    await userEvent.upload(field, file);
    await userEvent.upload(field, file);
    expect(files).toEqual(['moss.gpl', 'moss.gpl']);
  });
});

describe('the parts of a step', () => {
  const PARTS = [
    { key: 'oils', label: 'Oils' },
    { key: 'mould', label: 'Mould' },
  ] as const;
  function Step() {
    const part = usePart(PARTS.map((p) => p.key));
    const { search } = useLocation();
    return (
      <>
        <PartTabs label="Parts" parts={PARTS} current={part} />
        <output>{search}</output>
      </>
    );
  }
  const show = (at: string) =>
    render(
      <MemoryRouter initialEntries={[at]}>
        <Step />
      </MemoryRouter>,
    );

  it('are kept in the address beside what is there', async () => {
    show('/?pot=a');
    expect(screen.getByRole('tab', { name: 'Oils' })).toHaveAttribute('aria-selected', 'true');
    await userEvent.click(screen.getByRole('tab', { name: 'Mould' }));
    expect(screen.getByRole('tab', { name: 'Mould' })).toHaveAttribute('aria-selected', 'true');
    expect(screen.getByRole('status')).toHaveTextContent('?pot=a&part=mould');
  });

  it('are gone through with the arrow keys, and name what they hold', async () => {
    show('/');
    screen.getByRole('tab', { name: 'Oils' }).focus();
    await userEvent.keyboard('{ArrowLeft}');
    expect(screen.getByRole('tab', { name: 'Mould' })).toHaveFocus();
    expect(screen.getByRole('tabpanel', { name: 'Mould' })).toBeInTheDocument();
    await userEvent.keyboard('{Home}');
    expect(screen.getByRole('tabpanel', { name: 'Oils' })).toBeInTheDocument();
  });

  it('begin with the first where the address names none of them', () => {
    show('/?part=nothing');
    expect(screen.getByRole('tab', { name: 'Oils' })).toHaveAttribute('aria-selected', 'true');
  });
});

describe('a quantity', () => {
  const told: number[] = [];
  function Held({ Field, start }: { Field: typeof MassField; start: number }) {
    const [value, setValue] = useState(start);
    return (
      <Field
        label="Amount"
        value={value}
        min={-50}
        max={5000}
        step={10}
        onCommit={(v) => {
          told.push(v);
          setValue(v);
        }}
      />
    );
  }
  const units = { ...metricUnits, mass: 'oz', length: 'in', temperature: 'F' } as const;
  beforeEach(() => void told.splice(0));

  it('in pounds is typed with its ounces too, whatever the decimal mark', async () => {
    const store = await testStore({ units: { ...metricUnits, mass: 'lb', decimalMark: 'comma' } });
    renderIn(store, <Held Field={MassField} start={1000} />);
    const field = screen.getByLabelText('Amount');
    expect(field).toHaveValue('2 lb 3,274 oz');
    // 2.125 lb: three figures behind the mark are no thousands here.
    fireEvent.change(field, { target: { value: '2 lb 2 oz' } });
    expect(told.at(-1)).toBeCloseTo(2.125 * 453.59237, 6);
    fireEvent.change(field, { target: { value: '99 lb' } });
    expect(screen.getByRole('alert')).toBeVisible();
  });

  it('below a kilogram is typed in grams, in the unit that it began with', async () => {
    renderIn(
      await testStore({ units: { ...metricUnits, mass: 'kg' } }),
      <Held Field={MassField} start={12.6} />,
    );
    const field = screen.getByLabelText('Amount');
    expect(field).toHaveValue('12.6');
    fireEvent.change(field, { target: { value: '1200' } });
    expect(told.at(-1)).toBe(1200);
    expect(field).toHaveValue('1200');
  });

  it.each([
    // 1080 / 28.3495; 254 / 25.4; 32 × 1.8 + 32
    ['mass', MassField, 1080, '38.096', '10', 283.495],
    ['length', LengthField, 254, '10', '5', 127],
    ['temperature', TemperatureField, 32, '90', '100', 37.778],
  ] as const)(
    'of %s is held in ours and typed in the maker’s unit',
    async (_what, Field, held, shown, typed, kept) => {
      renderIn(await testStore({ units }), <Held Field={Field} start={held} />);
      const field = screen.getByLabelText('Amount');
      expect(field).toHaveValue(shown);
      await userEvent.clear(field);
      await userEvent.type(field, typed);
      expect(told.at(-1)).toBeCloseTo(kept, 2);
    },
  );

  it('refuses in the maker’s unit what is out of range', async () => {
    renderIn(await testStore({ units }), <Held Field={LengthField} start={254} />);
    await userEvent.clear(screen.getByLabelText('Amount'));
    await userEvent.type(screen.getByLabelText('Amount'), '197');
    // 5000 / 25.4
    expect(screen.getByRole('alert')).toHaveTextContent('At most 196.85');
  });
});
