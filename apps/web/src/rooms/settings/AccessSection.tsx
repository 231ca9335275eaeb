import { Button } from 'antd';
import { useState } from 'react';
import { type Session } from '@kleur/contract';
import {
  useAccessQuery,
  useEndSessionMutation,
  useSessionsQuery,
  useSignOutMutation,
} from '../../data/access.ts';
import { forgetOffline } from '../../data/offline.ts';
import { failureOf } from '../../data/api.ts';
import { useDays } from '../../shared/hooks/useDays.ts';
import { ActsCell, PlainTable } from '../../shared/ui/PlainTable.tsx';
import { PassphraseDialog } from './PassphraseDialog.tsx';
import styles from './SettingsRoom.module.css';
import { useNotices } from '../../shared/hooks/useNotices.ts';

/** The passphrase of the workspace, and the browsers that have signed in. */
export function AccessSection() {
  const { data: access } = useAccessQuery();
  const [dialog, setDialog] = useState<'set' | 'remove' | null>(null);
  const [signOut] = useSignOutMutation();
  if (!access) return <section className={styles.waiting} />;
  return (
    <section>
      <h2>Who may open Kleur</h2>
      <p className="soft">
        {access.isProtected
          ? 'Every browser is asked for the passphrase of this workspace.'
          : 'Everybody who uses this machine. Before other machines may reach Kleur, it needs a passphrase.'}
      </p>
      <div className={styles.acts}>
        <Button
          onClick={() => {
            setDialog('set');
          }}
        >
          {access.isProtected ? 'Change the passphrase…' : 'Set a passphrase…'}
        </Button>
        {access.isProtected && access.isLocal && (
          <Button
            onClick={() => {
              setDialog('remove');
            }}
          >
            Remove it…
          </Button>
        )}
        {access.isProtected && (
          <Button onClick={() => void forgetOffline().then(() => signOut())}>Sign out</Button>
        )}
      </div>
      {access.isProtected && <Sessions />}
      {dialog !== null && (
        <PassphraseDialog
          asksCurrent={access.isProtected}
          removes={dialog === 'remove'}
          onClose={() => {
            setDialog(null);
          }}
        />
      )}
    </section>
  );
}

function Sessions() {
  const { data: sessions = [] } = useSessionsQuery();
  const [end] = useEndSessionMutation();
  const { message } = useNotices();
  const days = useDays();
  const endOne = async ({ id }: Session): Promise<void> => {
    try {
      await end(id).unwrap();
    } catch (e) {
      message.error(failureOf(e).message);
    }
  };
  return (
    <PlainTable
      label="Signed in"
      heads={[{ text: 'Signed in' }, { text: 'Since' }, { text: 'Last used' }, { text: '' }]}
    >
      {sessions.map((s) => (
        <tr key={s.id}>
          <td title={s.device}>
            {deviceName(s.device)}
            {s.isThis && <b> (this one)</b>}
          </td>
          <td>{days.moment(s.createdAt)}</td>
          <td>{days.moment(s.lastSeenAt)}</td>
          <ActsCell>
            <Button size="small" aria-label={`End ${deviceName(s.device)}`} onClick={() => void endOne(s)}>
              End
            </Button>
          </ActsCell>
        </tr>
      ))}
    </PlainTable>
  );
}

/** The machine, out of what a browser says of itself. */
function deviceName(device: string): string {
  const [, machine] = /\(([^)]+)\)/.exec(device) ?? [];
  return (machine ?? device).slice(0, 40);
}
