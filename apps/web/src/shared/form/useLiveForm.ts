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
  useEffect(() => {
    const changed = Object.entries(value).filter(([key, v]) => before.current[key as keyof T] !== v);
    before.current = value;
    form.setFieldsValue(Object.fromEntries(changed) as never);
  }, [form, value]);
  const tell = async (change: Partial<T>): Promise<void> => {
    if (await isUsable(form as FormInstance, Object.keys(change))) onChange(change);
  };
  return { form, onValuesChange: (change) => void tell(change) };
}
