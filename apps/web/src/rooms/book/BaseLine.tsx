import { Button } from 'antd';
import { type BookEntry, type BookFit, type MaterialWire } from '@kleur/contract';
import { type LabD65, screenColourFromLabD65 } from '@kleur/core/colour';
import { cured, predictLab, referenceCanvas } from '@kleur/core/pigment';
import { isBaseTold, type LearntBase } from '@kleur/core/plan';
import { useDays } from '../../shared/hooks/useDays.ts';
import { usePrinter } from '../../shared/hooks/useSettings.ts';
import styles from './book.module.css';
import { baseEvidence, habitLines, type Habits } from './bookOf.ts';
import { OpenBar } from './OpenBar.tsx';
import { type TakeOver } from './useTakeOver.ts';

const hexOf = (lab: LabD65): string => screenColourFromLabD65(lab).hex;
const looksOf = (learnt: LearntBase | null): readonly [LabD65, LabD65] => {
  const canvas = learnt ? { ...referenceCanvas, base: learnt.base } : referenceCanvas;
  return [predictLab(canvas, [], cured(0)), predictLab(canvas, [], cured(1))];
};

/** How this soap gels, browns and ages, as it was learnt. */
function HabitLines({ of }: { readonly of: Habits | null }) {
  const print = usePrinter();
  const lines = of ? habitLines(of, print) : [];
  return (
    lines.length > 0 && (
      <ul className={styles.habits} aria-label="How your soap behaves">
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    )
  );
}

/** The soap without any colour: as it is counted on, as the bare bars were read, and as they would have it. */
export function BaseLine(props: {
  readonly learnt: LearntBase | null;
  readonly readings: readonly BookEntry[];
  readonly fitted: BookFit | null;
  readonly takeOver: TakeOver;
  readonly shelf: readonly MaterialWire[];
}) {
  const { learnt, readings, fitted, takeOver, shelf } = props;
  const days = useDays();
  const bare = readings.filter((r) => r.doses.length === 0);
  const rows = [
    ['Counted on', looksOf(learnt)],
    ...(fitted?.base && fitted.base.readings > 0 ? [['As the bars say', fitted.base.after] as const] : []),
  ] as const;
  return (
    <section className={styles.line} aria-label="Bare base">
      <div>
        <h2>Bare base</h2>
        <p className="soft small">{baseEvidence(learnt, bare.length)}</p>
        <HabitLines of={fitted?.base ?? learnt} />
        {bare.length > 0 && (
          <ul className={styles.habits} aria-label="Uncoloured bars">
            {bare.map((r) => (
              <li key={r.id}>
                <i className={styles.chip} style={{ background: hexOf(r.lab) }} aria-hidden />{' '}
                {[r.batchName, r.potName].filter((n) => n !== '').join(', ')}, {days.text(r.on)},{' '}
                {r.gel > 0.5 ? 'gelled' : 'not gelled'}
                {r.simulated && <b> simulated, not learnt from</b>} <OpenBar bar={r} shelf={shelf} />
              </li>
            ))}
          </ul>
        )}
        {fitted?.base && (
          <p className="soft small">It goes along with whatever you take over of what was learnt.</p>
        )}
        {learnt && (
          <Button loading={takeOver.busy} onClick={() => void takeOver.forgetBase()}>
            {isBaseTold(learnt) ? 'Back to the reference base' : 'Forget how it behaves'}
          </Button>
        )}
      </div>
      <div className={styles.ladder}>
        {([1, 0] as const).map((gel) => (
          <div key={gel} className={styles.ladderRow}>
            <span className="soft small">{gel === 1 ? 'gelled' : 'not gelled'}</span>
            <div className={styles.baseRow}>
              {rows.map(([label, looks]) => (
                <span key={label} className={styles.base} style={{ background: hexOf(looks[gel]) }}>
                  <span className={styles.baseLabel}>{label}</span>
                </span>
              ))}
              {bare
                .filter((r) => Math.round(r.gel) === gel)
                .map((r) => (
                  <i
                    key={r.id}
                    className={styles.chip}
                    style={{ background: hexOf(r.lab) }}
                    title={`Bare bar of ${r.on}: ${hexOf(r.lab)}`}
                  />
                ))}
            </div>
          </div>
        ))}
      </div>
    </section>
  );
}
