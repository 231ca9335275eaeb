import { render, screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { useState } from 'react';
import { PLAN_LIMITS } from '@kleur/core/plan';
import { NameField } from './NameField.tsx';

const commits: string[] = [];
beforeEach(() => void commits.splice(0));

function Held() {
  const [name, setName] = useState('Wing blue');
  return (
    <NameField
      label="Name"
      value={name}
      onCommit={(next) => {
        commits.push(next);
        setName(next);
      }}
    />
  );
}

it('commits as it is typed, and never an empty name', async () => {
  const user = userEvent.setup();
  render(<Held />);
  const field = screen.getByLabelText('Name');
  await user.type(field, 's');
  expect(commits).toEqual(['Wing blues']);
  await user.clear(field);
  expect(field).toHaveValue('');
  expect(field).toBeInvalid();
  expect(screen.getByRole('alert')).toHaveTextContent('A name is needed');
  expect(field).toHaveAccessibleDescription('A name is needed');
  await user.type(field, '   ');
  expect(commits).toEqual(['Wing blues']);
});

it('brings the last name back when it is left empty', async () => {
  const user = userEvent.setup();
  render(<Held />);
  await user.clear(screen.getByLabelText('Name'));
  await user.tab();
  expect(screen.getByLabelText('Name')).toHaveValue('Wing blue');
  expect(screen.queryByRole('alert')).toBeNull();
});

it('takes no more than a plan can hold', () => {
  render(<Held />);
  expect(screen.getByLabelText('Name')).toHaveAttribute('maxlength', String(PLAN_LIMITS.name));
});
