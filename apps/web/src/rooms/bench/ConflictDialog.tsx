import { Button, Modal } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, failureOf } from '../../app/api.ts';
import { useAppDispatch, useAppSelector } from '../../app/hooks.ts';
import { bench } from './benchSlice.ts';
import { dropDraft } from './drafts.ts';

/** Two places edited one batch. Nothing is merged in secret: the maker says which stays, and neither is lost. */
export function ConflictDialog() {
  const { id, present, saving } = useAppSelector((s) => s.bench);
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [problem, setProblem] = useState<string | null>(null);
  if (saving.status !== 'conflict' || id === null || present === null) return null;

  const latest = () =>
    dispatch(api.endpoints.batch.initiate(id, { forceRefetch: true, subscribe: false })).unwrap();
  const run = (work: () => Promise<void>) => () => {
    setProblem(null);
    work().catch((e: unknown) => {
      setProblem(failureOf(e).message);
    });
  };

  const keepBoth = async (): Promise<void> => {
    const name = `${present.name.slice(0, 66)} (my version)`;
    const made = await dispatch(api.endpoints.createBatch.initiate({ ...present, name })).unwrap();
    dropDraft(id);
    await navigate(`/batches/${made.id}`);
  };
  const takeTheirs = async (): Promise<void> => {
    const document = await latest();
    dropDraft(id);
    dispatch(bench.theirsTaken(document));
  };
  const keepMine = async (): Promise<void> => {
    dispatch(bench.mineKept((await latest()).version));
  };

  return (
    <Modal open title="This batch was changed elsewhere" closable={false} footer={null} width={520}>
      <p>
        Another tab or device saved “{present.name}” since you opened it here. Your changes are still on this
        screen. What should happen?
      </p>
      <div className="choices">
        <Button type="primary" onClick={run(keepBoth)}>
          Keep both: save mine as a new batch
        </Button>
        <Button onClick={run(takeTheirs)}>Take the other version (mine stays one undo away)</Button>
        <Button onClick={run(keepMine)}>Keep mine and replace the other version</Button>
      </div>
      {problem && (
        <p className="field-problem" role="alert">
          {problem}
        </p>
      )}
    </Modal>
  );
}
