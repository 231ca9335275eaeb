import { Drawer, Segmented, Select, Switch } from 'antd';
import { useMemo, useState } from 'react';
import { potComposition } from '@kleur/core/balance';
import { labD65FromHex, type LabD65, screenColourFromLabD65 } from '@kleur/core/colour';
import { type Adjusted, type Direction, DIRECTIONS, type MatchResult, type Recipe } from '@kleur/core/match';
import { predictColour } from '@kleur/core/pigment';
import { isBaseTold } from '@kleur/core/plan';
import { type PrepPot } from '@kleur/core/work';
import { useBatchesQuery } from '../../data/batches.ts';
import { usePalettesQuery } from '../../data/palettes.ts';
import { useAppDispatch } from '../../data/store.ts';
import { ColourPicker } from '../../shared/ui/ColourPicker.tsx';
import { searchWorker } from '../../workers/client.ts';
import { edits } from './state/edits.ts';
import { ByNameSelects } from './ByNameSelects.tsx';
import { joinedText } from './joinedText.ts';
import { MatchFilterBar } from './MatchFilterBar.tsx';
import { RecipeCard } from './RecipeCard.tsx';
import { named, useMatches, useProblem, useShelf } from './useMatching.ts';
import { addingTo, type ByName, curedStage, formulaOf } from './state/matching.ts';
import { usePlan, usePlanGel } from './state/useDerived.ts';

const SIZES = [
  { value: 3, label: 'a little' },
  { value: 7, label: 'more' },
  { value: 13, label: 'much' },
];

export interface MatchDrawerProps {
  readonly pot: PrepPot;
  /** Material to do without: the pot's own colour is wanted again, made otherwise. */
  readonly without: string | null;
  readonly onClose: () => void;
}

/** From a wanted colour to a formula for one pot. */
export function MatchDrawer({ pot, without, onClose }: MatchDrawerProps) {
  const plan = usePlan();
  const shelf = useShelf();
  const dispatch = useAppDispatch();
  const gel = usePlanGel();
  const own = useMemo(
    () => predictColour(potComposition(plan, pot.pot), curedStage(gel)).lab,
    // The colour when the drawer opened is what is wanted again, not what each recipe makes of it.
    // oxlint-disable-next-line react/exhaustive-deps
    [],
  );
  const [target, setTarget] = useState<LabD65>(own);
  const [rescue, setRescue] = useState(false);
  const [size, setSize] = useState(7);
  const [adjusted, setAdjusted] = useState<Adjusted | null>(null);
  const [byName, setByName] = useState<ByName>(() => ({ exclude: without ? [without] : [] }));
  const base = useProblem(pot, gel, byName);
  const problem = useMemo(
    () => (base && rescue ? addingTo(base, plan, pot.pot) : base),
    [base, rescue, pot, plan],
  );
  const { results, busy } = useMatches(problem, [target]);
  const result: MatchResult | undefined = adjusted ? adjusted.result : results[0];
  const wanted = screenColourFromLabD65(adjusted ? adjusted.target : target);

  const want = (lab: LabD65): void => {
    setAdjusted(null);
    setTarget(lab);
  };
  const adjust = async (direction: Direction): Promise<void> => {
    if (!problem) return;
    const from = predictColour(potComposition(plan, pot.pot), curedStage(gel)).lab;
    const ids = pot.pot.doses.map((d) => d.materialId);
    setAdjusted(await searchWorker().adjust({ ...problem, target: from }, ids, direction, size));
  };
  const use = (recipe: Recipe): void => {
    const present = (id: string): number =>
      rescue ? (pot.pot.doses.find((d) => d.materialId === id)?.dose ?? 0) : 0;
    const added = recipe.parts.map((p) => ({ id: p.id, dose: p.dose + present(p.id) }));
    const kept = rescue
      ? pot.pot.doses
          .filter((d) => !recipe.parts.some((p) => p.id === d.materialId))
          .map((d) => ({ id: d.materialId, dose: d.dose }))
      : [];
    dispatch(edits.formulaSet({ potId: pot.pot.id, parts: formulaOf([...kept, ...added], shelf) }));
  };

  return (
    <Drawer open size={560} title={`Match a colour for ${pot.pot.name}`} onClose={onClose} mask={false}>
      <div className="editor">
        {without && <p>The same colour without {shelf.get(without)?.name ?? without}.</p>}
        <div className="row">
          <div className="field">
            <span className="field-label">Wanted, cured</span>
            <ColourPicker
              value={wanted.hex}
              label={`Wanted ${wanted.hex}: change it`}
              onPick={(hex) => {
                want(labD65FromHex(hex));
              }}
            />
          </div>
          <TargetPicker onPick={want} />
        </div>
        {!wanted.inGamut && (
          <p className="soft small">
            Beyond what a screen can show; the swatch is the nearest of the same hue.
          </p>
        )}
        <MatchFilterBar />
        <details className="by-name">
          <summary>By name{namedCount(byName)}</summary>
          <ByNameSelects
            value={byName}
            onChange={(value) => {
              setAdjusted(null);
              setByName(value);
            }}
          />
        </details>
        <div className="row">
          <div className="adjusts" role="group" aria-label="Move the pot’s own colour">
            {DIRECTIONS.map((d) => (
              <button key={d} type="button" className="adjust" onClick={() => void adjust(d)}>
                {d}
              </button>
            ))}
          </div>
          <Segmented aria-label="By how much" value={size} onChange={setSize} options={SIZES} size="small" />
        </div>
        <label className="row">
          <Switch
            size="small"
            checked={rescue}
            onChange={(v) => {
              setAdjusted(null);
              setRescue(v);
            }}
          />
          <span>Only add to what is in the pot (nothing can be taken out)</span>
        </label>
        {adjusted && (
          <p className="soft">
            {adjusted.joined.length === 0
              ? 'With the colourants already in the pot.'
              : `The pot’s own colourants cannot do it alone: ${joinedText(adjusted.joined, shelf)}.`}
          </p>
        )}
        <div aria-live="polite" aria-busy={busy}>
          {result && result.reasons.length > 0 && (
            <ul className="reasons">
              {result.reasons.map((r) => (
                <li key={r}>{named(r, shelf)}</li>
              ))}
            </ul>
          )}
          <ul className="recipes" aria-label="Recipes">
            {result?.recipes.map((r) => (
              <RecipeCard
                key={r.parts.map((p) => p.id).join()}
                recipe={r}
                wantedHex={wanted.hex}
                shelf={shelf}
                potOils={pot.oils}
                gelled={gel > 0.5}
                isBaseTold={isBaseTold(plan.base.learnt)}
                adding={rescue}
                onUse={() => {
                  use(r);
                }}
              />
            ))}
          </ul>
        </div>
      </div>
    </Drawer>
  );
}

