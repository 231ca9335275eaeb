import { Button, Segmented, Switch } from 'antd';
import { productPerOil, scentBlend } from '@kleur/core/balance';
import { type Check } from '@kleur/core/checks';
import { stabiliserFor } from '@kleur/core/material';
import {
  addScentPart,
  changeScent,
  materialOf,
  PLAN_LIMITS,
  removeScentPart,
  type ScentChoice,
  type ScentMoment,
  setPot,
} from '@kleur/core/plan';
import { gramsPerKg } from '@kleur/core/units';
import * as why from '@kleur/core/why';
import { useAppDispatch } from '../../../../data/store.ts';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { NumberField } from '../../../../shared/ui/NumberField.tsx';
import { ShareTable } from '../../../../shared/ui/ShareTable.tsx';
import { Figure } from '../../../../shared/ui/Why.tsx';
import { edits } from '../../state/edits.ts';
import { newId } from '../../../../data/newId.ts';
import { CheckList } from '../../CheckList.tsx';
import { Past } from '../../Past.tsx';
import { MaterialPicker } from '../../MaterialPicker.tsx';
import { usePlan, usePrep } from '../../state/useDerived.ts';
import { useEdit } from '../../state/useEdit.ts';
import { Browning } from './Browning.tsx';

const isScent = (kind: string): boolean => kind === 'scent';
const START_DOSE = 30;
const PACES = {
  slows: 'slows trace',
  none: 'does not change the pace',
  slight: 'speeds trace slightly',
  moderate: 'speeds trace',
  strong: 'races',
  seizes: 'seizes',
} as const;

/** The scent or blend: what it allows, what it does, who gets it, and how it browns. */
export function ScentPart({ checks }: { readonly checks: readonly Check[] }) {
  const plan = usePlan();
  const { scent } = plan.base;
  return (
    <div className="two">
      <div>
        <Blend />
        {scent && <ScentPots />}
      </div>
      <aside>
        {scent && <ScentFigures scent={scent} />}
        <CheckList checks={checks} label="Checks on the scent" />
        {scent && <Browning />}
        <p className="caution">
          Never above the supplier’s limit for rinse-off soap; the supplier’s sheet wins over any figure here.
          Measure in glass or steel.
        </p>
      </aside>
    </div>
  );
}

function Blend() {
  const plan = usePlan();
  const { scent } = plan.base;
  const edit = useEdit();
  const print = usePrinter();
  const sum = scent?.parts.reduce((s, p) => s + p.parts, 0) ?? 0;
  return (
    <section aria-label="Scent">
      <div className="section-head">
        <h2>Scent</h2>
      </div>
      {!scent && <p className="soft">Unscented. Choose one, or several for a blend.</p>}
      {scent && (
        <ShareTable
          head={['Scent', 'Parts', 'Share']}
          rows={scent.parts.map((part) => {
            const m = materialOf(plan, part.materialId);
            const f = m.scent!;
            return {
              id: part.id,
              name: m.name,
              about: (
                <>
                  Up to {print.number(f.limit, 1)} g/kg of{' '}
                  {f.limitBasis === 'oils' ? 'oils' : 'finished soap'} · vanillin{' '}
                  {print.number(f.vanillin * 100, 1)} % · {PACES[f.pace]}
                </>
              ),
              field: (
                <NumberField
                  label={`Parts of ${m.name}`}
                  hideLabel
                  width={84}
                  value={part.parts}
                  {...PLAN_LIMITS.parts}
                  step={1}
                  onCommit={(parts) => {
                    edit(
                      (p) =>
                        changeScent(p, {
                          parts: p.base.scent!.parts.map((x) => (x.id === part.id ? { ...x, parts } : x)),
                        }),
                      `scent-part:${part.id}`,
                    );
                  }}
                />
              ),
              figure: `${sum > 0 ? print.fixed((part.parts / sum) * 100, 0) : '–'} %`,
              removeLabel: `Remove ${m.name}`,
              onRemove: () => {
                edit((p) => removeScentPart(p, part.id));
              },
            };
          })}
        />
      )}
      {scent?.parts.map((part) => (
        <Past
          key={part.materialId}
          of="scent"
          refId={part.materialId}
          name={materialOf(plan, part.materialId).name}
        />
      ))}
      <div className="row">
        {(scent?.parts.length ?? 0) < PLAN_LIMITS.scentParts && (
          <MaterialPicker
            label={scent ? 'Blend in another scent' : 'Choose a scent'}
            accept={isScent}
            taken={scent?.parts.map((p) => p.materialId) ?? []}
            onPick={(m) => {
              edit((p) => addScentPart(p, newId(), m, Math.min(START_DOSE, m.scent?.limit ?? START_DOSE)));
            }}
          />
        )}
      </div>
      {scent && (
        <div className="row">
          <NumberField
            label="In scented pots"
            width={140}
            value={scent.dose}
            digits={1}
            {...PLAN_LIMITS.dose}
            step={1}
            suffix="g/kg oils"
            onCommit={(dose) => {
              edit((p) => changeScent(p, { dose: gramsPerKg(dose) }), 'scent-dose');
            }}
          />
          <div className="field">
            <span className="field-label">Goes in</span>
            <Segmented<ScentMoment>
              aria-label="When the scent goes in"
              value={scent.when}
              onChange={(when) => {
                edit((p) => changeScent(p, { when }));
              }}
              options={[
                { value: 'pot', label: 'per pot, last' },
                { value: 'batter', label: 'before the split' },
                { value: 'oils', label: 'into the oils' },
              ]}
            />
          </div>
        </div>
      )}
      {scent?.when === 'oils' && (
        <p className="soft">In the oils it reaches every pot, white ones too. For scents known to race.</p>
      )}
    </section>
  );
}

