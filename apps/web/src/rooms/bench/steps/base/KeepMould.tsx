import { SaveOutlined } from '../../../../shared/ui/icons.tsx';
import { Button } from 'antd';
import { type Mould } from '@kleur/core/plan';
import { failureOf } from '../../../../data/api.ts';
import {
  useCreateMouldMutation,
  useDeleteMouldMutation,
  useMouldsQuery,
  useRestoreMouldMutation,
} from '../../../../data/saved.ts';
import { useUndoNotice } from '../../../../shared/hooks/useUndoNotice.tsx';
import { useNotices } from '../../../../shared/hooks/useNotices.ts';

/** Keeps a mould for other batches, or takes it off the list again. */
export function KeepMould({ mould }: { readonly mould: Mould }) {
  const { data: kept = [] } = useMouldsQuery();
  const [create, creating] = useCreateMouldMutation();
  const [remove] = useDeleteMouldMutation();
  const [restore] = useRestoreMouldMutation();
  const { message } = useNotices();
  const notice = useUndoNotice();
  const found = kept.find((k) => {
    const { id: _id, version: _version, updatedAt: _at, ...rest } = k;
    return JSON.stringify(rest) === JSON.stringify(mould);
  });
  const keep = async (): Promise<void> => {
    try {
      if (!found) {
        await create(mould).unwrap();
        message.success('Saved for other batches.');
        return;
      }
      await remove(found.id).unwrap();
      notice({
        key: found.id,
        title: `“${found.name}” is no longer saved`,
        undo: () => void restore(found.id),
      });
    } catch (e) {
      message.error(failureOf(e).message);
    }
  };
  return (
    <Button
      type="text"
      icon={<SaveOutlined />}
      loading={creating.isLoading}
      aria-label={
        found ? `Remove ${mould.name} from the saved moulds` : `Save ${mould.name} for other batches`
      }
      title={found ? 'Saved; press to remove it from the saved ones' : 'Save for other batches'}
      className={found ? 'is-kept' : undefined}
      onClick={() => void keep()}
    />
  );
}
