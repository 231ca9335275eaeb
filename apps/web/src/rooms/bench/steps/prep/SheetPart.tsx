import { type ReactNode, useMemo } from 'react';
import { designText } from '@kleur/core/palette';
import { type SheetLine, type SheetSection } from '@kleur/core/sheet';
import { useTickMutation, useTicksQuery } from '../../../../data/ticks.ts';
import { useDays } from '../../../../shared/hooks/useDays.ts';
import { usePrinter, useSettings } from '../../../../shared/hooks/useSettings.ts';
import { useStable } from '../../../../shared/hooks/useStable.ts';
import { Why } from '../../../../shared/ui/Why.tsx';
import { CheckList } from '../../CheckList.tsx';
import { PotSwatch } from '../../PotSwatch.tsx';
import { useBenchState, useChecks, useDocument, usePlan, usePrep } from '../../state/useDerived.ts';
import { whyOfLine } from './whyOfLine.ts';
import { PagePrint } from './PagePrint.tsx';
import { useSheet } from './useSheet.ts';
import { PrintButton } from './PrintButton.tsx';
import styles from './Sheet.module.css';
import { useNotices } from '../../../../shared/hooks/useNotices.ts';

/** The sheet for the bench: everything that was decided, as lines to do and to tick, in the order of the work. */
export function SheetPart() {
  const { name, madeOn } = useDocument();
  const days = useDays();
  const plan = usePlan();
  const checks = useChecks().filter((c) => c.level !== 'tip');
  const { studio } = useSettings();
  const sheet = useSheet();
  const ticks = useSheetTicks();
  return (
    <article className={styles.sheet}>
      <PagePrint name={name} />
      <header className={styles.head}>
        <div>
          <h2>{name}</h2>
          <span className="soft">
            {[studio, madeOn && days.text(madeOn), designText(plan.idea.design)]
              .filter(Boolean)
              .join(' · ') || 'No date set'}
          </span>
        </div>
        <PrintButton />
      </header>
      <CheckList checks={checks} label="To settle first" />
      {plan.pots.length === 0 && <p className="soft">No pots: the whole batch stays the bare base.</p>}
      {sheet.sections.map((s) => (
        <Section key={s.id} section={s} {...ticks} />
      ))}
    </article>
  );
}

interface Ticks {
  readonly done: ReadonlySet<string>;
  readonly onTick: (lineId: string, done: boolean) => void;
}

/** What of this batch's sheet is done, as far as it was told. */
function useSheetTicks(): Ticks {
  const id = useBenchState((b) => b.id)!;
  const { data } = useTicksQuery(id);
  const [tick] = useTickMutation();
  const { message } = useNotices();
  const onTick = useStable((lineId: string, done: boolean) => {
    tick({ batchId: id, lineId, done })
      .unwrap()
      .catch(() => message.error('The tick was not saved: the server cannot be reached. Tick it again.'));
  });
  const done = useMemo(() => new Set(data?.filter((e) => e.done).map((e) => e.lineId)), [data]);
  return { done, onTick };
}

/** A part of a section; one without a title of its own is no landmark beside the section's. */
function Group({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return title ? (
    <section className={styles.group} aria-label={title}>
      {children}
    </section>
  ) : (
    <div className={styles.group}>{children}</div>
  );
}

function Section({ section, done, onTick }: Ticks & { readonly section: SheetSection }) {
  return (
    <section className={styles.section} aria-label={section.title}>
      <h3>{section.title}</h3>
      {section.cautions.length > 0 && (
        <ul className={styles.cautions}>
          {section.cautions.map((c) => (
            <li key={c}>{c}</li>
          ))}
        </ul>
      )}
      <div className={section.groups.length > 1 ? styles.groups : undefined}>
        {section.groups.map((g) => (
          <Group key={g.id} title={g.title}>
            {g.title && (
              <h4>
                {g.potId !== null && (
                  <PotSwatch potId={g.potId} stage="cured" label={g.title} className={styles.swatch ?? ''} />
                )}
                {g.title}
              </h4>
            )}
            <ul>
              {g.lines.map((line) => (
                <Line key={line.id} line={line} done={done.has(line.id)} onTick={onTick} />
              ))}
            </ul>
          </Group>
        ))}
      </div>
    </section>
  );
}

function Line(props: { readonly line: SheetLine; readonly done: boolean; readonly onTick: Ticks['onTick'] }) {
  const { line, done, onTick } = props;
  const plan = usePlan();
  const prep = usePrep();
  const print = usePrinter();
  const why = whyOfLine(plan, prep, print, line.id);
  return (
    <li className={styles.line}>
      <label>
        <input
          type="checkbox"
          checked={done}
          onChange={(e) => {
            onTick(line.id, e.target.checked);
          }}
        />
        <span className={styles.amount}>{line.amount}</span>
        <span className={styles.what}>
          {line.what}
          {line.note && <span className={styles.note}>{line.note}</span>}
        </span>
        <span className={styles.running}>{line.running && `= ${line.running}`}</span>
      </label>
      {why && <Why of={line.what} lines={why} />}
    </li>
  );
}
