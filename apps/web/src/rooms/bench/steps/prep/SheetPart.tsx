import { type LyeFlow } from '@kleur/core/balance';
import { techniqueById } from '@kleur/core/palette';
import { type AdditiveMoment, blendsOf, materialOf, oilsAddUp } from '@kleur/core/plan';
import { type PrepAdditive, type PrepSheet } from '@kleur/core/work';
import * as why from '@kleur/core/why';
import { useDays } from '../../../../shared/hooks/useDays.ts';
import { usePrinter, useSettings } from '../../../../shared/hooks/useSettings.ts';
import { Why } from '../../../../shared/ui/Why.tsx';
import { CheckList } from '../../CheckList.tsx';
import { useChecks, useDocument, usePlan, usePrep, useStopped } from '../../state/useDerived.ts';
import { Cup } from './Cup.tsx';
import { GatherSection } from './GatherSection.tsx';
import { Safety } from './Safety.tsx';
import { WeighTable } from './WeighTable.tsx';
import { PrintButton } from './PrintButton.tsx';

/** The sheet for the bench: what to weigh for the base and for each pot, and how to disperse it. */
export function SheetPart() {
  const { name, madeOn } = useDocument();
  const days = useDays();
  const plan = usePlan();
  const prep = usePrep();
  const checks = useChecks().filter((c) => c.level !== 'tip');
  const { studio } = useSettings();
  const fallback = techniqueById(plan.work.fallback);
  const technique = techniqueById(plan.idea.technique);
  return (
    <article className="sheet">
      <header className="sheet-head">
        <div>
          <h2>{name}</h2>
          <span className="soft">
            {[studio, madeOn && days.text(madeOn), technique?.name].filter(Boolean).join(' · ') ||
              'No date set'}
          </span>
        </div>
        <PrintButton />
      </header>
      <CheckList checks={checks} label="To settle first" />
      <div className="sheet-base">
        <BaseSection prep={prep} complete={blendsOf(plan).every((b) => oilsAddUp(b.oils))} />
        <GatherSection prep={prep} />
      </div>
      {prep.pots.length > 0 && <WeighTable prep={prep} />}
      <h3>Pots</h3>
      {prep.pots.length === 0 && <p className="soft">No pots: the whole batch stays the bare base.</p>}
      <div className="cups">
        {prep.pots.map((p, i) => (
          <Cup key={p.pot.id} pot={p} number={i + 1} />
        ))}
      </div>
      {fallback && (
        <p>
          <b>If it races:</b> {fallback.name.toLowerCase()} instead.
        </p>
      )}
      <Safety prep={prep} />
    </article>
  );
}

const LATE = { water: 'in water, late', trace: 'at trace', top: 'on the top' } as const;

function BaseSection({ prep, complete }: { readonly prep: PrepSheet; readonly complete: boolean }) {
  const plan = usePlan();
  const print = usePrinter();
  const stopped = useStopped();
  const moment = (m: AdditiveMoment) => prep.additives.filter((a) => a.row.moment === m && a.mass > 0);
  return (
    <section aria-label="Base to weigh">
      <h3>Base</h3>
      <table className="grid">
        {prep.lyes.map((l) => (
          <LyeLines key={l.potId ?? 'all'} prep={prep} lye={l} moment={moment} hidden={stopped} />
        ))}
        <tbody>
          {[...moment('water'), ...moment('trace'), ...moment('top')].map((a, i) => (
            <Line
              key={a.row.id}
              rule={i === 0}
              name={a.material.name}
              note={LATE[a.row.moment as keyof typeof LATE]}
              mass={print.mass(a.mass)}
            />
          ))}
        </tbody>
        {!stopped && (
          <tfoot>
            <tr>
              <th scope="row">
                Batter in all
                <Why of="the batter" lines={() => why.batter(plan, print)} />
              </th>
              <td className="num figure">{print.mass(prep.flow.mass)}</td>
              <td />
            </tr>
          </tfoot>
        )}
      </table>
      {stopped && (
        <p className="soft">
          {complete
            ? 'The lye amount is hidden until the stop above is settled.'
            : 'The lye amount is hidden until the oils make 100 %.'}
        </p>
      )}
    </section>
  );
}

/** One lye with the oils that it meets: the common one, or a mini-batch's own. */
function LyeLines({
  prep,
  lye: l,
  moment,
  hidden,
}: {
  readonly prep: PrepSheet;
  readonly lye: LyeFlow;
  readonly moment: (m: AdditiveMoment) => readonly PrepAdditive[];
  readonly hidden: boolean;
}) {
  const plan = usePlan();
  const { base, pots } = plan;
  const print = usePrinter();
  const share = base.totalOils > 0 ? l.oils / base.totalOils : 0;
  const of = pots.find((p) => p.id === l.potId);
  const { parts } = base.liquid;
  const water = 100 - parts.reduce((s, p) => s + p.percent, 0);
  return (
    <tbody>
      {prep.lyes.length > 1 && (
        <tr>
          <th scope="rowgroup" colSpan={3} className="lye-of">
            {of?.name ?? 'The common batter'}
          </th>
        </tr>
      )}
      {l.rows.map((o) => (
        <Line
          key={o.materialId}
          name={materialOf(plan, o.materialId).name}
          note={
            o.materialId === l.carrierOil && l.heldOil > 0.05
              ? `${print.mass(l.heldOil)} of it for the cups`
              : undefined
          }
          mass={print.mass(o.mass)}
        />
      ))}
      {moment('oils').map((a) => (
        <Line key={a.row.id} name={a.material.name} note="into the oils" mass={print.mass(a.mass * share)} />
      ))}
      {!hidden && (
        <>
          <Line
            rule
            name={parts.length === 0 ? 'Liquid for the lye' : 'Water for the lye'}
            mass={print.mass((l.vessel * Math.max(0, water)) / 100)}
            lines={() => why.liquid(plan, print, l)}
          />
          {parts.map((p) => (
            <Line
              key={p.id}
              name={p.name}
              note={p.kind === 'milk' ? 'frozen' : undefined}
              mass={print.mass((l.vessel * p.percent) / 100)}
            />
          ))}
          {moment('lye-water').map((a) => (
            <Line
              key={a.row.id}
              name={a.material.name}
              note="into the lye water"
              mass={print.mass(a.mass * share)}
            />
          ))}
          <Line
            name="Sodium hydroxide, into the liquid"
            mass={print.mass(l.naoh)}
            lines={() => why.lye(plan, print, l)}
          />
          {l.koh > 0 && <Line name="Potassium hydroxide, into the liquid" mass={print.mass(l.koh)} />}
          {l.heldForDispersions > 0.05 && (
            <Line name="Liquid for the cups" mass={print.mass(l.heldForDispersions)} />
          )}
          {l.heldForLater > 0 && <Line name="Liquid, stirred in late" mass={print.mass(l.heldForLater)} />}
        </>
      )}
    </tbody>
  );
}

function Line(props: {
  readonly name: string;
  readonly note?: string;
  readonly mass: string;
  readonly rule?: boolean;
  readonly lines?: () => readonly string[];
}) {
  return (
    <tr className={props.rule ? 'rule' : undefined}>
      <th scope="row">
        {props.name}
        {props.note && <span className="soft"> {props.note}</span>}
        {props.lines && <Why of={props.name} lines={props.lines} />}
      </th>
      <td className="num figure">{props.mass}</td>
      <td className="tick-box" aria-hidden />
    </tr>
  );
}
