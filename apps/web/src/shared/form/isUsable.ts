import { type FormInstance } from 'antd';

/**
 * Whether the fields of a form hold what their rules allow; what they do not is shown beside them.
 * @param names of the fields that are looked at; all when absent.
 */
export async function isUsable(form: FormInstance, names?: readonly string[]): Promise<boolean> {
  try {
    await (names ? form.validateFields([...names]) : form.validateFields());
    return true;
  } catch (e) {
    // A field that was typed into is checked by itself at the same time, which makes this answer the older one.
    return (e as { errorFields?: unknown[] }).errorFields?.length === 0;
  }
}
