import { Button } from 'antd';
import { useAccessQuery } from '../../data/access.ts';
import { failureOf } from '../../data/api.ts';
import { useFeedQuery, useRenewFeedMutation, useRevokeFeedMutation } from '../../data/calendar.ts';
import { useNotices } from '../../shared/hooks/useNotices.ts';
import styles from './calendar.module.css';

/** The address under which a calendar program reads along. */
export function FeedPanel() {
  const { data } = useFeedQuery();
  const { data: access } = useAccessQuery();
  const [renew] = useRenewFeedMutation();
  const [revoke] = useRevokeFeedMutation();
  const { message } = useNotices();
  const attempt = async (work: Promise<unknown>): Promise<void> => {
    try {
      await work;
    } catch (error) {
      message.error(failureOf(error).message);
    }
  };
  const path = data?.path ?? null;
  const origins = access && access.lan.length > 0 ? access.lan : [window.location.origin];
  return (
    <section className={styles.panel} aria-label="Feed">
      <p>
        A calendar program can read along under an address that nobody can guess. Whoever has it sees the
        names and days of your batches, without a passphrase; it can be revoked at any time.
      </p>
      {path !== null && (
        <ul className={styles.addresses}>
          {origins.map((origin) => (
            <li key={origin}>
              <code>{`${origin.replace(/\/$/, '')}${path}`}</code>
            </li>
          ))}
        </ul>
      )}
      {access?.lan.length === 0 && (
        <p className="soft small">
          Only this machine can read it: start Kleur with --lan to let phones and other machines.
        </p>
      )}
      <div className={styles.row}>
        <Button onClick={() => void attempt(renew().unwrap())}>
          {path === null ? 'Make an address' : 'Another address in its place'}
        </Button>
        {path !== null && (
          <Button danger onClick={() => void attempt(revoke().unwrap())}>
            Revoke
          </Button>
        )}
      </div>
    </section>
  );
}
