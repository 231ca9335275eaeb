import { Button, Modal } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { failureOf } from '../../data/api.ts';
import { batchesApi } from '../../data/batches.ts';
import { useAppDispatch, useAppSelector } from '../../data/store.ts';
import { bench, presentOf, selectBench } from './state/benchSlice.ts';
import { useBenchState } from './state/useDerived.ts';
import { batchSaves } from './state/autosave.ts';

/** Two places edited one batch. Nothing is merged in secret: the maker says which stays, and neither is lost. */
export function ConflictDialog() {
  const conflict = useBenchState((b) => b.saving.status === 'conflict');
  return conflict && <Conflict />;
}

function Conflict() {
  const state = useAppSelector(selectBench);
  const { id, saving } = state;
  const present = presentOf(state);
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [problem, setProblem] = useState<string | null>(null);
  if (saving.status !== 'conflict' || id === null || present === null) return null;

  const latest = () =>
    dispatch(batchesApi.endpoints.batch.initiate(id, { forceRefetch: true, subscribe: false })).unwrap();
  const run = (work: () => Promise<void>) => () => {
    setProblem(null);
    work().catch((e: unknown) => {
      setProblem(failureOf(e).message);
    });
  };

  const keepBoth = async (): Promise<void> => {
    const name = `${present.name.slice(0, 66)} (my version)`;
    const made = await dispatch(batchesApi.endpoints.createBatch.initiate({ ...present, name })).unwrap();
    batchSaves.drop(id);
    await navigate(`/batches/${made.id}`);
  };
  const takeTheirs = async (): Promise<void> => {
    dispatch(bench.theirsTaken(await latest()));
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