const namedCount = ({ must = [], only = [], exclude = [] }: ByName): string => {
  const count = must.length + only.length + exclude.length;
  return count > 0 ? ` · ${count}` : '';
};

/** A colour from somewhere else: this palette, a saved one, a pot of another batch. */
function TargetPicker({ onPick }: { readonly onPick: (lab: LabD65) => void }) {
  const plan = usePlan();
  const { data: palettes = [] } = usePalettesQuery();
  const { data: batches } = useBatchesQuery({ page: 1, q: '', state: '' });
  const groups = useMemo(() => {
    const option = (key: string, label: string, lab: LabD65) => ({
      value: key,
      label,
      lab,
      hex: screenColourFromLabD65(lab).hex,
    });
    return [
      { label: 'This palette', options: plan.idea.colours.map((c) => option(`p:${c.id}`, c.name, c.lab)) },
      ...palettes.map((p) => ({
        label: p.name,
        options: p.colours.map((c, i) => option(`${p.id}:${i}`, c.name, c.lab)),
      })),
      ...(batches?.items ?? []).map((b) => ({
        label: `Pots of ${b.name}`,
        options: b.face.map((f, i) => option(`${b.id}:${i}`, f.name, labD65FromHex(f.hex))),
      })),
    ].filter((g) => g.options.length > 0);
  }, [plan.idea.colours, palettes, batches]);
  return (
    <div className="field grow">
      <span className="field-label">or from</span>
      <Select
        aria-label="A colour from elsewhere"
        placeholder="a palette or a past pot"
        value={null}
        showSearch={{ optionFilterProp: 'label' }}
        options={groups}
        optionRender={({ data }) => {
          const o = data as unknown as { label: string; hex: string };
          return (
            <span className="picker-option">
              <i className="chip" style={{ background: o.hex }} />
              {o.label}
            </span>
          );
        }}
        onSelect={(_, option) => {
          onPick((option as unknown as { lab: LabD65 }).lab);
        }}
      />
    </div>
  );
}
