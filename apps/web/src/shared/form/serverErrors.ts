import { type FormInstance } from 'antd';
import { type ProblemField } from '@kleur/contract';

/** Where a field of a problem stands in a form: `window.ceiling` → ['window', 'ceiling'], `lots.0.label` → ['lots', 0, 'label']. */
export const namePath = (path: string): (string | number)[] =>
  path.split('.').map((part) => (/^\d+$/.test(part) ? Number(part) : part));

/**
 * Puts what the server refused beside its fields.
 * @returns the problems of fields that this form does not show.
 */
export function showServerErrors(form: FormInstance, problems: readonly ProblemField[]): ProblemField[] {
  const shown = problems.filter((p) => form.getFieldInstance(namePath(p.path)) as unknown);
  form.setFields(shown.map((p) => ({ name: namePath(p.path), errors: [p.message] })));
  const [first] = shown;
  if (first) form.scrollToField(namePath(first.path), { block: 'nearest' });
  return problems.filter((p) => !shown.includes(p));
}
