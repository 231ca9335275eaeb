import { Button } from 'antd';
import { deltaE00, type LabD65 } from '@kleur/core/colour';
import { enoughOf } from '@kleur/core/match';
import { isApart, mendPair, type Technique } from '@kleur/core/palette';
import { setTwins } from '@kleur/core/plan';
import { useAppDispatch } from '../../../data/store.ts';
import { type PrepPot } from '@kleur/core/work';
import { usePrinter, useSettings } from '../../../shared/hooks/useSettings.ts';
import { LevelMark } from '../../../shared/ui/Levels.tsx';
import { searchWorker } from '../../../workers/client.ts';
import { edits } from '../state/edits.ts';
import { useEdit } from '../state/useEdit.ts';
import { usePlan, usePlanGel, usePrep } from '../state/useDerived.ts';
import { type KeptPot } from '../../../workers/search.protocol.ts';
import { joinedText } from '../joinedText.ts';
import { useMatchSettings } from '../state/matchSettings.ts';
import { formulaOf, problemFor } from '../state/matching.ts';
import { useCandidates, useProblem, useShelf } from '../useMatching.ts';
import { hexOf, type Item, type ItemPair } from './useItems.ts';
import { useNotices } from '../../../shared/hooks/useNotices.ts';

/** L* beyond the least that is needed: what rounding and the shelf may take back. */
const FURTHER = [0, 1, 2, 3.5, 5.5, 8];

/** Touching pairs that read as one, and the smallest change that mends each. */
export function ApartPanel({
  items,
  pairs,
}: {
  readonly items: readonly Item[];
  readonly pairs: readonly ItemPair[];
}) {
  const { pots } = usePrep();
  const gel = usePlanGel();
  const dispatch = useAppDispatch();
  const shelf = useShelf();
  const print = usePrinter();
  const problem = useProblem(null, gel);
  const plan = usePlan();
  const candidates = useCandidates();
  const { most, prefersSure } = useMatchSettings();
  const settings = useSettings();
  const { message } = useNotices();
  const edit = useEdit();
  if (items.length < 2 || pairs.every((p) => !p.technique)) return null;
  const labs = items.map((i) => i.lab);
  const close = pairs.flatMap((p) => {
    if (!p.technique) return [];
    const deltaE = deltaE00(labs[p.i]!, labs[p.j]!);
    const deltaL = Math.abs(labs[p.i]![0] - labs[p.j]![0]);
    return isApart(deltaE, deltaL, p.technique) ? [] : [{ ...p, technique: p.technique, deltaE, deltaL }];
  });
  const told = close.filter((p) => !p.twins);
  const twins = pairs.filter((p) => p.twins);

  const markTwins = (i: number, j: number, same: boolean): void => {
    edit((p) => setTwins(p, items[i]!.potId!, items[j]!.potId!, same));
  };
  /** A pot moved with its own colourants, as far as they go. */
  const mendedPot = ({ pot, oils }: PrepPot, to: LabD65, from: LabD65): KeptPot => ({
    problem: {
      ...problemFor({ plan, potId: pot.id, oils, gel, candidates, most, prefersSure, settings }),
      target: to,
    },
    own: pot.doses.map((d) => d.materialId),
    enough: enoughOf(deltaE00(from, to)),
  });
  /** The first target, from the least that is needed onwards, whose recipe really stands apart once rounded. */
  const mend = async (index: number, other: number, target: LabD65, technique: Technique): Promise<void> => {
    const item = items[index]!;
    const pot = pots.find((p) => p.pot.id === item.potId);
    if (!problem) return;
    const sign = target[0] >= labs[index]![0] ? 1 : -1;
    const targets = FURTHER.map((by): LabD65 => [target[0] + sign * by, target[1], target[2]]);
    const answers = pot
      ? await searchWorker().keepAll(targets.map((to) => mendedPot(pot, to, labs[index]!)))
      : (await searchWorker().matchAll({ ...problem, target }, targets)).map((result) => ({
          result,
          joined: [],
        }));
    const passes = (lab: LabD65 | undefined): boolean =>
      lab !== undefined &&
      isApart(deltaE00(lab, labs[other]!), Math.abs(lab[0] - labs[other]![0]), technique);
    const found = Math.max(
      0,
      answers.findIndex((a) => passes(a.result.recipes[0]?.lab)),
    );
    const recipe = answers[found]?.result.recipes[0];
    if (item.colourId !== null) {
      dispatch(edits.paletteColourSet({ id: item.colourId, change: { lab: targets[found]! } }));
    } else if (pot && recipe) {
      dispatch(edits.formulaSet({ potId: pot.pot.id, parts: formulaOf(recipe.parts, shelf) }));
      const joined = answers[found]!.joined;
      if (joined.length > 0) message.info(`${joinedText(joined, shelf)}.`);
    }
  };

  return (
    <section aria-label="Apart check">
      <h2>Apart enough?</h2>
      {told.length === 0 ? (
        <p className="soft">Every pair that touches reads as two.</p>
      ) : (
        <ul className="pairs">
          {told.map(({ i, j, deltaE, deltaL, technique }) => {
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
                    ? `read as one in ${technique.name.toLowerCase()}: ΔE ${print.fixed(deltaE, 1)} of ${technique.apart}`
                    : `are too close in lightness: ${print.fixed(deltaL, 0)} in L*`}
                </span>
                {fix ? (
                  <Button
                    size="small"
                    onClick={() => void mend(fix.index, fix.index === i ? j : i, fix.target, technique)}
                  >
                    {items[fix.index]!.name} {fix.target[0] > labs[fix.index]![0] ? 'lighter' : 'darker'} by{' '}
                    {print.fixed(Math.abs(fix.target[0] - labs[fix.index]![0]), 0)}
                  </Button>
                ) : (
                  <span className="soft small">neither can move far enough in lightness</span>
                )}
                {items[i]!.potId !== null && items[j]!.potId !== null && (
                  <Button
                    size="small"
                    type="text"
                    onClick={() => {
                      markTwins(i, j, true);
                    }}
                  >
                    Meant to be the same
                  </Button>
                )}
              </li>
            );
          })}
        </ul>
      )}
      {twins.map(({ i, j }) => (
        <p key={`${i}-${j}`} className="soft small">
          {items[i]!.name} and {items[j]!.name} are meant to be the same.{' '}
          <Button
            size="small"
            type="link"
            onClick={() => {
              markTwins(i, j, false);
            }}
          >
            They are not
          </Button>
        </p>
      ))}
    </section>
  );
}
