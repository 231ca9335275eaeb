import { Modal } from 'antd';
import { type Copy } from '@kleur/contract';
import { failureOf } from '../../data/api.ts';
import { useCopyContentQuery, useRestoreCopyMutation } from '../../data/copies.ts';
import { useDays } from '../../shared/hooks/useDays.ts';
import styles from './SettingsRoom.module.css';
import { useNotices } from '../../shared/hooks/useNotices.ts';

/** What is in a copy, and the way to put it back. */
export function CopyDialog({ copy, onClose }: { readonly copy: Copy; readonly onClose: () => void }) {
  const { data, error } = useCopyContentQuery(copy.name);
  const [restore, { isLoading }] = useRestoreCopyMutation();
  const { message } = useNotices();
  const days = useDays();
  const run = async (): Promise<void> => {
    try {
      await restore(copy.name).unwrap();
      onClose();
      message.success('The copy was restored. What was there before was copied first.');
    } catch (e) {
      message.error(failureOf(e).message);
    }
  };
  return (
    <Modal
      open
      title={`Copy of ${days.moment(copy.at)}`}
      okText="Restore it"
      okButtonProps={{ danger: true, disabled: !data }}
      confirmLoading={isLoading}
      onOk={() => void run()}
      onCancel={onClose}
      width={520}
    >
      {error && <p role="alert">{failureOf(error).message}</p>}
      {!data && !error && <p role="status">Looking…</p>}
      {data && (
        <>
          <p>
            {data.batches} batches, {data.materials} shelf items, {data.palettes} palettes, {data.moulds}{' '}
            moulds, {data.recipes} bases.
          </p>
          {data.latest.length > 0 && (
            <ul className={styles.latest} aria-label="Latest batches of the copy">
              {data.latest.map((b, i) => (
                <li key={i}>
                  {b.name} <span className="soft">{days.moment(b.updatedAt)}</span>
                </li>
              ))}
            </ul>
          )}
          <p>
            Restoring it replaces every batch, the whole shelf and the settings. What is there now is copied
            first, and can be restored the same way.
          </p>
        </>
      )}
    </Modal>
  );
}
