import { Modal, Segmented, Select } from 'antd';
import { useMemo, useState } from 'react';
import { potCanvas } from '@kleur/core/balance';
import { screenColourFromLabD65 } from '@kleur/core/colour';
import { doubtOf } from '@kleur/core/material';
import { type Ladder, LADDER_POTS, type Ladders, solveLadders } from '@kleur/core/match';
import { referenceCanvas } from '@kleur/core/pigment';
import { isBaseTold, type Plan, PLAN_LIMITS, type Pot, type Rung, writeLadder } from '@kleur/core/plan';
import { doubtText } from '../../shared/doubtText.ts';
import { usePrinter } from '../../shared/hooks/useSettings.ts';
import { NumberField } from '../../shared/ui/NumberField.tsx';
import { teeth } from '../../shared/ui/Teeth.tsx';
import { useEdit } from './state/useEdit.ts';
import { newId } from '../../data/newId.ts';
import { usePlan, usePlanGel } from './state/useDerived.ts';
import { curedStage } from './state/matching.ts';

type Kind = keyof Ladders;
const kinds: readonly (readonly [Kind, string, string])[] = [
  ['even', 'Even to the eye', 'every step the same ΔE'],
  ['equal', 'Equal spoons', 'the same amount more each time'],
  ['doubling', 'Doubling', 'the same ratio each time'],
];

/** Colourants of two pots together, and the doses of each in both. Null where neither has any. */
function between(plan: Plan, a: Pot, b: Pot) {
  const ids = [...new Set([...a.doses, ...b.doses].map((d) => d.materialId))].filter(
    (id) => plan.materials.find((m) => m.id === id)?.optics,
  );
  if (ids.length === 0) return null;
  const doses = (pot: Pot) =>
    ids.map((id) => (pot.doses.find((d) => d.materialId === id)?.dose ?? 0) as number);
  const materials = ids.map((id) => plan.materials.find((m) => m.id === id)!);
  return { materials, from: doses(a), to: doses(b) };
}

/** The rungs of a ladder, without its ends, as pots to write. */
const rungsOf = ({ doses }: Ladder, { materials }: NonNullable<ReturnType<typeof between>>): Rung[] =>
  doses.slice(1, -1).map((row) => ({
    id: newId(),
    parts: materials.flatMap((material, m) =>
      row[m]! > 0 ? [{ rowId: newId(), material, dose: row[m]! }] : [],
    ),
  }));

/** A ladder between two pots in their own colourants, with the naive ladders beside it. */
export function LadderDialog({ potId, onClose }: { readonly potId: string; readonly onClose: () => void }) {
  const plan = usePlan();
  const gel = usePlanGel();
  const edit = useEdit();
  const print = usePrinter();
  const [otherId, setOtherId] = useState<string | null>(plan.pots.find((p) => p.id !== potId)?.id ?? null);
  const [count, setCount] = useState(4);
  const [kind, setKind] = useState<Kind>('even');
  const a = plan.pots.find((p) => p.id === potId);
  const b = plan.pots.find((p) => p.id === otherId);
  const found = useMemo(() => (a && b ? between(plan, a, b) : null), [plan, a, b]);
  const canvas = useMemo(() => (a ? potCanvas(plan, a) : referenceCanvas), [plan, a]);
  const ladders = useMemo(() => {
    if (!found) return null;
    return solveLadders({
      canvas,
      stage: curedStage(gel),
      colourants: found.materials.map((m) => m.optics!),
      from: found.from,
      to: found.to,
      pots: count,
    });
  }, [canvas, found, count, gel]);
  const doubtAt = (doses: readonly number[]) =>
    doubtOf(
      canvas,
      found!.materials.flatMap(({ optics, curve }, i) =>
        doses[i]! > 0 ? [{ optics: optics!, curve, dose: doses[i]! }] : [],
      ),
      curedStage(gel),
    );
  const room = plan.pots.length + count - 2 <= PLAN_LIMITS.pots;
  return (
    <Modal
      open
      width={720}
      title={`A ladder from ${a?.name ?? ''}`}
      okText={`Write ${count - 2} ${count - 2 === 1 ? 'pot' : 'pots'} between`}
      okButtonProps={{ disabled: !ladders || count < 3 || !room }}
      onOk={() => {
        if (!a || !b || !found || !ladders) return;
        const rungs = rungsOf(ladders[kind], found);
        edit((p) => writeLadder(p, a.id, b.id, rungs));
        onClose();
      }}
      onCancel={onClose}
    >
      <div className="row">
        <div className="field grow">
          <span className="field-label">To</span>
          <Select
            aria-label="The other end"
            placeholder="another pot"
            value={otherId}
            onChange={setOtherId}
            options={plan.pots.filter((p) => p.id !== potId).map((p) => ({ value: p.id, label: p.name }))}
          />
        </div>
        <NumberField
          label="Pots, both ends counted"
          width={170}
          digits={0}
          step={1}
          value={count}
          {...LADDER_POTS}
          onCommit={(v) => {
            setCount(Math.round(v));
          }}
        />
        <Segmented
          aria-label="Kind of ladder"
          value={kind}
          onChange={setKind}
          options={kinds.map(([value, label]) => ({ value, label }))}
        />
      </div>
      {!ladders && (
        <p className="soft">Choose two pots with colourants. A ladder goes from one formula to the other.</p>
      )}
      {!room && <p className="field-problem">A batch holds at most {PLAN_LIMITS.pots} pots.</p>}
      {ladders &&
        kinds.map(([name, label, how]) => (
          <section key={name} className={name === kind ? 'rungs rungs-chosen' : 'rungs'} aria-label={label}>
            <h3>
              {label} <span className="soft">{how}</span>
            </h3>
            <div className="rung-row">
              {ladders[name].labs.map((lab, i) => {
                const doses = ladders[name].doses[i]!;
                const doubt = doubtAt(doses);
                return (
                  <i
                    key={i}
                    style={{ background: screenColourFromLabD65(lab).hex }}
                    title={`${doses.map((d) => print.significant(d, 2)).join(' + ')} g/kg. ${doubtText(doubt, doubt.deltaE, isBaseTold(plan.base.learnt), print)}`}
                  >
                    {teeth(doubt)}
                  </i>
                );
              })}
            </div>
            <p className="figure soft small rung-steps">
              {ladders[name].steps.map((s, i) => (
                <span key={i}>ΔE {print.fixed(s, 1)}</span>
              ))}
            </p>
          </section>
        ))}
    </Modal>
  );
}
