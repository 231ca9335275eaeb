import { Button } from 'antd';
import { useNavigate } from 'react-router';
import { failureOf } from '../../data/api.ts';
import { batchSaves, keepUnsentAsNew, restoreUnsent } from '../../data/batchSaves.ts';
import { useUndoNotice } from '../hooks/useUndoNotice.tsx';
import { useNotices } from '../hooks/useNotices.ts';

/** Ways on for a batch that the server will not take as it is: it was deleted elsewhere, or refused. */
export function UnsentActs(props: {
  readonly id: string;
  /** Deleted elsewhere: it can be restored. */
  readonly isGone: boolean;
  readonly size?: 'small' | 'middle';
  /** Told when it was restored. */
  readonly onRestored?: () => void;
  /** Told when what was unsent was given up. Without it there is no such button. */
  readonly onGivenUp?: () => void;
}) {
  const { id, isGone, size = 'middle', onRestored, onGivenUp } = props;
  const { message } = useNotices();
  const navigate = useNavigate();
  const tellDropped = useUndoNotice();

  const attempt = async (work: () => Promise<void>): Promise<void> => {
    try {
      await work();
    } catch (e) {
      message.error(failureOf(e).message);
    }
  };
  const restore = async (): Promise<void> => {
    await restoreUnsent(id);
    onRestored?.();
  };
  const keepAsNew = async (): Promise<void> => {
    const waiting = batchSaves.unsent(id);
    if (waiting) await navigate(`/batches/${await keepUnsentAsNew(id, waiting.document)}`);
  };
  const giveUp = (): void => {
    const waiting = batchSaves.unsent(id);
    if (!waiting) return;
    const { version, document, saving } = waiting;
    batchSaves.drop(id);
    tellDropped({
      key: `dropped-${id}`,
      title: `The unsent changes of “${document.name}” were discarded`,
      undo: () => {
        if (saving.status === 'gone') batchSaves.holdDeleted(id, version, document);
        else batchSaves.put(id, version, document);
      },
    });
    onGivenUp?.();
  };
  return (
    <>
      {isGone && (
        <Button size={size} type="primary" onClick={() => void attempt(restore)}>
          Restore it
        </Button>
      )}
      <Button size={size} onClick={() => void attempt(keepAsNew)}>
        Save it as a new batch
      </Button>
      {onGivenUp && (
        <Button size={size} onClick={giveUp}>
          Discard it
        </Button>
      )}
    </>
  );
}
