import { routes } from '@kleur/contract';
import { flowOf, type PotFlow, totalOf } from '@kleur/core/balance';
import { type Material } from '@kleur/core/material';
import { type Printer } from '@kleur/core/units';
import { batchFacts, causesOf, RESCUES } from '@kleur/core/causes';
import { screenColourFromLabD65 } from '@kleur/core/colour';
import { runSheetOf, sayEntry, standing } from '@kleur/core/day';
import { comparePots, seenAt } from '@kleur/core/evidence';
import { designText } from '@kleur/core/palette';
import { faultById, verdictOn } from '@kleur/core/record';
import { sheetOf } from '@kleur/core/sheet';
import { useDays } from '../../../shared/hooks/useDays.ts';
import { usePrinter, useSettings } from '../../../shared/hooks/useSettings.ts';
import { FigureCell, PlainTable } from '../../../shared/ui/PlainTable.tsx';
import { verdictText } from '../../../shared/verdictText.ts';
import { PagePrint } from '../steps/prep/PagePrint.tsx';
import { PrintButton } from '../steps/prep/PrintButton.tsx';
import { useHead } from '../state/useDerived.ts';
import styles from './result.module.css';
import { type Result } from './useResult.ts';
import { ageWords, faceName, gelWords, howName, momentName } from './words.ts';

/** What coloured a pot, as it was weighed. */
function potColours(own: PotFlow | undefined, materials: readonly Material[], print: Printer): string {
  const doses = own?.doses ?? [];
  if (doses.length === 0) return 'bare';
  return doses
    .map((d) => `${print.fine(d.powder)} ${materials.find((m) => m.id === d.row.materialId)?.name ?? ''}`)
    .join(', ');
}

