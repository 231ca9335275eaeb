import { Button, Form, Input } from 'antd';
import { act, screen, waitFor } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { metricUnits, plainPrinter } from '@kleur/core/units';
import { useState } from 'react';
import { renderIn, testStore } from '../../../test/render.tsx';
import { entryProblem } from './entryProblem.ts';
import { LengthItem } from './QuantityItem.tsx';
import { NumberItem } from './NumberItem.tsx';
import { namePath, showServerErrors } from './serverErrors.ts';
import { useLiveForm } from './useLiveForm.ts';

describe('the rules of a number field', () => {
  const range = { min: 0.5, max: 4 };
  it.each([
    [0.5, null],
    [4, null],
    [0.49, 'At least 0.5'],
    [4.01, 'At most 4'],
    ['abc', 'Not a number'],
    ['1,000', 'One, or one thousand? Type it without the separator'],
    [null, 'Enter a number'],
    [undefined, 'Enter a number'],
  ])('%p: %p', (value, problem) => {
    expect(entryProblem(value, range, plainPrinter)).toBe(problem);
  });

  it('let an optional field be empty', () => {
    expect(entryProblem(null, { ...range, optional: true }, plainPrinter)).toBeNull();
  });
});

describe('what the server refuses', () => {
  it('is found by its path', () => {
    expect(namePath('window.ceiling')).toEqual(['window', 'ceiling']);
    expect(namePath('lots.0.label')).toEqual(['lots', 0, 'label']);
  });

  it('stands beside its field; what has no field is given back', async () => {
    let left: unknown;
    function Sample() {
      const [form] = Form.useForm();
      return (
        <Form form={form}>
          <Form.Item name={['window', 'ceiling']} label="Ceiling">
            <Input />
          </Form.Item>
          <Button
            onClick={() => {
              left = showServerErrors(form, [
                { path: 'window.ceiling', message: 'must be above typical' },
                { path: 'optics', message: 'is not yours' },
              ]);
            }}
          >
            Send
          </Button>
        </Form>
      );
    }
    renderIn(await testStore(), <Sample />);
    await userEvent.click(screen.getByRole('button', { name: 'Send' }));
    expect(await screen.findByText('must be above typical')).toBeVisible();
    expect(screen.getByLabelText('Ceiling')).toBeInvalid();
    expect(left).toEqual([{ path: 'optics', message: 'is not yours' }]);
  });
});

interface Box {
  readonly length: number;
  readonly width: number;
}

describe('a form over a document that is saved as it is edited', () => {
  const told: Partial<Box>[] = [];
  let replace: (box: Box) => void;
  function Live() {
    const [box, setBox] = useState<Box>({ length: 250, width: 80 });
    replace = setBox;
    const { form, onValuesChange } = useLiveForm(box, (change) => {
      told.push(change);
      setBox((b) => ({ ...b, ...change }));
    });
    return (
      <Form form={form} initialValues={box} onValuesChange={onValuesChange}>
        <LengthItem name="length" label="Length" width={100} min={0} max={2000} />
        <NumberItem name="width" label="Width" min={0} max={2000} suffix="mm" />
      </Form>
    );
  }
  const field = (name: string) => screen.getByLabelText(name);
  const fill = async (name: string, text: string): Promise<void> => {
    await userEvent.clear(field(name));
    await userEvent.type(field(name), text);
  };
  beforeEach(() => void told.splice(0));

  it('tells what is usable at once, and keeps what is not beside its reason', async () => {
    renderIn(await testStore(), <Live />);
    await fill('Length', '2x');
    expect(await screen.findByText('Not a number')).toBeVisible();
    expect(told.at(-1)).toEqual({ length: 2 });
    await fill('Width', '9,5');
    await waitFor(() => {
      expect(told.at(-1)).toEqual({ width: 9.5 });
    });
    expect(field('Length')).toHaveValue('2x');
    expect(field('Width')).toHaveValue('9,5');
    act(() => {
      replace({ length: 2, width: 70 });
    });
    // What changed elsewhere comes in; what is half typed stays.
    expect(field('Width')).toHaveValue('70');
    expect(field('Length')).toHaveValue('2x');
  });

  it('brings back by Escape what the field held when it was entered', async () => {
    renderIn(await testStore(), <Live />);
    await fill('Width', '9x');
    expect(await screen.findByText('Not a number')).toBeVisible();
    await userEvent.keyboard('{Escape}');
    expect(field('Width')).toHaveValue('80');
    await waitFor(() => {
      expect(screen.queryByText('Not a number')).toBeNull();
    });
    expect(told.at(-1)).toEqual({ width: 80 });
  });

  it('refuses what is out of range, in the unit that is shown', async () => {
    renderIn(await testStore({ units: { ...metricUnits, length: 'in' } }), <Live />);
    expect(field('Length')).toHaveValue('9.84');
    await fill('Length', '79');
    expect(await screen.findByText('At most 78.74')).toBeVisible();
    await fill('Length', '10.5');
    await waitFor(() => {
      expect(told.at(-1)?.length).toBeCloseTo(266.7, 9);
    });
    expect(field('Length')).toHaveValue('10.5');
  });
});
