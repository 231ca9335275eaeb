import { Button, Select } from 'antd';
import { lazy, memo, Suspense, useCallback, useMemo, useState } from 'react';
import { inheritedDoses } from '@kleur/core/balance';
import { isDosed } from '@kleur/core/material';
import { PLAN_LIMITS } from '@kleur/core/plan';
import { DOSE_UNITS, type DoseUnit } from '@kleur/core/units';
import { useAppDispatch } from '../../../data/store.ts';
import { usePrinter, useSettings } from '../../../shared/hooks/useSettings.ts';
import { useKeys } from '../../../shared/hooks/useKeys.ts';
import { KEYS } from '../../../shared/keys.ts';
import { EmptyState } from '../../../shared/ui/EmptyState.tsx';
import { unitName } from '../../../shared/ui/unitName.ts';
import { useBench } from '../BenchContext.ts';
import { edits } from '../state/edits.ts';
import { newId } from '../../../data/newId.ts';
import { CheckList } from '../CheckList.tsx';
import { ColourCard } from '../ColourCard.tsx';
import { MaterialPicker } from '../MaterialPicker.tsx';
import { nextPotName } from '../potNames.ts';
import { useChecks, usePlan, usePlanFrame, usePlanPart, usePrep, usePrepPot } from '../state/useDerived.ts';
import { DoseRowCard } from './DoseRowCard.tsx';
import { FlowPicture } from './pots/FlowPicture.tsx';
import { SameLookAgain } from './pots/SameLookAgain.tsx';
import { PotHead } from './pots/PotHead.tsx';
import { SharePanel } from './pots/SharePanel.tsx';

const LadderDialog = lazy(() => import('../LadderDialog.tsx').then((m) => ({ default: m.LadderDialog })));
const MatchDrawer = lazy(() => import('../MatchDrawer.tsx').then((m) => ({ default: m.MatchDrawer })));

