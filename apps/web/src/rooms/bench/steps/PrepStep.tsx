import { PrinterOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import dayjs from 'dayjs';
import {
  cautionText,
  isWeighedCarrier,
  mediumName,
  oilsAddUp,
  type PrepPot,
  type PrepRow,
  type PrepSheet,
  printSpoonSum,
} from '@kleur/core';
import { type Printer, usePrinter, useSettings } from '../../../shared/hooks/useSettings.ts';
import { EmptyState } from '../../../shared/ui/EmptyState.tsx';
import { CheckList } from '../CheckList.tsx';
import { PotSwatch } from '../PotSwatch.tsx';
import { useChecks, useDocument, usePlan, usePrep } from '../useDerived.ts';

/** The sheet for the bench: what to weigh for the base and for each pot, and how to disperse it. */
export function PrepStep() {
  const { name, madeOn } = useDocument();
  const plan = usePlan();
  const prep = usePrep();
  const checks = useChecks().filter((c) => c.level !== 'tip');
  const { studio } = useSettings();
  if (prep.pots.length === 0 && prep.oils.length === 0) {
    return (
      <EmptyState title="Nothing to weigh yet">
        Add oils in Base and colours in Pots; the sheet follows.
      </EmptyState>
    );
  }
  return (
    <article className="sheet">
      <header className="sheet-head">
        <div>
          <h2>{name}</h2>
          <span className="soft">
            {[studio, madeOn && dayjs(madeOn).format('D MMMM YYYY')].filter(Boolean).join(' · ') ||
              'No date set'}
          </span>
        </div>
        <Button
          className="no-print"
          icon={<PrinterOutlined />}
          onClick={() => {
            window.print();
          }}
        >
          Print
        </Button>
      </header>
      <CheckList checks={checks} label="To settle first" />
      <div className="sheet-base">
        <BaseSection prep={prep} complete={oilsAddUp(plan)} />
        <GatherSection prep={prep} />
      </div>
      <h3>Pots</h3>
      {prep.pots.length === 0 && <p className="soft">No pots: the whole batch stays the bare base.</p>}
      <div className="cups">
        {prep.pots.map((p, i) => (
          <Cup key={p.pot.id} pot={p} number={i + 1} />
        ))}
      </div>
      <Safety prep={prep} />
    </article>
  );
}

function BaseSection({ prep, complete }: { readonly prep: PrepSheet; readonly complete: boolean }) {
  const print = usePrinter();
  const { batter } = prep;
  return (
    <section aria-label="Base to weigh">
      <h3>Base</h3>
      <table className="grid">
        <tbody>
          {prep.oils.map((o) => (
            <tr key={o.material.id}>
              <th scope="row">{o.material.name}</th>
              <td className="num figure">{print.fixed(o.mass, 1)} g</td>
              <td className="tick-box" aria-hidden />
            </tr>
          ))}
          {batter.liquid !== null && batter.lye !== null && (
            <>
              <tr className="rule">
                <th scope="row">Liquid for the lye</th>
                <td className="num figure">{print.fixed(batter.liquid, 1)} g</td>
                <td className="tick-box" aria-hidden />
              </tr>
              <tr>
                <th scope="row">Sodium hydroxide, into the liquid</th>
                <td className="num figure">{print.fixed(batter.lye, 1)} g</td>
                <td className="tick-box" aria-hidden />
              </tr>
            </>
          )}
        </tbody>
        {batter.total !== null && (
          <tfoot>
            <tr>
              <th scope="row">Plain batter</th>
              <td className="num figure">{print.fixed(batter.total, 1)} g</td>
              <td />
            </tr>
          </tfoot>
        )}
      </table>
      {batter.total === null && (
        <p className="soft">
          {complete
            ? 'The lye amount is hidden until the stop above is settled.'
            : 'The lye amount is hidden until the oils make 100 %.'}
        </p>
      )}
    </section>
  );
}

function GatherSection({ prep }: { readonly prep: PrepSheet }) {
  const print = usePrinter();
  return (
    <section aria-label="Gather">
      <h3>Gather, over all pots</h3>
      {prep.totals.length === 0 && <p className="soft">No colourants in this plan.</p>}
      <table className="grid">
        <tbody>
          {prep.totals.map((t) => (
            <tr key={t.material.id}>
              <th scope="row">
                {t.material.name}
                <span className="soft"> {t.pots === 1 ? '1 pot' : `${t.pots} pots`}</span>
              </th>
              <td className="num figure">{print.weighed(t.mass)} g</td>
              <td className="tick-box" aria-hidden />
            </tr>
          ))}
          {prep.scent && prep.scent.mass > 0 && (
            <tr>
              <th scope="row">
                {prep.scent.material.name}
                <span className="soft"> scent</span>
              </th>
              <td className="num figure">{print.fixed(prep.scent.mass, 1)} g</td>
              <td className="tick-box" aria-hidden />
            </tr>
          )}
          {prep.carriers.map((c, i) => (
            <tr key={c.medium} className={i === 0 ? 'rule' : undefined}>
              <th scope="row">
                {mediumName[c.medium]}
                <span className="soft"> for dispersing</span>
              </th>
              <td className="num figure">{print.fixed(c.mass, 1)} g</td>
              <td className="tick-box" aria-hidden />
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

const amount = (row: PrepRow, print: Printer): string =>
  row.measured.spoonSum
    ? `${printSpoonSum(row.measured.spoonSum)} (${print.number(row.measured.mass, 2)} g)`
    : `${print.weighed(row.measured.mass)} g`;

function Cup({ pot, number }: { readonly pot: PrepPot; readonly number: number }) {
  const print = usePrinter();
  return (
    <section className="cup" aria-label={pot.pot.name}>
      <header>
        <PotSwatch potId={pot.pot.id} stage="cured" label={pot.pot.name} className="cup-fill" />
        <div>
          <h4>
            {number}. {pot.pot.name}
          </h4>
          <p className="figure">
            {pot.batter === null
              ? `${print.number(pot.oils, 0)} g oils`
              : `Pour ${print.number(pot.batter, 0)} g plain batter`}
          </p>
        </div>
      </header>
      {pot.rows.length === 0 ? (
        <p className="soft">Nothing to add: the bare base.</p>
      ) : (
        <table className="grid">
          <thead>
            <tr>
              <th scope="col">Powder</th>
              <th scope="col" className="num">
                Measure
              </th>
              <th scope="col">In</th>
              <th scope="col" className="num">
                Liquid
              </th>
            </tr>
          </thead>
          <tbody>
            {pot.rows.map((row) => (
              <tr key={row.row.id}>
                <th scope="row">
                  {row.material.name}
                  <div className="soft small">{row.hint}</div>
                </th>
                <td className="num figure">
                  <b>{amount(row, print)}</b>
                </td>
                <td>{row.carrier ? mediumName[row.carrier.medium] : '–'}</td>
                <td className="num figure">
                  {row.carrier && isWeighedCarrier(row.carrier.medium)
                    ? `${print.fixed(row.carrierMass, 1)} g`
                    : '–'}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {pot.scent > 0 && <p className="figure">Scent, last and by hand: {print.fixed(pot.scent, 1)} g</p>}
    </section>
  );
}

function Safety({ prep }: { readonly prep: PrepSheet }) {
  const materials = prep.totals.map((t) => t.material);
  const powders = materials.some((m) => m.cautions.includes('fine-powder'));
  const others = [...new Set(materials.flatMap((m) => m.cautions))].filter(
    (c) => !['fine-powder', 'fades', 'alkali-unstable', 'alkali-shift', 'clumps'].includes(c),
  );
  return (
    <section className="safety" aria-label="Safety">
      <h3>Safety</h3>
      <ul>
        <li>
          Lye burns skin and eyes: goggles, gloves, long sleeves, closed shoes, fresh air; children and pets
          out. Lye to the liquid, in small portions, never liquid to lye; never aluminium or zinc. On skin or
          in eyes: rinse with plenty of running water at once and for long, and get medical help.
        </li>
        <li>Fresh batter is caustic for a day or more: gloves for mixing, unmoulding and cutting early.</li>
        <li>Check the lye figure with a second calculation and your supplier’s own values.</li>
        {powders && <li>{cautionText['fine-powder']}</li>}
        {prep.scent && prep.scent.mass > 0 && (
          <li>Scent: never above the supplier’s limit for rinse-off soap; measure in glass or steel.</li>
        )}
        {others.map((c) => (
          <li key={c}>
            {materials
              .filter((m) => m.cautions.includes(c))
              .map((m) => m.name)
              .join(', ')}
            : {cautionText[c]}
          </li>
        ))}
        <li>Supplier sheets and local rules come before anything said here.</li>
      </ul>
    </section>
  );
}
