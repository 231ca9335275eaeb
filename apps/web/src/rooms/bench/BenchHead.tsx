import { RedoOutlined, UndoOutlined } from '@ant-design/icons';
import { Button, Input, Select } from 'antd';
import { memo, useState } from 'react';
import { BATCH_STATES } from '@kleur/contract';
import { PLAN_LIMITS } from '@kleur/core/plan';
import { useAppDispatch } from '../../data/store.ts';
import { useKeys } from '../../shared/hooks/useKeys.ts';
import { stateName } from '../../shared/ui/stateName.ts';
import { SaveSign } from './SaveSign.tsx';
import { bench } from './state/benchSlice.ts';
import { edits } from './state/edits.ts';
import { useBenchState, useHead } from './state/useDerived.ts';

/** Name, state and day of the batch, how it stands with the server, undo and redo. */
export const BenchHead = memo(function BenchHead() {
  const { name, state, madeOn } = useHead();
  const canUndo = useBenchState((s) => (s.history?.past.length ?? 0) > 0);
  const canRedo = useBenchState((s) => (s.history?.future.length ?? 0) > 0);
  const dispatch = useAppDispatch();
  const [nameText, setNameText] = useState<string | null>(null);
  const undo = (): void => {
    dispatch(bench.undone());
  };
  const redo = (): void => {
    dispatch(bench.redone());
  };
  useKeys({ 'mod+z': undo, 'mod+shift+z': redo, 'mod+y': redo });
  const nameProblem = nameText !== null && nameText.trim() === '' ? 'A batch needs a name' : null;
  return (
    <header className="bench-head">
      <Input
        className="batch-name"
        variant="borderless"
        aria-label="Name of the batch"
        aria-invalid={nameProblem ? true : undefined}
        status={nameProblem ? 'error' : ''}
        title={nameProblem ?? undefined}
        maxLength={PLAN_LIMITS.name}
        value={nameText ?? name}
        onChange={(e) => {
          setNameText(e.target.value);
          if (e.target.value.trim() !== '') dispatch(edits.headChanged({ name: e.target.value }));
        }}
        onBlur={() => {
          setNameText(null);
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
      <Input
        type="date"
        aria-label="Day of making"
        value={madeOn ?? ''}
        onChange={(e) => {
          dispatch(edits.headChanged({ madeOn: e.target.value || null }));
        }}
        style={{ width: 146 }}
      />
      <span className="spring" />
      <SaveSign />
      <Button
        icon={<UndoOutlined />}
        disabled={!canUndo}
        onClick={undo}
        aria-label="Undo"
        title="Undo (Ctrl Z)"
      />
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
