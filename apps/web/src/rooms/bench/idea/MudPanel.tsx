import { flowOf } from '@kleur/core/balance';
import { type LabD65 } from '@kleur/core/colour';
import { blendPots, stirredLab, techniqueById } from '@kleur/core/palette';
import { pourStages } from '@kleur/core/work';
import { useStage } from '../BenchContext.ts';
import { usePlan } from '../state/useDerived.ts';
import { sayStage } from '../timeScale.ts';
import { hexOf, type Item, type ItemPair } from './useItems.ts';

/** What each pair that is dragged together becomes when it is worked too long, and what a pot stirred through becomes. */
export function MudPanel({
  items,
  pairs,
}: {
  readonly items: readonly Item[];
  readonly pairs: readonly ItemPair[];
}) {
  const stage = useStage();
  const stirred = useStirred(items);
  const told = pairs.filter((p) => p.technique !== null);
  if (told.length === 0) return null;
  const mixes = told.some((p) => p.mixed);
  return (
    <section aria-label="Mud check">
      <h2>Overworked, {sayStage(stage)}</h2>
      <p className="soft small">
        Each touching pair mixed evenly.{' '}
        {mixes ? 'This design mixes the batters where they meet.' : 'This design keeps the batters apart.'}
      </p>
      <ul className="blends">
        {told.map(({ i, j, mixed }) => {
          const blend = blendPots(items[i]!.composition, items[j]!.composition, stage);
          return (
            <li key={`${i}-${j}`} title={`${items[i]!.name} and ${items[j]!.name}`}>
              <i style={{ background: hexOf(items[i]!.now) }} />
              <i className="blend-middle" style={{ background: hexOf(blend.lab) }} />
              <i style={{ background: hexOf(items[j]!.now) }} />
              <span className="small">{blend.mud ? (mixed ? 'mud' : 'mud, if worked') : ''}</span>
            </li>
          );
        })}
      </ul>
      {stirred.map(({ names, lab }) => (
        <p key={names} className="small row is-level">
          <i className="chip" style={{ background: hexOf(lab) }} />
          <span>{names}: stirred to one shade</span>
        </p>
      ))}
    </section>
  );
}

/** The shade that everything in one pot ends as, for each swirl that is made in a pot. */
function useStirred(items: readonly Item[]): readonly { readonly names: string; readonly lab: LabD65 }[] {
  const plan = usePlan();
  const stage = useStage();
  const { design } = plan.idea;
  if (plan.pots.length === 0) {
    const onePot = design.body.some((id) => techniqueById(id)?.onePot);
    if (!onePot || items.length < 2) return [];
    const lab = stirredLab(
      items.map((i) => i.composition),
      items.map(() => 1),
      stage,
    );
    return [{ names: 'All of it', lab }];
  }
  const mass = new Map(flowOf(plan).pots.map((f) => [f.pot.id, f.toMould]));
  return pourStages(
    design,
    plan.pots.filter((p) => p.place === 'mould' && (mass.get(p.id) ?? 0) > 0),
  ).flatMap(({ pots, technique }) => {
    if (!technique?.onePot || pots.length < 2) return [];
    const of = pots.flatMap((p) => items.find((i) => i.potId === p.id) ?? []);
    const lab = stirredLab(
      of.map((i) => i.composition),
      of.map((i) => mass.get(i.potId ?? '') ?? 0),
      stage,
    );
    return [{ names: of.map((i) => i.name).join(', '), lab }];
  });
}
