import { RedoOutlined, RollbackOutlined } from '../../shared/ui/icons.tsx';
import { Button, Select } from 'antd';
import { memo } from 'react';
import { BATCH_STATES } from '@kleur/contract';
import { useAppDispatch } from '../../data/store.ts';
import { useKeys } from '../../shared/hooks/useKeys.ts';
import { DayField } from '../../shared/ui/DayField.tsx';
import { NameField } from '../../shared/ui/NameField.tsx';
import { stateName } from '../../shared/ui/stateName.ts';
import { SaveSign } from './SaveSign.tsx';
import { useLock } from './useLock.ts';
import { bench } from './state/benchSlice.ts';
import { edits } from './state/edits.ts';
import { useBenchState, useHead } from './state/useDerived.ts';

/** Name, state and day of the batch, how it stands with the server, undo and redo. */
export const BenchHead = memo(function BenchHead() {
  const { name, state, madeOn } = useHead();
  const canUndo = useBenchState((s) => (s.history?.past.length ?? 0) > 0);
  const canRedo = useBenchState((s) => (s.history?.future.length ?? 0) > 0);
  const dispatch = useAppDispatch();
  const undo = (): void => {
    dispatch(bench.undone());
  };
  const redo = (): void => {
    dispatch(bench.redone());
  };
  useKeys({ 'mod+z': undo, 'mod+shift+z': redo, 'mod+y': redo });
  return (
    <header className="bench-head" inert={useLock().locked}>
      <h1 className="sr-only">{name}</h1>
      <NameField
        label="Name of the batch"
        hideLabel
        bare
        className="batch-name"
        value={name}
        onCommit={(v) => {
          dispatch(edits.headChanged({ name: v }));
        }}
      />
      <Select
        aria-label="State of the batch"
        value={state}
        onChange={(v) => {
          dispatch(edits.headChanged({ state: v }));
        }}
        options={BATCH_STATES.map((s) => ({ value: s, label: stateName[s] }))}
        style={{ width: 116 }}
      />
      <DayField
        label="Day of making"
        value={madeOn}
        onPick={(day) => {
          dispatch(edits.headChanged({ madeOn: day }));
        }}
      />
      <span className="spring" />
      <SaveSign />
      <Button
        icon={<RollbackOutlined />}
        disabled={!canUndo}
        onClick={undo}
        aria-label="Undo"
        title="Undo (Ctrl Z)"
      >
        Undo
      </Button>
      <Button
        icon={<RedoOutlined />}
        disabled={!canRedo}
        onClick={redo}
        aria-label="Redo"
        title="Redo (Ctrl Shift Z)"
      />
    </header>
  );
});
