import { ArrowLeftOutlined, ArrowRightOutlined, CopyOutlined, DeleteOutlined } from '@ant-design/icons';
import { Button, Input, Select, Switch } from 'antd';
import { useState } from 'react';
import { DOSE_UNITS, type DoseUnit, isDosed, PLAN_LIMITS, type PrepPot } from '@kleur/core';
import { useAppDispatch } from '../../../app/hooks.ts';
import { usePrinter, useSettings } from '../../../shared/hooks/useSettings.ts';
import { EmptyState } from '../../../shared/ui/EmptyState.tsx';
import { NumberField } from '../../../shared/ui/NumberField.tsx';
import { unitName } from '../../../shared/ui/unitName.ts';
import { useBench } from '../BenchContext.ts';
import { bench, newId } from '../benchSlice.ts';
import { CheckList } from '../CheckList.tsx';
import { ColourCard } from '../ColourCard.tsx';
import { MaterialPicker } from '../MaterialPicker.tsx';
import { nextPotName } from '../potNames.ts';
import { isOfPot, useChecks, usePlan, usePrep } from '../useDerived.ts';
import { LadderDialog } from '../LadderDialog.tsx';
import { MatchDrawer } from '../MatchDrawer.tsx';
import { DoseRowCard } from './DoseRowCard.tsx';

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
        {plan.base.oils.length === 0 && (
          <p className="soft">
            No oils yet: colours are shown on a near-white base until the Base step has some.
          </p>
        )}
      </aside>
    </div>
  );
}

function PotHead({ pot }: { readonly pot: PrepPot }) {
  const { id, name, parts, scented } = pot.pot;
  const plan = usePlan();
  const { select } = useBench();
  const dispatch = useAppDispatch();
  const print = usePrinter();
  const [text, setText] = useState<string | null>(null);
  const at = plan.pots.findIndex((p) => p.id === id);
  const sum = plan.pots.reduce((total, p) => total + p.parts, 0);
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
                dispatch(bench.potSet({ id, change: { name: e.target.value } }));
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
        <NumberField
          label="Parts"
          width={100}
          value={parts}
          {...PLAN_LIMITS.parts}
          step={1}
          suffix={`of ${print.number(sum, 2)}`}
          onCommit={(v) => {
            dispatch(bench.potSet({ id, change: { parts: v } }));
          }}
        />
        {plan.base.scent && (
          <div className="field">
            <label className="field-label" htmlFor="pot-scented">
              Scented
            </label>
            <Switch
              id="pot-scented"
              checked={scented}
              onChange={(v) => {
                dispatch(bench.potSet({ id, change: { scented: v } }));
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
              dispatch(bench.potMoved({ id, by: -1 }));
            }}
          />
          <Button
            type="text"
            icon={<ArrowRightOutlined />}
            disabled={at === plan.pots.length - 1}
            aria-label="Move the pot right"
            title="Move right"
            onClick={() => {
              dispatch(bench.potMoved({ id, by: 1 }));
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
              dispatch(bench.potCopied({ id, copyId }));
              select(copyId);
            }}
          />
          <Button
            type="text"
            icon={<DeleteOutlined />}
            aria-label="Remove the pot"
            title="Remove (undo brings it back)"
            onClick={() => {
              dispatch(bench.potRemoved(id));
            }}
          />
        </div>
      </div>
      <p className="soft figure">
        {print.number(pot.fraction * 100, 1)} % of the batter · {print.number(pot.oils, 1)} g oils
        {pot.batter !== null && <> · {print.number(pot.batter, 0)} g plain batter</>}
        {pot.scent > 0 && <> · {print.number(pot.scent, 1)} g scent</>}
      </p>
    </section>
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
      {pot.rows.length === 0 && <p className="soft">Uncoloured: this pot stays the bare base.</p>}
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
