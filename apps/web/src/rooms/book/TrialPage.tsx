import { Button, Checkbox, Segmented, Select, Switch } from 'antd';
import { useMemo, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { type MaterialWire } from '@kleur/contract';
import { colourWords, screenColourFromLabD65 } from '@kleur/core/colour';
import { TRIAL_LIMITS } from '@kleur/core/evidence';
import { doubtOf, isColourant, isWhitener, type Material } from '@kleur/core/material';
import { cured, predictLab, referenceCanvas } from '@kleur/core/pigment';
import { isBaseTold, type LearntBase } from '@kleur/core/plan';
import { cupName, recipeOf, STARTING_BASES, startTrial } from '@kleur/core/start';
import { failureOf } from '../../data/api.ts';
import { useCreateBatchMutation } from '../../data/batches.ts';
import { useLearntBase } from '../../data/learntBase.ts';
import { useMaterialsQuery } from '../../data/materials.ts';
import { newId } from '../../data/newId.ts';
import { useRecipesQuery } from '../../data/saved.ts';
import { useNotices } from '../../shared/hooks/useNotices.ts';
import { doubtText } from '../../shared/doubtText.ts';
import { usePrinter } from '../../shared/hooks/useSettings.ts';
import { NumberField } from '../../shared/ui/NumberField.tsx';
import { teeth } from '../../shared/ui/Teeth.tsx';
import { MassField } from '../../shared/ui/Quantity.tsx';
import styles from './book.module.css';
import { type GelWish, type ReadBy, type Trial, useTrial } from './useTrial.ts';

/** Batter in a cup to begin with, g. */
const CUP = 40;

/** Plans a small batch of test cups: the bars that would teach most about the colourants chosen. */
export function TrialPage() {
  const { data: shelf } = useMaterialsQuery();
  const [search] = useSearchParams();
  const learnt = useLearntBase();
  if (!shelf || learnt === undefined) return <p className="loading">Opening…</p>;
  return <Planner shelf={shelf} first={search.get('of')} learnt={learnt} />;
}

function Planner(props: {
  readonly shelf: readonly MaterialWire[];
  readonly first: string | null;
  readonly learnt: LearntBase | null;
}) {
  const { shelf, first, learnt } = props;
  const byId = useMemo(() => new Map(shelf.map((m) => [m.id, plain(m)])), [shelf]);
  const colourants = shelf.filter((m) => m.optics && !m.optics.specks && m.window && isColourant(m.kind));
  const trial = useTrial(shelf, first !== null && colourants.some((m) => m.id === first) ? first : null);
  const { wish, change } = trial;
  const { data: recipes = [] } = useRecipesQuery();
  const [baseId, setBaseId] = useState(STARTING_BASES[0]!.id);
  const [cup, setCup] = useState(CUP);
  const [create, { isLoading }] = useCreateBatchMutation();
  const { message } = useNotices();
  const navigate = useNavigate();
  const chosen = trial.proposed.filter((_, i) => !trial.leftOut.has(i));
  const recipe = (): Parameters<typeof startTrial>[0]['recipe'] | null => {
    const starting = STARTING_BASES.find((b) => b.id === baseId);
    return starting ? recipeOf(starting, byId) : (recipes.find((r) => r.id === baseId) ?? null);
  };
  const plan = async (): Promise<void> => {
    const of = recipe();
    if (!of) {
      message.error('The oils of this base are not all on the shelf any more.');
      return;
    }
    const cups = chosen.map((bar) => ({
      gelled: bar.gelled,
      doses: bar.doses.map((d) => ({ material: byId.get(d.materialId)!, dose: d.dose })),
    }));
    const names = wish.materialIds.map((id) => byId.get(id)!.name);
    try {
      const made = await create({
        name: `Test of ${names.join(', ')}`.slice(0, 80),
        state: 'planned',
        madeOn: null,
        plan: startTrial({ recipe: of, cups, cup, learnt }, newId),
      }).unwrap();
      void navigate(`/batches/${made.id}/prep`);
    } catch (error) {
      message.error(failureOf(error).message);
    }
  };
  return (
    <div className={styles.book}>
      <title>Plan a test · Swatch book · Kleur</title>
      <header className={styles.head}>
        <Link to="/book">Swatch book</Link>
        <h1>Plan a test</h1>
      </header>
      <div className={styles.trialForm}>
        <label className={styles.wide}>
          <span className="field-label">What to learn</span>
          <Select<string[]>
            mode="multiple"
            aria-label="What to learn"
            placeholder="Colourants"
            maxCount={TRIAL_LIMITS.materials}
            value={[...wish.materialIds]}
            onChange={(materialIds) => {
              change({ materialIds });
            }}
            showSearch={{ optionFilterProp: 'label' }}
            options={colourants.map((m) => ({ value: m.id, label: m.name }))}
          />
        </label>
        <label>
          <span className="field-label">Mixed with</span>
          <Select<string>
            aria-label="Mixed with"
            value={wish.whiteId ?? ''}
            onChange={(id) => {
              change({ whiteId: id === '' ? null : id });
            }}
            options={[
              { value: '', label: 'no white' },
              ...colourants.filter(isWhitener).map((m) => ({ value: m.id, label: m.name })),
            ]}
          />
        </label>
        <span className={styles.trialField}>
          <span className="field-label">Cups</span>
          <Segmented<GelWish>
            aria-label="How the cups gel"
            value={wish.gel}
            onChange={(gel) => {
              change({ gel });
            }}
            options={[
              { value: 'both', label: 'oven and cool' },
              { value: 'oven', label: 'oven' },
              { value: 'cool', label: 'cool' },
            ]}
          />
        </span>
        <span className={styles.trialField}>
          <span className="field-label">Read with</span>
          <Segmented<ReadBy>
            aria-label="Read with"
            value={wish.by}
            onChange={(by) => {
              change({ by });
            }}
            options={[
              { value: 'photo', label: 'photo and card' },
              { value: 'lab', label: 'L*, a*, b*' },
              { value: 'reader', label: 'colour reader' },
            ]}
          />
        </span>
        <NumberField
          label="Cups at most"
          width={110}
          value={wish.count}
          digits={0}
          min={1}
          max={TRIAL_LIMITS.bars}
          step={1}
          onCommit={(count) => {
            change({ count });
          }}
        />
        <label className={styles.switch}>
          <Switch
            aria-label="A cup without colour"
            checked={wish.bare}
            onChange={(bare) => {
              change({ bare });
            }}
          />
          <span>A cup without colour, if it teaches more</span>
        </label>
      </div>
      <Proposed trial={trial} byId={byId} learnt={learnt} />
      {trial.proposed.length > 0 && (
        <div className={styles.trialForm}>
          <label>
            <span className="field-label">Base</span>
            <Select<string>
              aria-label="Base"
              value={baseId}
              onChange={setBaseId}
              options={[
                ...recipes.map((r) => ({ value: r.id, label: r.name })),
                ...STARTING_BASES.map((b) => ({ value: b.id, label: b.name })),
              ]}
            />
          </label>
          <MassField
            label="Batter in each cup"
            width={140}
            value={cup}
            min={TRIAL_LIMITS.cup.min}
            max={TRIAL_LIMITS.cup.max}
            onCommit={setCup}
          />
          <Button
            type="primary"
            loading={isLoading}
            disabled={chosen.length === 0}
            onClick={() => void plan()}
          >
            Plan {chosen.length === 1 ? 'this cup' : `these ${chosen.length} cups`}
          </Button>
          <span className="soft">It is a batch like any other: weighed, labelled, made and read as one.</span>
        </div>
      )}
    </div>
  );
}

/** A plan keeps none of the shelf’s bookkeeping about a material. */
const plain = ({ version: _v, builtIn: _b, ...material }: MaterialWire): Material => material;

function Proposed(props: {
  readonly trial: Trial;
  readonly byId: ReadonlyMap<string, Material>;
  readonly learnt: LearntBase | null;
}) {
  const { trial, byId, learnt } = props;
  const canvas = learnt ? { ...referenceCanvas, base: learnt.base } : referenceCanvas;
  const { wish, proposed, isAsking, failure, leftOut, toggle } = trial;
  const print = usePrinter();
  if (failure !== '')
    return (
      <p role="alert" className="field-problem">
        {failure}
      </p>
    );
  if (wish.materialIds.length === 0)
    return <p className="soft">Choose what you want to learn. A few cups then tell most of it.</p>;
  if (isAsking && proposed.length === 0) return <p className="soft">Weighing what each bar would teach…</p>;
  if (proposed.length === 0)
    return (
      <p>
        No further bar is worth making: read this way it would tell less than is known already. A colour
        reader tells more than a photo.
      </p>
    );
  return (
    <section aria-label="Bars that teach most">
      <p role="status">
        With these bars the colours of the test are foretold within ± ΔE{' '}
        {print.number(proposed.at(-1)!.after, 1)} or so, where it is ± ΔE{' '}
        {print.number(proposed[0]!.before, 1)} now.
      </p>
      <ul className={styles.proposed}>
        {proposed.map((bar, i) => {
          const cup = {
            gelled: bar.gelled,
            doses: bar.doses.map((d) => ({ material: byId.get(d.materialId)!, dose: d.dose })),
          };
          const parts = cup.doses.map(({ material: m, dose }) => ({
            optics: m.optics!,
            curve: m.curve,
            dose,
          }));
          const stage = cured(Number(bar.gelled));
          const lab = predictLab(canvas, parts, stage);
          const doubt = doubtOf(canvas, parts, stage);
          return (
            <li key={`${cupName(cup)} ${i}`}>
              <Checkbox
                checked={!leftOut.has(i)}
                onChange={() => {
                  toggle(i);
                }}
              >
                <i
                  className={styles.chip}
                  style={{ background: screenColourFromLabD65(lab).hex }}
                  title={`${colourWords(lab)}, ${doubtText(doubt, doubt.deltaE, isBaseTold(learnt), print)}`}
                >
                  {teeth(doubt)}
                </i>{' '}
                {cupName(cup)}
                {!bar.gelled && <span className="soft">, kept cool</span>}
              </Checkbox>
              <span className="figure">
                ± {print.fixed(bar.before, 1)} → {print.fixed(bar.after, 1)}
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
