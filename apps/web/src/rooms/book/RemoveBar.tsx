import { Button } from 'antd';
import { type BookEntry } from '@kleur/contract';
import { failureOf } from '../../data/api.ts';
import { useRemoveBarMutation, useRestoreBarMutation } from '../../data/book.ts';
import { useNotices } from '../../shared/hooks/useNotices.ts';
import { useUndoNotice } from '../../shared/hooks/useUndoNotice.tsx';
import { DeleteOutlined } from '../../shared/ui/icons.tsx';

/** Takes a bar that belongs to no batch out of the book, and back. */
export function RemoveBar({ bar }: { readonly bar: Pick<BookEntry, 'id' | 'potName'> }) {
  const [remove] = useRemoveBarMutation();
  const [restore] = useRestoreBarMutation();
  const tellDeleted = useUndoNotice();
  const { message } = useNotices();
  const attempt = async (work: Promise<unknown>): Promise<boolean> => {
    try {
      await work;
      return true;
    } catch (error) {
      message.error(failureOf(error).message);
      return false;
    }
  };
  return (
    <Button
      type="text"
      icon={<DeleteOutlined />}
      aria-label={`Delete the bar ${bar.potName}`}
      onClick={() =>
        void attempt(remove(bar.id).unwrap()).then((done) => {
          if (done)
            tellDeleted({
              key: `bar-${bar.id}`,
              title: `“${bar.potName}” was taken out of the book`,
              undo: () => void attempt(restore(bar.id).unwrap()),
            });
        })
      }
    />
  );
}
