import { Button, Form } from 'antd';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import { type Settings, type SettingsWire } from '@kleur/contract';
import { failureOf } from '../../data/api.ts';
import { latestOnly } from '../../data/latest.ts';
import { settingsApi, useSettingsQuery } from '../../data/settings.ts';
import { useAppDispatch } from '../../data/store.ts';
import { isUsable } from '../form/isUsable.ts';
import { showServerErrors } from '../form/serverErrors.ts';
import { useStable } from '../hooks/useStable.ts';
import { EmptyState } from '../ui/EmptyState.tsx';
import styles from './SettingsForm.module.css';
import { useNotices } from '../hooks/useNotices.ts';

/**
 * The maker's habits as a form whose fields are saved as soon as they hold something usable, one save at a time. What
 * the server refuses stands beside its field; what changed elsewhere is loaded again.
 */
export function SettingsForm({ name, children }: { readonly name: string; readonly children: ReactNode }) {
  const { data, error, refetch } = useSettingsQuery();
  const [form] = Form.useForm<Settings>();
  const dispatch = useAppDispatch();
  const { message } = useNotices();

  const ownVersion = useRef<number | null>(null);
  const put = useStable(async (settings: Settings): Promise<void> => {
    const { version } = await dispatch(
      settingsApi.endpoints.settings.initiate(undefined, { subscribe: false }),
    ).unwrap();
    try {
      const saved = await dispatch(
        settingsApi.endpoints.saveSettings.initiate({ version, settings }),
      ).unwrap();
      ownVersion.current = saved.version;
      await dispatch(settingsApi.util.upsertQueryData('settings', undefined, saved));
    } catch (e) {
      const failure = failureOf(e);
      const elsewhere = showServerErrors(form, failure.fields);
      if (failure.fields.length === 0 || elsewhere.length > 0) message.error(failure.message);
      if (failure.code === 'stale-version') void refetch();
    }
  });
  const [saves] = useState(() => latestOnly<Settings, void>({ put, onAnswer: () => undefined }));

  useEffect(() => {
    // What this form saved itself need not go into it again: meanwhile there may be more typed.
    if (data && data.version !== ownVersion.current) form.setFieldsValue(data);
  }, [data, form]);

  if (!data) {
    return error ? (
      <EmptyState
        role="alert"
        title="The settings could not be loaded"
        action={<Button onClick={() => void refetch()}>Try again</Button>}
      >
        {failureOf(error).message}
      </EmptyState>
    ) : (
      <p className="loading">Opening…</p>
    );
  }
  const save = async (): Promise<void> => {
    if (!(await isUsable(form))) return;
    const held = form.getFieldsValue(true) as SettingsWire;
    const { version: _version, ...settings } = held;
    saves.ask(settings);
  };
  return (
    <Form<Settings>
      form={form}
      name={name}
      layout="horizontal"
      labelAlign="left"
      labelCol={{ flex: '150px' }}
      colon={false}
      requiredMark={false}
      className={styles.form}
      initialValues={data}
      onValuesChange={() => void save()}
    >
      {children}
    </Form>
  );
}
