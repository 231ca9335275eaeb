import { Button, Segmented, Select } from 'antd';
import { useMemo, useState } from 'react';
import { planCanvas, potComposition } from '@kleur/core/balance';
import { type LabD65, screenColourFromLabD65 } from '@kleur/core/colour';
import {
  blendPots,
  checkApart,
  type Deficiency,
  greyOrder,
  mendPair,
  OMBRE_MOST,
  simulateDeficiency,
  techniqueById,
  TECHNIQUES,
} from '@kleur/core/palette';
import { type Composition, predictLab } from '@kleur/core/pigment';
import { useAppDispatch } from '../../../data/store.ts';
import { usePrinter } from '../../../shared/hooks/useSettings.ts';
import { LevelMark } from '../../../shared/ui/Levels.tsx';
import { searchWorker } from '../../../workers/client.ts';
import { edits } from '../state/edits.ts';
import { usePlan, usePrep, usePlanGel } from '../state/useDerived.ts';
import { useProblem, useShelf } from '../useMatching.ts';
import { curedStage, formulaOf } from '../state/matching.ts';
import { type MatchedColour } from './usePaletteMatches.ts';

/** A pot, or a palette colour that is none yet, as the checks look at it. */
interface Item {
  readonly name: string;
  readonly lab: LabD65;
  readonly composition: Composition;
  readonly potId: string | null;
  readonly colourId: string | null;
}

const hexOf = (lab: LabD65): string => screenColourFromLabD65(lab).hex;
const eyes: readonly (readonly [Deficiency, string])[] = [
  ['protan', 'Red-weak (protan)'],
  ['deutan', 'Green-weak (deutan)'],
  ['tritan', 'Blue-weak (tritan)'],
];

/** What the technique asks of the colours: values, distances, mud, and other eyes. */
export function ChecksPanel({ colours }: { readonly colours: readonly MatchedColour[] }) {
  const plan = usePlan();
  const gel = usePlanGel();
  const shelf = useShelf();
  const dispatch = useAppDispatch();
  const [sorted, setSorted] = useState<'place' | 'value'>('place');
  const print = usePrinter();
  const technique = techniqueById(plan.idea.technique);
  const items = useMemo((): readonly Item[] => {
    const stage = curedStage(gel);
    if (plan.pots.length > 0) {
      return plan.pots.map((pot) => {
        const composition = potComposition(plan, pot);
        const lab = predictLab(composition.canvas, composition.parts, stage);
        return { name: pot.name, lab, composition, potId: pot.id, colourId: pot.follows };
      });
    }
    const canvas = planCanvas(plan, plan.base.scent !== null);
    return colours.flatMap(({ colour, match }) => {
      const recipe = match?.recipes[0];
      if (!recipe) return [];
      const parts = recipe.parts.flatMap((p) => {
        const optics = shelf.get(p.id)?.optics;
        return optics ? [{ optics, dose: p.dose }] : [];
      });
      return [
        {
          name: colour.name,
          lab: recipe.lab,
          composition: { canvas, parts, age: 0, gel: null },
          potId: null,
          colourId: colour.id,
        },
      ];
    });
  }, [plan, gel, colours, shelf]);
  const labs = items.map((i) => i.lab);
  const grey = greyOrder(labs);
  const order = sorted === 'value' ? grey.order : items.map((_, i) => i);

  return (
    <>
      <section aria-label="Technique">
        <h2>Technique</h2>
        <Select
          aria-label="Technique of the pour"
          value={plan.idea.technique}
          placeholder="How the colours come together"
          allowClear
          onChange={(v: string | undefined) => {
            dispatch(edits.techniqueSet(v ?? null));
          }}
          options={TECHNIQUES.map((t) => ({ value: t.id, label: t.name }))}
          style={{ width: '100%' }}
        />
        {technique && (
          <p className="soft small figure">
            Touching colours need ΔE {technique.apart}
            {technique.apartL > 0 && ` and ${technique.apartL} in L*`}
            {technique.id === 'ombre' && `, even, and at most ${OMBRE_MOST}`}; {technique.pots[0]} to{' '}
            {technique.pots[1]} pots.
            {items.length > 0 && (items.length < technique.pots[0] || items.length > technique.pots[1]) && (
              <b> There are {items.length}.</b>
            )}
          </p>
        )}
      </section>
      {items.length > 0 && (
        <>
          <section aria-label="Grey view">
            <div className="section-head">
              <h2>In grey</h2>
              <Segmented
                size="small"
                aria-label="Order of the grey view"
                value={sorted}
                onChange={setSorted}
                options={[
                  { value: 'place', label: 'in place' },
                  { value: 'value', label: 'by value' },
                ]}
              />
            </div>
            <div className="greys">
              {order.map((i) => (
                <i
                  key={i}
                  style={{ background: hexOf([labs[i]![0], 0, 0]) }}
                  title={`${items[i]!.name}: L* ${print.fixed(labs[i]![0], 0)}`}
                />
              ))}
            </div>
            {items.length > 1 && (
              <p className="soft small figure">
                widest gap {print.fixed(grey.widest, 0)}, flattest pair {print.fixed(grey.flattest, 0)} in L*
              </p>
            )}
          </section>
          <Apart items={items} />
          <Mud items={items} />
          <section aria-label="Other eyes">
            <h2>To other eyes</h2>
            {eyes.map(([deficiency, label]) => (
              <div key={deficiency} className="eyes">
                <span className="small soft">{label}</span>
                <div className="greys">
                  {items.map((item, i) => (
                    <i
                      key={i}
                      style={{ background: simulateDeficiency(hexOf(item.lab), deficiency) }}
                      title={item.name}
                    />
                  ))}
                </div>
              </div>
            ))}
          </section>
        </>
      )}
    </>
  );
}