/** The whole of a batch on paper: what was planned, what went in, how it came out, what was thought of it. */
export function StoryPart({ result }: { readonly result: Result }) {
  const { batchId, poured, made, record, readings, log } = result;
  const { name, madeOn } = useHead();
  const print = usePrinter();
  const days = useDays();
  const { measuring } = useSettings();
  const { plan } = made;
  const flow = flowOf(plan, made.weighed);
  const pots = plan.pots.filter((p) => !p.id.includes('/') && !p.id.startsWith('spare:'));
  const potName = (id: string): string => plan.pots.find((p) => p.id === id)?.name ?? '';
  const moments = seenAt(readings);
  const facts = batchFacts({ planned: poured.plan, actuals: made, record, log, measuring, print });
  const steps = runSheetOf(poured.plan, sheetOf(poured.plan, measuring, print));
  const names = {
    pot: potName,
    cup: (id: string) => made.cups.find((c) => c.id === id)?.material.name ?? '',
    line: (id: string) => steps.flatMap((s) => s.lines).find((l) => l.id === id)?.what ?? id,
    step: (id: string) => steps.find((s) => s.id === id)?.title ?? id,
  };
  const said = standing(log).filter((e) => e.kind !== 'done' && e.kind !== 'timed');
  const verdict = verdictOn(record, 'batch', '');
  const gel = gelWords(record.gel, print);
  const [lye] = flow.lyes;
  return (
    <article className={styles.story} aria-label="The whole story">
      <PagePrint name={name} />
      <div className={styles.row}>
        <PrintButton label="Print the story" />
      </div>
      <h2>{name}</h2>
      <p>
        {madeOn && `Made on ${days.text(madeOn)}. `}
        {designText(plan.idea.design) && `${designText(plan.idea.design)}. `}
        {gel !== '' && `It ${gel}.`}
      </p>
      <h3>What went in</h3>
      <p>
        {plan.base.oils
          .map(
            (o) =>
              `${plan.materials.find((m) => m.id === o.materialId)?.name ?? ''} ${print.percent(o.percent, 1)}`,
          )
          .join(', ')}
        ; {print.mass(plan.base.totalOils)} of oils
        {lye && `, ${print.mass(lye.liquid)} of liquid`}, superfat {print.percent(plan.base.superfat, 1)}
        {flow.ledger.at('scent') >= 0 &&
          totalOf(flow, flow.ledger.at('scent')) > 0 &&
          `, ${print.mass(totalOf(flow, flow.ledger.at('scent')))} of scent`}
        .
      </p>
      <PlainTable
        label="Pots as made"
        heads={[{ text: 'Pot' }, { text: 'Colour' }, { text: 'Batter', isFigure: true }]}
      >
        {pots.map((p) => {
          const own = flow.pots.find((f) => f.pot.id === p.id);
          return (
            <tr key={p.id}>
              <td>{p.name}</td>
              <td>{potColours(own, plan.materials, print)}</td>
              <FigureCell>{print.mass(own?.mass ?? 0)}</FigureCell>
            </tr>
          );
        })}
      </PlainTable>
      {said.length > 0 && (
        <>
          <h3>At the bench</h3>
          <ul>
            {said.map((e) => (
              <li key={e.id}>
                <span className="soft small">{days.moment(new Date(e.at).toISOString())}</span>{' '}
                {sayEntry(e, names, print)}
              </li>
            ))}
          </ul>
        </>
      )}
      {moments.length > 0 && <h3>How it looked</h3>}
      {moments.map(({ at, face }) => (
        <PlainTable
          key={`${at} ${face}`}
          label={`${momentName[at]}, ${faceName[face]}`}
          heads={[
            { text: `${momentName[at]}, ${faceName[face].toLowerCase()}` },
            { text: 'Planned' },
            { text: 'Made' },
            { text: 'Seen' },
            { text: 'ΔE', isFigure: true },
            { text: 'In words' },
          ]}
        >
          {comparePots(poured.predicted, made, record.gel, readings, at, face)
            .filter((p) => p.seen)
            .map((p) => (
              <tr key={p.potId}>
                <td>{p.name}</td>
                {[p.planned, p.made, p.seen].map((lab, i) => {
                  const hex = lab ? screenColourFromLabD65(lab).hex : null;
                  return (
                    <td key={i}>
                      {hex && (
                        <>
                          <i className={styles.chip} style={{ background: hex }} /> {hex}
                        </>
                      )}
                    </td>
                  );
                })}
                <FigureCell>{print.number(p.plannedToSeen ?? p.madeToSeen ?? 0, 1)}</FigureCell>
                <td>{p.words}</td>
              </tr>
            ))}
        </PlainTable>
      ))}
      {readings.some((r) => r.file) && (
        <div className={styles.row}>
          {[...new Map(readings.filter((r) => r.file).map((r) => [r.file, r])).values()].map((r) => (
            <img
              key={r.file}
              className={styles.thumb}
              src={routes.file(batchId, r.file)}
              alt={`${faceName[r.face]}, ${ageWords(r.hours)}, ${howName[r.how]}${r.simulated ? ' (simulated)' : ''}`}
            />
          ))}
        </div>
      )}
      {record.faults.length > 0 && (
        <>
          <h3>What was wrong, or pleased</h3>
          <ul>
            {record.faults.map((f) => {
              const [cause] = causesOf(facts, f);
              return (
                <li key={f.id}>
                  <b>{faultById(f.fault).name}</b>
                  {f.potIds.length > 0 && ` in ${f.potIds.map(potName).join(', ')}`}. {cause?.title}{' '}
                  {RESCUES[f.fault].join(' ')} {f.text}
                </li>
              );
            })}
          </ul>
        </>
      )}
      <h3>Cut and weights</h3>
      <p>
        {record.cut.bars === null ? 'Not counted.' : `${record.cut.bars} bars`}
        {record.cut.atCut !== null && `, ${print.mass(record.cut.atCut)} at the cut`}
        {record.cut.cured !== null && `, ${print.mass(record.cut.cured)} cured`}
        {record.cut.finished !== null && `, ${print.mass(record.cut.finished)} finished`}
      </p>
      {verdict && (
        <p>
          <b>Verdict:</b> {verdictText(verdict)}
        </p>
      )}
      {record.notes.filter((n) => n.text !== '').length > 0 && (
        <>
          <h3>Notes</h3>
          <ul>
            {record.notes
              .filter((n) => n.text !== '')
              .map((n) => (
                <li key={n.id}>
                  {n.potId !== '' && <b>{potName(n.potId)}: </b>}
                  {n.bar > 0 && `bar ${n.bar}: `}
                  {n.text}
                </li>
              ))}
          </ul>
        </>
      )}
    </article>
  );
}
