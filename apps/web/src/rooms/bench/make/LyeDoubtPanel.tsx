import { Button } from 'antd';
import {
  type LogEntry,
  type LyeAnswer,
  type LyeDoubt,
  type Mend,
  standing,
  weighableLine,
} from '@kleur/core/day';
import { liquidParts, materialOf, type Plan } from '@kleur/core/plan';
import { type Printer } from '@kleur/core/units';
import { usePrinter } from '../../../shared/hooks/useSettings.ts';
import { usePlan } from '../state/useDerived.ts';
import { lyeDoubtTexts as t } from './lyeDoubtTexts.ts';
import styles from './make.module.css';
import { type BenchLogOfBatch } from './useBenchLog.ts';

/** A weight of the lye, its oils or its liquid that is not the planned one: what it makes, and the answers to it. */
export function LyeDoubtPanel(props: {
  readonly doubt: LyeDoubt;
  readonly entries: readonly LogEntry[];
  readonly say: BenchLogOfBatch['say'];
  /** Opens the line to be weighed again. */
  readonly onAgain: (line: string) => void;
}) {
  const { doubt, entries, say, onAgain } = props;
  const { superfat, mend } = doubt;
  const print = usePrinter();
  const plan = usePlan();
  const canBeginAnew = doubt.place === 'dry' || doubt.place === 'vessel';
  const answer = (text: LyeAnswer): void => {
    say({ kind: 'settled', target: doubt.lye, text });
  };
  return (
    <section role="alert" aria-label={t.title} className={styles.heavy}>
      <h3>{t.title}</h3>
      <ul>
        {doubt.lines.map((l) => (
          <li key={l.line}>
            {t.off({
              what: nameOf(plan, l.line),
              weighed: print.mass(l.weighed),
              planned: print.mass(l.planned),
            })}
            {l.slip && ` ${t.slip(l.slip)}`}
          </li>
        ))}
      </ul>
      <p className="figure">
        {superfat === null
          ? t.unknown
          : t.superfat({ made: print.percent(superfat), planned: print.percent(doubt.planned) })}
      </p>
      <p>
        {t.mayUse(doubt)} {t.place(doubt.place)}
      </p>
      {mend ? (
        <ul>
          {mendWords(plan, mend, print).map((words) => (
            <li key={words}>{words}</li>
          ))}
        </ul>
      ) : (
        superfat !== null &&
        (superfat > doubt.planned ? <p>{t.neverAdd}</p> : superfat < 0 && <p>{t.noMend}</p>)
      )}
      <div className={styles.taps}>
        {doubt.lines.length > 0 && (
          <Button
            onClick={() => {
              onAgain(doubt.lines[0]!.line);
            }}
          >
            {t.again}
          </Button>
        )}
        {mend && (
          <Button
            onClick={() => {
              for (const { line, total } of mend.lines)
                say({ kind: 'weighed', target: line, by: 'grams', value: total });
              answer('mended');
            }}
          >
            {t.mended}
          </Button>
        )}
        <Button
          onClick={() => {
            answer('used');
          }}
        >
          {t.used}
        </Button>
        <Button
          onClick={() => {
            if (canBeginAnew) {
              // Nothing of it is in a vessel any more: the lye is weighed from the beginning.
              for (const id of entriesOf(doubt.lye, entries)) say({ kind: 'voided', target: id });
              say({ kind: 'noted', text: t.thrownNote });
            } else answer('thrown');
          }}
        >
          {t.thrown}
        </Button>
      </div>
      {superfat !== null && superfat < 0 && <p>{t.caution}</p>}
    </section>
  );
}

/** What was said of weighing and dissolving a lye. */
const entriesOf = (lye: string, entries: readonly LogEntry[]): string[] =>
  standing(entries)
    .filter(
      (e) =>
        (e.kind === 'weighed' && new RegExp(`^(naoh|koh|liquid):${lye}(:|$)`).test(e.target)) ||
        (e.kind === 'done' && e.target === `lye/lye:${lye}`),
    )
    .map((e) => e.id);

function nameOf(plan: Plan, line: string): string {
  const of = weighableLine(line);
  if (of?.what === 'naoh') return t.sodium;
  if (of?.what === 'koh') return t.potassium;
  if (of?.what === 'liquid') return liquidParts(plan).find((p) => p.id === of.materialId)?.name ?? t.water;
  return of ? materialOf(plan, of.materialId).name : '';
}

function mendWords(plan: Plan, mend: Mend, print: Printer): string[] {
  if (mend.solution) {
    const { part, use, of } = mend.solution;
    return [
      t.partOfSolution({ percent: print.percent(part * 100), use: print.mass(use), of: print.mass(of) }),
    ];
  }
  const words = mend.lines.map((l) => {
    const [grams, total] = [print.mass(Math.abs(l.add)), print.mass(l.total)];
    if (mend.how === 'add-oil') return t.addOil({ grams, what: nameOf(plan, l.line) });
    return mend.how === 'take-out' ? t.takeOut({ grams, total }) : t.addLye({ grams, total });
  });
  return mend.how === 'add-oil' ? [...words, t.addOilNote] : words;
}
