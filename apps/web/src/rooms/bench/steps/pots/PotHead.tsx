import { ArrowLeftOutlined, ArrowRightOutlined, CopyOutlined, DeleteOutlined } from '@ant-design/icons';
import { Button, Input, Switch } from 'antd';
import { memo, useState } from 'react';
import { PLAN_LIMITS } from '@kleur/core/plan';

import { useAppDispatch } from '../../../../data/store.ts';
import { useBench } from '../../BenchContext.ts';
import { edits } from '../../state/edits.ts';
import { newId } from '../../../../shared/newId.ts';
import { usePlanFrame } from '../../state/useDerived.ts';

/** Name of the pot, whether it is scented, and what can be done with it as a whole. */
export const PotHead = memo(function PotHead({ potId: id }: { readonly potId: string }) {
  const plan = usePlanFrame();
  const { name, scented } = plan.pots.find((p) => p.id === id)!;
  const { select } = useBench();
  const dispatch = useAppDispatch();
  const [text, setText] = useState<string | null>(null);
  const at = plan.pots.findIndex((p) => p.id === id);
  const problem = text !== null && text.trim() === '' ? 'A pot needs a name' : null;
  return (
    <section aria-label="Pot" className="pot-head">
      <div className="row">
        <div className="field" style={{ flexGrow: 1 }}>
          <label className="field-label" htmlFor="pot-name">
            Name
          </label>
          <Input
            id="pot-name"
            value={text ?? name}
            maxLength={PLAN_LIMITS.name}
            status={problem ? 'error' : ''}
            aria-invalid={problem ? true : undefined}
            aria-describedby={problem ? 'pot-name-problem' : undefined}
            onChange={(e) => {
              setText(e.target.value);
              if (e.target.value.trim() !== '')
                dispatch(edits.potSet({ id, change: { name: e.target.value } }));
            }}
            onBlur={() => {
              setText(null);
            }}
          />
          {problem && (
            <div id="pot-name-problem" className="field-problem" role="alert">
              {problem}
            </div>
          )}
        </div>
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
