import { Form, Input, Modal } from 'antd';
import { useState } from 'react';
import { PASSPHRASE_LIMITS } from '@kleur/contract';
import { useChangePassphraseMutation } from '../../data/access.ts';
import { failureOf } from '../../data/api.ts';
import { useNotices } from '../../shared/hooks/useNotices.ts';

const { min, max } = PASSPHRASE_LIMITS;

interface Entry {
  readonly current?: string;
  readonly passphrase?: string;
}

/** Sets, changes or takes away the passphrase. */
export function PassphraseDialog(props: {
  readonly asksCurrent: boolean;
  readonly removes: boolean;
  readonly onClose: () => void;
}) {
  const { asksCurrent, removes, onClose } = props;
  const [form] = Form.useForm<Entry>();
  const [change, { isLoading }] = useChangePassphraseMutation();
  const [problem, setProblem] = useState<string | null>(null);
  const { message } = useNotices();

  const run = async ({ current, passphrase }: Entry): Promise<void> => {
    setProblem(null);
    try {
      await change({ current: current ?? null, passphrase: removes ? null : (passphrase ?? null) }).unwrap();
      message.success(removes ? 'The passphrase was removed.' : 'The passphrase was set.');
      onClose();
    } catch (e) {
      const failure = failureOf(e);
      if (failure.code === 'wrong-passphrase')
        form.setFields([{ name: 'current', errors: [failure.message] }]);
      else setProblem(failure.message);
    }
  };
  return (
    <Modal
      open
      title={removes ? 'Remove the passphrase?' : asksCurrent ? 'Change the passphrase' : 'Set a passphrase'}
      okText={removes ? 'Remove it' : 'Set it'}
      okButtonProps={{ danger: removes }}
      confirmLoading={isLoading}
      onOk={() => {
        form.submit();
      }}
      onCancel={onClose}
      width={460}
    >
      <p>
        {removes
          ? 'Everybody who uses this machine can open Kleur then.'
          : 'Use several words that nobody can guess. A forgotten passphrase can only be removed at the machine that Kleur runs on. Every other browser is signed out.'}
      </p>
      <Form form={form} layout="vertical" requiredMark={false} onFinish={(entry: Entry) => void run(entry)}>
        {asksCurrent && (
          <Form.Item
            name="current"
            label="Current passphrase"
            rules={[{ required: true, message: 'Type the current passphrase.' }]}
          >
            <Input.Password autoFocus autoComplete="current-password" maxLength={max} />
          </Form.Item>
        )}
        {!removes && (
          <Form.Item
            name="passphrase"
            label="New passphrase"
            rules={[{ required: true, min, message: `At least ${min} characters.` }]}
          >
            <Input.Password autoFocus={!asksCurrent} autoComplete="new-password" maxLength={max} />
          </Form.Item>
        )}
      </Form>
      {problem && (
        <p className="field-problem" role="alert">
          {problem}
        </p>
      )}
    </Modal>
  );
}