/** L* beyond the least that is needed: what rounding and the shelf may take back. */
const FURTHER = [0, 1, 2, 3.5, 5.5, 8];

/** Touching pairs that read as one, and the smallest change that mends each. */
function Apart({ items }: { readonly items: readonly Item[] }) {
  const plan = usePlan();
  const { pots } = usePrep();
  const gel = usePlanGel();
  const dispatch = useAppDispatch();
  const shelf = useShelf();
  const print = usePrinter();
  const problem = useProblem(null, gel);
  const technique = techniqueById(plan.idea.technique);
  if (!technique || items.length < 2) return null;
  const labs = items.map((i) => i.lab);
  const close = checkApart(labs, technique).filter((p) => !p.apart);

  /** The first target, from the least that is needed onwards, whose recipe really stands apart once rounded. */
  const mend = async (index: number, other: number, target: LabD65): Promise<void> => {
    const item = items[index]!;
    const pot = pots.find((p) => p.pot.id === item.potId);
    if (!problem) return;
    const sign = target[0] >= labs[index]![0] ? 1 : -1;
    const targets = FURTHER.map((by): LabD65 => [target[0] + sign * by, target[1], target[2]]);
    const sized =
      pot && problem.resolution ? { ...problem.resolution, potOils: pot.oils } : problem.resolution;
    const answers = await searchWorker().matchAll({ ...problem, target, resolution: sized }, targets);
    const passes = (lab: LabD65 | undefined): boolean =>
      lab !== undefined && checkApart([lab, labs[other]!], { ...technique, touching: 'row' })[0]!.apart;
    const found = Math.max(
      0,
      answers.findIndex((a) => passes(a.recipes[0]?.lab)),
    );
    const recipe = answers[found]?.recipes[0];
    if (item.colourId !== null) {
      dispatch(edits.paletteColourSet({ id: item.colourId, change: { lab: targets[found]! } }));
    } else if (pot && recipe) {
      dispatch(edits.formulaSet({ potId: pot.pot.id, parts: formulaOf(recipe.parts, shelf) }));
    }
  };

  return (
    <section aria-label="Apart check">
      <h2>Apart enough?</h2>
      {close.length === 0 ? (
        <p className="soft">Every touching pair reads as two in this technique.</p>
      ) : (
        <ul className="pairs">
          {close.map(({ i, j, deltaE, deltaL }) => {
            const fix = mendPair(labs, i, j, technique);
            return (
              <li key={`${i}-${j}`}>
                <LevelMark level="warn" />
                <span className="pair">
                  <i style={{ background: hexOf(labs[i]!) }} />
                  <i style={{ background: hexOf(labs[j]!) }} />
                </span>
                <span className="figure">
                  {items[i]!.name} and {items[j]!.name}{' '}
                  {deltaE < technique.apart
                    ? `read as one: ΔE ${print.fixed(deltaE, 1)}`
                    : `are too close in lightness: ${print.fixed(deltaL, 0)} in L*`}
                </span>
                {fix ? (
                  <Button
                    size="small"
                    onClick={() => void mend(fix.index, fix.index === i ? j : i, fix.target)}
                  >
                    {items[fix.index]!.name} {fix.target[0] > labs[fix.index]![0] ? 'lighter' : 'darker'} by{' '}
                    {print.fixed(Math.abs(fix.target[0] - labs[fix.index]![0]), 0)}
                  </Button>
                ) : (
                  <span className="soft small">neither can move far enough in lightness</span>
                )}
              </li>
            );
          })}
        </ul>
      )}
    </section>
  );
}

/** What each touching pair becomes when it is worked too long. */
function Mud({ items }: { readonly items: readonly Item[] }) {
  const plan = usePlan();
  const gel = usePlanGel();
  const technique = techniqueById(plan.idea.technique);
  if (!technique || items.length < 2) return null;
  const pairs = checkApart(
    items.map((i) => i.lab),
    technique,
  );
  return (
    <section aria-label="Mud check">
      <h2>Overworked</h2>
      <p className="soft small">
        Each touching pair mixed evenly.{' '}
        {technique.mixes
          ? 'This technique drags the batters together.'
          : 'This technique keeps the batters apart.'}
      </p>
      <ul className="blends">
        {pairs.map(({ i, j }) => {
          const blend = blendPots(items[i]!.composition, items[j]!.composition, curedStage(gel));
          return (
            <li key={`${i}-${j}`} title={`${items[i]!.name} and ${items[j]!.name}`}>
              <i style={{ background: hexOf(items[i]!.lab) }} />
              <i className="blend-middle" style={{ background: hexOf(blend.lab) }} />
              <i style={{ background: hexOf(items[j]!.lab) }} />
              <span className="small">{blend.mud ? 'mud' : ''}</span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
