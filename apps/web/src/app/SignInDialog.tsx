import { Button, Form, Input, Modal } from 'antd';
import { useState } from 'react';
import { useRevalidator } from 'react-router';
import { PASSPHRASE_LIMITS, type SignIn as SignInBody } from '@kleur/contract';
import { useSignInMutation } from '../data/access.ts';
import { failureOf } from '../data/api.ts';
import { batchSaves } from '../data/batchSaves.ts';
import { HOLDS_KEYS } from '../shared/hooks/useKeys.ts';

/** Asks for the passphrase over whatever is open, which stays as it is. */
export default function SignInDialog() {
  const [signIn, { isLoading }] = useSignInMutation();
  const [problem, setProblem] = useState<string | null>(null);
  const { revalidate } = useRevalidator();
  const run = async ({ passphrase }: SignInBody): Promise<void> => {
    setProblem(null);
    try {
      await signIn({ passphrase }).unwrap();
      batchSaves.retry();
      await revalidate();
    } catch (e) {
      setProblem(failureOf(e).message);
    }
  };
  return (
    <Modal open title="Sign in" closable={false} keyboard={false} footer={null} width={420}>
      <p>This workspace has a passphrase. What you have open stays as it is.</p>
      <Form
        layout="vertical"
        requiredMark={false}
        onFinish={(body: SignInBody) => void run(body)}
        {...HOLDS_KEYS}
      >
        <Form.Item
          name="passphrase"
          label="Passphrase"
          rules={[{ required: true, message: 'Type the passphrase.' }]}
          {...(problem === null
            ? {}
            : { validateStatus: 'error', help: <span role="alert">{problem}</span> })}
        >
          <Input.Password
            autoFocus
            autoComplete="current-password"
            maxLength={PASSPHRASE_LIMITS.max}
            onChange={() => {
              setProblem(null);
            }}
          />
        </Form.Item>
        <Button type="primary" htmlType="submit" loading={isLoading} style={{ marginTop: 12 }}>
          Sign in
        </Button>
      </Form>
    </Modal>
  );
}
