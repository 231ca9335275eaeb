import { Form, type FormInstance } from 'antd';
import { useEffect, useRef } from 'react';
import { isUsable } from './isUsable.ts';

/**
 * A form over a document that is saved as it is edited. Usable changes are told at once, the others stay in their fields
 * with the reason; what changes elsewhere (undo, another field) comes into the form without touching what is half typed.
 */
export function useLiveForm<T extends object>(
  value: T,
  onChange: (change: Partial<T>) => void,
): { readonly form: FormInstance<T>; readonly onValuesChange: (change: Partial<T>) => void } {
  const [form] = Form.useForm<T>();
  const before = useRef(value);
  // What came out of the form need not go into it again: meanwhile there may be more typed.
  const told = useRef<Partial<T>>({});
  useEffect(() => {
    const changed = (Object.keys(value) as (keyof T)[]).filter((key) => before.current[key] !== value[key]);
    const elsewhere = changed.filter((key) => !(key in told.current) || told.current[key] !== value[key]);
    before.current = value;
    told.current = {};
    form.setFieldsValue(Object.fromEntries(elsewhere.map((key) => [key, value[key]])) as never);
  }, [form, value]);
  const tell = async (change: Partial<T>): Promise<void> => {
    if (!(await isUsable(form as FormInstance, Object.keys(change)))) return;
    told.current = { ...told.current, ...change };
    onChange(change);
  };
  return { form, onValuesChange: (change) => void tell(change) };
}
