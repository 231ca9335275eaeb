import { screen, waitFor } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { Form, Input } from 'antd';
import { type SettingsWire } from '@kleur/contract';
import { defaultSettings } from '@kleur/contract';
import { renderIn, testStore } from '../../../test/render.tsx';
import { NumberItem } from '../form/NumberItem.tsx';
import { SettingsForm } from './SettingsForm.tsx';
import { Notices } from '../ui/Notices.tsx';

let sent: SettingsWire[] = [];
let refuse: object | null = null;
beforeEach(() => {
  sent = [];
  refuse = null;
  globalThis.fetch = jest.fn(async (input: Request | string | URL) => {
    const request = input as Request;
    const headers = { 'content-type': 'application/json' };
    if (request.method !== 'PUT')
      return new Response(JSON.stringify(sent.at(-1) ?? { ...defaultSettings, version: 1 }), { headers });
    const body = (await request.json()) as SettingsWire;
    if (refuse) return new Response(JSON.stringify(refuse), { status: 400, headers });
    sent.push({ ...body, version: body.version + 1 });
    return new Response(JSON.stringify(sent.at(-1)), { headers });
  }) as typeof fetch;
});

async function show() {
  renderIn(
    await testStore(),
    <Notices>
      <SettingsForm name="sample">
        <Form.Item name="studio" label="Studio">
          <Input />
        </Form.Item>
        <NumberItem name={['measuring', 'heaped']} label="A heaped one holds" min={1} max={4} />
      </SettingsForm>
    </Notices>,
  );
  return userEvent.setup();
}

it('saves what is typed, nothing less, each save with the version of the one before', async () => {
  const user = await show();
  await user.type(screen.getByLabelText('Studio'), 'Tarn Lane');
  await waitFor(() => {
    expect(sent.at(-1)?.studio).toBe('Tarn Lane');
  });
  expect(screen.getByLabelText('Studio')).toHaveValue('Tarn Lane');
  sent.forEach((s, i) => {
    expect(s.version).toBe(i + 2);
  });
});

it('saves nothing while a field cannot be used', async () => {
  const user = await show();
  const field = screen.getByLabelText('A heaped one holds');
  await user.clear(field);
  await user.type(field, '9');
  expect(await screen.findByText('At most 4')).toBeVisible();
  expect(sent.every((s) => s.measuring.heaped <= 4)).toBe(true);
  await user.clear(field);
  await user.type(field, '2.5');
  await waitFor(() => {
    expect(sent.at(-1)?.measuring.heaped).toBe(2.5);
  });
});

it('shows what the server refuses beside its field', async () => {
  const user = await show();
  refuse = {
    code: 'invalid-input',
    message: 'Some fields cannot be used.',
    fields: [{ path: 'studio', message: 'is too long' }],
  };
  await user.type(screen.getByLabelText('Studio'), 'x');
  expect(await screen.findByText('is too long')).toBeVisible();
  expect(screen.getByLabelText('Studio')).toHaveValue('x');
});
