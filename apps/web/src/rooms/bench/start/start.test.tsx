import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { ChoiceCards } from './ChoiceCards.tsx';
import { hexOfText, nameOfColour } from './wantedColour.ts';

const choices = ['Loaf', 'Slab', 'Column'].map((name) => ({ key: name, name, about: `A ${name}` }));

function Example() {
  const [value, setValue] = useState('Loaf');
  return <ChoiceCards label="Mould" choices={choices} value={value} onChoose={setValue} />;
}

it('one card is chosen, by a press or by the arrow keys, round and round', () => {
  render(<Example />);
  const chosen = (): string | null => screen.getByRole('radio', { checked: true }).textContent;
  fireEvent.click(screen.getByRole('radio', { name: /^Slab/ }));
  expect(chosen()).toMatch(/^Slab/);
  const group = screen.getByRole('radiogroup', { name: 'Mould' });
  fireEvent.keyDown(group, { key: 'ArrowRight' });
  expect(chosen()).toMatch(/^Column/);
  expect(document.activeElement).toBe(screen.getByRole('radio', { checked: true }));
  fireEvent.keyDown(group, { key: 'ArrowDown' });
  expect(chosen()).toMatch(/^Loaf/);
  fireEvent.keyDown(group, { key: 'ArrowLeft' });
  expect(chosen()).toMatch(/^Column/);
  // Only the chosen one is a stop of the Tab key.
  expect(screen.getAllByRole('radio').map((r) => r.tabIndex)).toEqual([-1, -1, 0]);
});

it('a colour is read from hex or words, and names its pot by the words', () => {
  expect(hexOfText('#2F5D8a')).toBe('#2f5d8a');
  expect(hexOfText(' 2f5d8a ')).toBe('#2f5d8a');
  expect(hexOfText('dark teal')).toMatch(/^#[0-9a-f]{6}$/);
  expect(hexOfText('dark')).toBeNull();
  expect(hexOfText('#12')).toBeNull();
  expect(nameOfColour({ text: 'dark teal', hex: '#000000' }, 0)).toBe('Dark teal');
  expect(nameOfColour({ text: '#2f5d8a', hex: '#2f5d8a' }, 2)).toBe('Colour 3');
});
