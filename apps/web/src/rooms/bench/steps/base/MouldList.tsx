import { Select } from 'antd';
import { type Mould, MOULD_SHAPES, plainMould, PLAN_LIMITS, setMoulding } from '@kleur/core/plan';
import { useMouldsQuery } from '../../../../data/saved.ts';
import { newId } from '../../../../data/newId.ts';
import { usePlan } from '../../state/useDerived.ts';
import { useEdit } from '../../state/useEdit.ts';
import { MouldCard } from './MouldCard.tsx';
import { shapeName } from './shapeName.ts';

/** The moulds of this batch. Each is a copy: a kept mould changes under no plan. */
export function MouldList() {
  const { moulding } = usePlan();
  const edit = useEdit();
  const { data: kept = [] } = useMouldsQuery();
  const add = (mould: Mould): void => {
    edit((p) => setMoulding(p, { moulds: [...p.moulding.moulds, { id: newId(), count: 1, mould }] }));
  };
  return (
    <section aria-label="Moulds">
      <div className="section-head">
        <h2>Moulds</h2>
      </div>
      {moulding.moulds.length === 0 && (
        <p className="soft">
          None yet. With a mould, Kleur says how full it gets, works out the oils, and weighs the bars.
        </p>
      )}
      {moulding.moulds.map((row) => (
        <MouldCard key={row.id} row={row} />
      ))}
      <div className="row">
        {moulding.moulds.length < PLAN_LIMITS.moulds ? (
          <Select<string>
            className="picker"
            aria-label="Add a mould"
            listHeight={380}
            placeholder="Add a mould"
            value={null}
            onSelect={(v: string) => {
              const shape = MOULD_SHAPES.find((s) => s === v);
              if (shape) add(plainMould(shapeName[shape], shape));
              const found = kept.find((k) => k.id === v);
              if (found) {
                const { id: _id, version: _version, updatedAt: _at, ...mould } = found;
                add(mould);
              }
            }}
            options={[
              ...(kept.length > 0
                ? [{ label: 'Saved moulds', options: kept.map((k) => ({ value: k.id, label: k.name })) }]
                : []),
              { label: 'A new one', options: MOULD_SHAPES.map((s) => ({ value: s, label: shapeName[s] })) },
            ]}
          />
        ) : (
          <p className="soft">At most {PLAN_LIMITS.moulds} moulds.</p>
        )}
      </div>
    </section>
  );
}
