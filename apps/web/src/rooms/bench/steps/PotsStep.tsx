import { Button, Select } from 'antd';
import { useState } from 'react';
import { inheritedDoses } from '@kleur/core/balance';
import { isDosed } from '@kleur/core/material';
import { PLAN_LIMITS } from '@kleur/core/plan';
import { DOSE_UNITS, type DoseUnit } from '@kleur/core/units';
import { type PrepPot } from '@kleur/core/work';
import { useAppDispatch } from '../../../app/hooks.ts';
import { usePrinter, useSettings } from '../../../shared/hooks/useSettings.ts';
import { EmptyState } from '../../../shared/ui/EmptyState.tsx';
import { unitName } from '../../../shared/ui/unitName.ts';
import { useBench } from '../BenchContext.ts';
import { bench } from '../benchSlice.ts';
import { newId } from '../../../shared/newId.ts';
import { CheckList } from '../CheckList.tsx';
import { ColourCard } from '../ColourCard.tsx';
import { MaterialPicker } from '../MaterialPicker.tsx';
import { nextPotName } from '../potNames.ts';
import { isOfPot, useChecks, usePlan, usePrep } from '../useDerived.ts';
import { LadderDialog } from '../LadderDialog.tsx';
import { MatchDrawer } from '../MatchDrawer.tsx';
import { DoseRowCard } from './DoseRowCard.tsx';
import { FlowPicture } from './pots/FlowPicture.tsx';
import { PotHead } from './pots/PotHead.tsx';
import { SharePanel } from './pots/SharePanel.tsx';

/** The selected pot: its share, its formula and what it will look like. */
export function PotsStep() {
  const { selectedId, select } = useBench();
  const { pots } = usePrep();
  const plan = usePlan();
  const checks = useChecks();
  const dispatch = useAppDispatch();
  const pot = pots.find((p) => p.pot.id === selectedId);
  if (!pot) {
    return (
      <EmptyState
        title="No pots yet"
        action={
          <Button
            type="primary"
            onClick={() => {
              const id = newId();
              dispatch(bench.potAdded({ id, name: nextPotName([]) }));
              select(id);
            }}
          >
            Add the first pot
          </Button>
        }
      >
        A pot is a portion of the batter with a colour of its own. Leave one uncoloured to keep the bare base.
      </EmptyState>
    );
  }
  const ofPot = checks.filter((c) => isOfPot(c, pot.pot.id));
  return (
    <div className="two">
      <div>
        <PotHead key={pot.pot.id} pot={pot} />
        <SharePanel key={`share-${pot.pot.id}`} pot={pot} />
        <Formula pot={pot} />
      </div>
      <aside>
        <h2>{pot.pot.name}</h2>
        <ColourCard potId={pot.pot.id} label={pot.pot.name} />
        <CheckList
          checks={[
            ...checks.filter((c) => c.place.at === 'pots'),
            ...ofPot.filter((c) => c.place.at === 'pot'),
          ]}
          label={`Checks on ${pot.pot.name}`}
        />
        <FlowPicture />
        {plan.base.oils.length === 0 && (
          <p className="soft">
            No oils yet: colours are shown on a near-white base until the Base step has some.
          </p>
        )}
      </aside>
    </div>
  );
}

/** What came with the batter of other pots, or is in the whole batch. */
function Inherited({ pot }: { readonly pot: PrepPot }) {
  const plan = usePlan();
  const print = usePrinter();
  const { flow } = usePrep();
  const given = inheritedDoses(plan, pot.pot);
  const scent = pot.flow.contents[flow.ledger.at('scent')]! - pot.flow.scent;
  if (given.length === 0 && scent < 0.005) return null;
  return (
    <p className="inherited figure">
      <span className="soft">In it already:</span>
      {given.map(({ material, dose }) => (
        <span key={material.id}>
          <i className="chip" style={{ background: material.colour ?? 'transparent' }} />
          {material.name} <b>{print.number(dose, 2)} g/kg</b>
        </span>
      ))}
      {scent >= 0.005 && (
        <span>
          scent <b>{print.mass(scent)}</b>
        </span>
      )}
    </p>
  );
}

function Formula({ pot }: { readonly pot: PrepPot }) {
  const settings = useSettings();
  const [chosen, setChosen] = useState<DoseUnit | null>(null);
  const unit = chosen ?? settings.doseUnit;
  const [matching, setMatching] = useState<{ without: string | null } | null>(null);
  const [laddering, setLaddering] = useState(false);
  const checks = useChecks();
  const dispatch = useAppDispatch();
  const { doses, id: potId } = pot.pot;
  return (
    <section aria-label="Formula">
      <div className="section-head">
        <h2>Formula</h2>
        <span className="spring" />
        <Button
          onClick={() => {
            setMatching({ without: null });
          }}
        >
          Match a colour…
        </Button>
        <Button
          onClick={() => {
            setLaddering(true);
          }}
        >
          Ladder…
        </Button>
        <Select
          aria-label="Doses in"
          value={unit}
          onChange={setChosen}
          options={DOSE_UNITS.map((u) => ({ value: u, label: unitName[u] }))}
          style={{ width: 150 }}
        />
      </div>
      {pot.rows.length === 0 && (
        <p className="soft">
          {pot.pot.draws.some((d) => d.from !== null)
            ? 'Nothing added: it keeps the colour of what it is made from.'
            : 'Uncoloured: this pot stays the bare base.'}
        </p>
      )}
      <Inherited pot={pot} />
      <ul className="doses">
        {pot.rows.map((row) => (
          <DoseRowCard
            key={row.row.id}
            onWithout={() => {
              setMatching({ without: row.material.id });
            }}
            pot={pot}
            row={row}
            unit={unit}
            checks={checks.filter((c) => c.place.at === 'dose' && c.place.rowId === row.row.id)}
          />
        ))}
      </ul>
      {doses.length < PLAN_LIMITS.dosesPerPot ? (
        <MaterialPicker
          label="Add a colourant or additive"
          accept={isDosed}
          taken={doses.map((d) => d.materialId)}
          onPick={(material) => {
            dispatch(bench.doseAdded({ potId, rowId: newId(), material }));
          }}
        />
      ) : (
        <p className="soft">At most {PLAN_LIMITS.dosesPerPot} materials in a pot.</p>
      )}
      {matching && (
        <MatchDrawer
          key={`${potId}:${matching.without ?? ''}`}
          pot={pot}
          without={matching.without}
          onClose={() => {
            setMatching(null);
          }}
        />
      )}
      {laddering && (
        <LadderDialog
          potId={potId}
          onClose={() => {
            setLaddering(false);
          }}
        />
      )}
    </section>
  );
}
