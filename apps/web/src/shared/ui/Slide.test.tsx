import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { Slide } from './Slide.tsx';

/** A track of 200 px from the left edge. */
beforeEach(() => {
  jest
    .spyOn(HTMLElement.prototype, 'getBoundingClientRect')
    .mockReturnValue({ left: 0, width: 200, top: 0, height: 28 } as DOMRect);
  HTMLElement.prototype.setPointerCapture = jest.fn();
});
afterEach(() => {
  jest.restoreAllMocks();
});

const touched = jest.fn();

function Example() {
  const [value, setValue] = useState(0.5);
  return <Slide label="Strength" step={0.01} value={value} onChange={setValue} onTouched={touched} />;
}

function setUp(): { readonly slider: HTMLInputElement; readonly layer: Element } {
  touched.mockClear();
  render(<Example />);
  const slider = screen.getByRole<HTMLInputElement>('slider', { name: 'Strength' });
  return { slider, layer: slider.nextElementSibling! };
}

/** jsdom knows no pointer type: the fields are put on a plain event. */
function pointer(layer: Element, type: string, at: { x: number; y: number }, pointerType = 'touch'): void {
  const event = new MouseEvent(type, { bubbles: true, cancelable: true, clientX: at.x, clientY: at.y });
  fireEvent(layer, Object.assign(event, { pointerId: 1, pointerType }));
}

it('a finger that goes up or down, or nowhere, changes nothing', () => {
  const { slider, layer } = setUp();
  pointer(layer, 'pointerdown', { x: 40, y: 10 });
  pointer(layer, 'pointermove', { x: 52, y: 60 });
  pointer(layer, 'pointercancel', { x: 52, y: 60 });
  pointer(layer, 'pointerdown', { x: 180, y: 10 });
  pointer(layer, 'pointerup', { x: 180, y: 10 });
  expect(slider.value).toBe('0.5');
  expect(touched).not.toHaveBeenCalled();
});

it('a finger that goes sideways moves the thumb from where it stands, and says so', () => {
  const { slider, layer } = setUp();
  pointer(layer, 'pointerdown', { x: 40, y: 10 });
  pointer(layer, 'pointermove', { x: 52, y: 12 });
  pointer(layer, 'pointermove', { x: 92, y: 12 });
  expect(slider.value).toBe('0.7');
  pointer(layer, 'pointerup', { x: 92, y: 12 });
  expect(touched).toHaveBeenCalledTimes(1);
});

it('a drag that the system takes away puts back what was there', () => {
  const { slider, layer } = setUp();
  pointer(layer, 'pointerdown', { x: 100, y: 10 });
  pointer(layer, 'pointermove', { x: 106, y: 10 });
  pointer(layer, 'pointermove', { x: 166, y: 10 });
  expect(slider.value).toBe('0.8');
  pointer(layer, 'pointercancel', { x: 166, y: 10 });
  expect(slider.value).toBe('0.5');
  expect(touched).not.toHaveBeenCalled();
});

it('a mouse takes the thumb to where it is pressed, and the focus with it', () => {
  const { slider, layer } = setUp();
  pointer(layer, 'pointerdown', { x: 20, y: 10 }, 'mouse');
  expect(slider.value).toBe('0.1');
  expect(document.activeElement).toBe(slider);
  pointer(layer, 'pointermove', { x: 300, y: 10 }, 'mouse');
  expect(slider.value).toBe('1');
  pointer(layer, 'pointerup', { x: 300, y: 10 }, 'mouse');
  expect(touched).not.toHaveBeenCalled();
});
