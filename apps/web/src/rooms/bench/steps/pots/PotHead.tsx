import {
  ArrowLeftOutlined,
  ArrowRightOutlined,
  CopyOutlined,
  DeleteOutlined,
} from '../../../../shared/ui/icons.tsx';
import { Button, Switch } from 'antd';
import { memo } from 'react';
import { PLAN_LIMITS } from '@kleur/core/plan';

import { useAppDispatch } from '../../../../data/store.ts';
import { useBench } from '../../BenchContext.ts';
import { edits } from '../../state/edits.ts';
import { NameField } from '../../../../shared/ui/NameField.tsx';
import { newId } from '../../../../data/newId.ts';
import { usePlanFrame } from '../../state/useDerived.ts';

/** Name of the pot, whether it is scented, and what can be done with it as a whole. */
export const PotHead = memo(function PotHead({ potId: id }: { readonly potId: string }) {
  const plan = usePlanFrame();
  const { name, scented } = plan.pots.find((p) => p.id === id)!;
  const { select } = useBench();
  const dispatch = useAppDispatch();
  const at = plan.pots.findIndex((p) => p.id === id);
  return (
    <section aria-label="Pot" className="pot-head">
      <div className="row">
        <NameField
          label="Name"
          grow
          value={name}
          onCommit={(v) => {
            dispatch(edits.potSet({ id, change: { name: v } }));
          }}
        />
        {plan.base.scent && (
          <div className="field">
            <label className="field-label" htmlFor="pot-scented">
              Scented
            </label>
            <Switch
              id="pot-scented"
              checked={scented || plan.base.scent.when === 'oils'}
              disabled={plan.base.scent.when === 'oils'}
              onChange={(v) => {
                dispatch(edits.potSet({ id, change: { scented: v } }));
              }}
            />
          </div>
        )}
        <div className="pot-acts">
          <Button
            type="text"
            icon={<ArrowLeftOutlined />}
            disabled={at === 0}
            aria-label="Move the pot left"
            title="Move left"
            onClick={() => {
              dispatch(edits.potMoved({ id, by: -1 }));
            }}
          />
          <Button
            type="text"
            icon={<ArrowRightOutlined />}
            disabled={at === plan.pots.length - 1}
            aria-label="Move the pot right"
            title="Move right"
            onClick={() => {
              dispatch(edits.potMoved({ id, by: 1 }));
            }}
          />
          <Button
            type="text"
            icon={<CopyOutlined />}
            disabled={plan.pots.length >= PLAN_LIMITS.pots}
            aria-label="Duplicate the pot"
            title="Duplicate"
            onClick={() => {
              const copyId = newId();
              dispatch(edits.potCopied({ id, copyId }));
              select(copyId);
            }}
          />
          <Button
            type="text"
            icon={<DeleteOutlined />}
            aria-label="Remove the pot"
            title="Remove (undo brings it back)"
            onClick={() => {
              dispatch(edits.potRemoved(id));
            }}
          />
        </div>
      </div>
    </section>
  );
});
