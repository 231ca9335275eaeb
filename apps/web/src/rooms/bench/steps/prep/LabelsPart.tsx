import { barsOf, type Cuts, cutsOf } from '@kleur/core/balance';
import { lineText, type SheetGroup } from '@kleur/core/sheet';
import { workOrder } from '@kleur/core/work';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { PotSwatch } from '../../PotSwatch.tsx';
import { useDocument, usePlan, usePrep } from '../../state/useDerived.ts';
import { CutStrip } from './CutStrip.tsx';
import { PagePrint } from './PagePrint.tsx';
import { PrintButton } from './PrintButton.tsx';
import { useSheet } from './useSheet.ts';

/** One label a cup, jar, bottle, embed, and jug without a cup, and a strip to lay along the mould: to print, cut out and stick on. */
export function LabelsPart() {
  const { name } = useDocument();
  const plan = usePlan();
  const { sections } = useSheet();
  // Cups first; what was made the day before after them.
  const groups = ['cups', 'before'].flatMap((id) => sections.find((s) => s.id === id)?.groups ?? []);
  const made = groups.filter((g) => g.id !== 'frozen' && g.id !== 'infusions');
  const labels = [...made, ...useJugsWithoutCup(made)];
  const strips = barsOf(plan.moulding).rows.flatMap(({ row }) => {
    const cuts = cutsOf(row.mould, plan.moulding.bars);
    return cuts ? [{ row, cuts }] : [];
  });
  return (
    <section aria-label="Cup labels">
      <h2 className="sr-only">Cup labels</h2>
      <PagePrint name={name} />
      <div className="section-head no-print">
        <p className="soft">Print, cut, and stick one on each cup and jug before lye meets oil.</p>
        <PrintButton label="Print labels" />
      </div>
      {labels.length === 0 && <p className="soft">No pots and no cups yet.</p>}
      <ul className="labels">
        {labels.map((g) => (
          <Label key={g.id} group={g} name={name} />
        ))}
      </ul>
      {strips.map(
        ({ row, cuts }: { row: { id: string; mould: { name: string; length: number } }; cuts: Cuts }) => (
          <CutStrip key={row.id} name={row.mould.name} length={row.mould.length} cuts={cuts} />
        ),
      )}
    </section>
  );
}

/** Pots that nothing is measured for: their jugs have a number all the same. */
function useJugsWithoutCup(made: readonly SheetGroup[]): readonly SheetGroup[] {
  const plan = usePlan();
  return workOrder(plan).order.flatMap((id, i): SheetGroup[] => {
    const pot = plan.pots.find((p) => p.id === id);
    if (!pot || made.some((g) => g.potId === id)) return [];
    return [{ id: `jug:${id}`, title: `Jug ${i + 1}: ${pot.name}`, potId: id, lines: [] }];
  });
}

function Label({ group, name }: { readonly group: SheetGroup; readonly name: string }) {
  const { pots } = usePrep();
  const print = usePrinter();
  const pot = pots.find((p) => p.pot.id === group.potId);
  const [number, title] = pot ? [/\d+/.exec(group.title)?.[0] ?? '', pot.pot.name] : ['', group.title];
  return (
    <li className="label">
      {pot ? (
        <PotSwatch potId={pot.pot.id} stage="cured" label={pot.pot.name} className="label-fill" />
      ) : (
        <span />
      )}
      <div>
        {number && <p className="label-number">{number}</p>}
        <h3>{title}</h3>
        <p className="small">{name}</p>
        <ul className="figure">
          {group.lines.map((l) => (
            <li key={l.id}>{pot ? `${l.amount} ${l.what}` : lineText(l)}</li>
          ))}
          {pot && pot.scent > 0.005 && <li>scent last: {print.mass(pot.scent)}</li>}
          {pot && (
            <li>
              batter:{' '}
              {print.mass(
                pot.flow.draws.reduce((s, d) => s + d.mass, 0),
                true,
              )}
            </li>
          )}
        </ul>
      </div>
    </li>
  );
}