/** The selected pot: its share, its formula and what it will look like. */
export function PotsStep() {
  const { selectedId, select } = useBench();
  const dispatch = useAppDispatch();
  const pot = usePlanFrame().pots.find((p) => p.id === selectedId);
  if (!pot) {
    return (
      <EmptyState
        title="No pots yet"
        action={
          <Button
            type="primary"
            onClick={() => {
              const id = newId();
              dispatch(edits.potAdded({ id, name: nextPotName([]) }));
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
  return (
    <div className="two">
      <div key={pot.id}>
        <PotHead potId={pot.id} />
        <PotShare potId={pot.id} />
        <Formula potId={pot.id} />
      </div>
      <aside>
        <h2>{pot.name}</h2>
        <ColourCard potId={pot.id} label={pot.name} />
        <PotChecks potId={pot.id} name={pot.name} />
        <FlowPicture />
        <NoOilsYet />
      </aside>
    </div>
  );
}

function PotShare({ potId }: { readonly potId: string }) {
  const pot = usePrepPot(potId);
  return pot && <SharePanel pot={pot} />;
}

const PotChecks = memo(function PotChecks({
  potId,
  name,
}: {
  readonly potId: string;
  readonly name: string;
}) {
  const checks = useChecks();
  return (
    <CheckList
      checks={[
        ...checks.filter((c) => c.place.at === 'pots'),
        ...checks.filter((c) => c.place.at === 'pot' && c.place.potId === potId),
      ]}
      label={`Checks on ${name}`}
    />
  );
});

const NoOilsYet = memo(function NoOilsYet() {
  const empty = usePlanPart((p) => p.base.oils.length === 0);
  return (
    empty && (
      <p className="soft">
        No oils yet: colours are shown on a near-white base until the Base step has some.
      </p>
    )
  );
});

/** What came with the batter of other pots, or is in the whole batch. */
function Inherited({ potId }: { readonly potId: string }) {
  const pot = usePrepPot(potId);
  const plan = usePlan();
  const print = usePrinter();
  const { flow } = usePrep();
  if (!pot) return null;
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

/** The materials of a pot, and the ways to find others. */
const Formula = memo(function Formula({ potId }: { readonly potId: string }) {
  const settings = useSettings();
  const [chosen, setChosen] = useState<DoseUnit | null>(null);
  const unit = chosen ?? settings.doseUnit;
  const [matching, setMatching] = useState<{ without: string | null } | null>(null);
  const [laddering, setLaddering] = useState(false);
  useKeys({
    [KEYS.match.key]: () => {
      setMatching({ without: null });
    },
  });
  const match = useCallback((without: string | null) => {
    setMatching({ without });
  }, []);
  const ladder = useCallback(() => {
    setLaddering(true);
  }, []);
  const rowIds = usePlanPart((p) =>
    JSON.stringify(p.pots.find((q) => q.id === potId)?.doses.map((d) => d.id) ?? []),
  );
  const derived = usePlanPart(
    (p) => p.pots.find((q) => q.id === potId)?.draws.some((d) => d.from !== null) ?? false,
  );
  const rows = useMemo(() => JSON.parse(rowIds) as string[], [rowIds]);
  return (
    <section aria-label="Formula">
      <FormulaHead unit={unit} onUnit={setChosen} onMatch={match} onLadder={ladder} />
      {rows.length === 0 && (
        <p className="soft">
          {derived
            ? 'Nothing added: it keeps the colour of what it is made from.'
            : 'Uncoloured: this pot stays the bare base.'}
        </p>
      )}
      <Inherited potId={potId} />
      <ul className="doses">
        {rows.map((rowId) => (
          <DoseRowCard key={rowId} potId={potId} rowId={rowId} unit={unit} onWithout={match} />
        ))}
      </ul>
      <AddMaterial potId={potId} />
      {matching && (
        <MatchFor
          key={`${potId}:${matching.without ?? ''}`}
          potId={potId}
          without={matching.without}
          onClose={() => {
            setMatching(null);
          }}
        />
      )}
      {laddering && (
        <Suspense fallback={null}>
          <LadderDialog
            potId={potId}
            onClose={() => {
              setLaddering(false);
            }}
          />
        </Suspense>
      )}
    </section>
  );
});

const FormulaHead = memo(function FormulaHead(props: {
  readonly unit: DoseUnit;
  readonly onUnit: (unit: DoseUnit) => void;
  readonly onMatch: (without: string | null) => void;
  readonly onLadder: () => void;
}) {
  return (
    <div className="section-head">
      <h2>Formula</h2>
      <span className="spring" />
      <Button
        onClick={() => {
          props.onMatch(null);
        }}
      >
        Match a colour…
      </Button>
      <Button onClick={props.onLadder}>Ladder…</Button>
      <SameLookAgain />
      <Select
        aria-label="Doses in"
        value={props.unit}
        onChange={props.onUnit}
        options={DOSE_UNITS.map((u) => ({ value: u, label: unitName[u] }))}
        style={{ width: 150 }}
      />
    </div>
  );
});

const AddMaterial = memo(function AddMaterial({ potId }: { readonly potId: string }) {
  const dispatch = useAppDispatch();
  const text = usePlanPart((p) =>
    JSON.stringify(p.pots.find((q) => q.id === potId)?.doses.map((d) => d.materialId) ?? []),
  );
  const taken = useMemo(() => JSON.parse(text) as string[], [text]);
  if (taken.length >= PLAN_LIMITS.dosesPerPot)
    return <p className="soft">At most {PLAN_LIMITS.dosesPerPot} materials in a pot.</p>;
  return (
    <MaterialPicker
      label="Add a colourant or additive"
      accept={isDosed}
      taken={taken}
      onPick={(material) => {
        dispatch(edits.doseAdded({ potId, rowId: newId(), material }));
      }}
    />
  );
});

function MatchFor(props: {
  readonly potId: string;
  readonly without: string | null;
  readonly onClose: () => void;
}) {
  const pot = usePrepPot(props.potId);
  return (
    pot && (
      <Suspense fallback={null}>
        <MatchDrawer pot={pot} without={props.without} onClose={props.onClose} />
      </Suspense>
    )
  );
}
