import { type PotFrame } from '../../state/planFrame.ts';
import { Segmented } from 'antd';
import {
  addOil,
  materialOf,
  oilsAddUp,
  oilsOf,
  oilsSum,
  PLAN_LIMITS,
  pruneMaterials,
  removeOil,
  setOilPercent,
  setOils,
} from '@kleur/core/plan';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { NumberField } from '../../../../shared/ui/NumberField.tsx';
import { ShareTable } from '../../../../shared/ui/ShareTable.tsx';
import { newId } from '../../../../data/newId.ts';
import { MaterialPicker } from '../../MaterialPicker.tsx';
import { usePlan, usePrep } from '../../state/useDerived.ts';
import { useEdit } from '../../state/useEdit.ts';

const isOil = (kind: string): boolean => kind === 'oil';

/** Oils of a mini-batch: the recipe's, or a blend of its own. */
export function OwnOils({ pot }: { readonly pot: PotFrame }) {
  const edit = useEdit();
  const plan = usePlan();
  const own = pot.ownOils.length > 0;
  return (
    <section aria-label={`Oils of ${pot.name}`}>
      <div className="setting">
        <span>Its oils</span>
        <Segmented<'recipe' | 'own'>
          aria-label="Its oils"
          value={own ? 'own' : 'recipe'}
          disabled={plan.base.oils.length === 0}
          onChange={(v) => {
            edit((p) => pruneMaterials(setOils(p, v === 'own' ? oilsOf(p, null) : [], pot.id)));
          }}
          options={[
            { value: 'recipe', label: 'as the recipe' },
            { value: 'own', label: 'its own blend' },
          ]}
        />
      </div>
      {own && <OwnTable pot={pot} />}
    </section>
  );
}

function OwnTable({ pot }: { readonly pot: PotFrame }) {
  const edit = useEdit();
  const plan = usePlan();
  const print = usePrinter();
  const { lyes } = usePrep();
  const rows = lyes.find((l) => l.potId === pot.id)?.rows ?? [];
  return (
    <>
      <ShareTable
        rows={pot.ownOils.map((row) => {
          const { name } = materialOf(plan, row.materialId);
          return {
            id: row.id,
            name,
            field: (
              <NumberField
                label={`${name} of ${pot.name}, %`}
                hideLabel
                width={104}
                value={row.percent}
                {...PLAN_LIMITS.percent}
                step={1}
                suffix="%"
                onCommit={(percent) => {
                  edit((p) => setOilPercent(p, row.id, percent, pot.id), `pot:${pot.id}:oil:${row.id}`);
                }}
              />
            ),
            figure: print.mass(rows.find((o) => o.materialId === row.materialId)?.mass ?? 0),
            removeLabel: `Remove ${name} from ${pot.name}`,
            onRemove: () => {
              edit((p) => removeOil(p, row.id, pot.id));
            },
          };
        })}
        sum={{
          share: `${print.fixed(oilsSum(pot.ownOils), 2)} %`,
          figure: print.mass(rows.reduce((sum, o) => sum + o.mass, 0)),
          off: !oilsAddUp(pot.ownOils),
        }}
      />
      {pot.ownOils.length < PLAN_LIMITS.oils && (
        <MaterialPicker
          label={`Add an oil to ${pot.name}`}
          accept={isOil}
          taken={pot.ownOils.map((o) => o.materialId)}
          onPick={(material) => {
            edit((p) => addOil(p, newId(), material, pot.id));
          }}
        />
      )}
    </>
  );
}