function ScentPots() {
  const plan = usePlan();
  const { pots } = usePrep();
  const dispatch = useAppDispatch();
  const print = usePrinter();
  const { flow } = usePrep();
  const edit = useEdit();
  const { scent } = plan.base;
  const at = flow.ledger.at('scent');
  if (pots.length === 0) return <p className="soft">No pots yet: the whole batter gets it.</p>;
  return (
    <section aria-label="Which pots get it">
      <h3>Which pots get it</h3>
      <p className="soft">
        Leave out those that must stay white: the bar will smell about as strong.
        {scent?.when === 'pot' && ' A pot may have a rate of its own; limit, browning and pace follow it.'}
      </p>
      <ul className="scent-pots">
        {pots.map(({ pot, flow: f }) => (
          <li key={pot.id}>
            <Switch
              size="small"
              checked={pot.scented || plan.base.scent?.when === 'oils'}
              disabled={plan.base.scent?.when === 'oils'}
              aria-label={`${pot.name} is scented`}
              onChange={(scented) => {
                dispatch(edits.potSet({ id: pot.id, change: { scented } }));
              }}
            />
            <span>{pot.name}</span>
            {scent?.when === 'pot' && pot.scented && (
              <NumberField
                label={`Rate of scent in ${pot.name}`}
                hideLabel
                width={118}
                value={pot.scentDose ?? scent.dose}
                digits={1}
                {...PLAN_LIMITS.dose}
                step={1}
                suffix="g/kg"
                onCommit={(rate) => {
                  const own = rate === scent.dose ? null : gramsPerKg(rate);
                  edit((p) => setPot(p, pot.id, { scentDose: own }), `scent-dose:${pot.id}`);
                }}
              />
            )}
            <span className="figure">{f.contents[at]! > 0.005 ? print.mass(f.contents[at]!) : '–'}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function ScentFigures({ scent }: { readonly scent: ScentChoice }) {
  const plan = usePlan();
  const prep = usePrep();
  const edit = useEdit();
  const print = usePrinter();
  const blend = scentBlend(plan, scent, productPerOil(plan));
  const wanted = stabiliserFor(blend.vanillin);
  return (
    <section className="panel" aria-label="Amounts of scent">
      <dl className="figures figure">
        <Figure label="Scent in all" why={() => why.scent(plan, print)}>
          {print.mass(prep.scent?.mass ?? 0)}
        </Figure>
        <Figure label="Most allowed" why={() => why.scent(plan, print)}>
          {Number.isFinite(blend.limit) ? `${print.fixed(blend.limit, 1)} g/kg` : '–'}
        </Figure>
        {prep.scent?.cost != null && (
          <Figure label="Costs" why={() => why.scentCost(print, prep.scent!)}>
            {print.money(prep.scent.cost)}
          </Figure>
        )}
      </dl>
      <p className="soft figure">
        Vanillin {print.number(blend.vanillin * 100, 2)} %, {PACES[blend.pace]}.
      </p>
      <div className="row">
        <NumberField
          label="Vanillin stabiliser"
          width={150}
          value={scent.stabiliser}
          digits={2}
          {...PLAN_LIMITS.stabiliser}
          step={0.1}
          suffix="g per g"
          onCommit={(stabiliser) => {
            edit((p) => changeScent(p, { stabiliser }), 'stabiliser');
          }}
        />
        {wanted > 0 && scent.stabiliser !== wanted && (
          <Button
            onClick={() => {
              edit((p) => changeScent(p, { stabiliser: wanted }));
            }}
          >
            Usual: {print.number(wanted, 1)}
          </Button>
        )}
        {prep.scent && prep.scent.stabiliser > 0 && (
          <dl className="figures figure">
            <Figure label="Stabiliser" why={() => why.stabiliser(plan, print)}>
              {print.mass(prep.scent.stabiliser)}
            </Figure>
          </dl>
        )}
      </div>
    </section>
  );
}
