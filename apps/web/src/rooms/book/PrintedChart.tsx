import { type MaterialWire } from '@kleur/contract';
import { type LabD65, screenColourFromLabD65 } from '@kleur/core/colour';
import { cured, predictLab, referenceCanvas } from '@kleur/core/pigment';
import { useDays } from '../../shared/hooks/useDays.ts';
import { usePrinter } from '../../shared/hooks/useSettings.ts';
import styles from './book.module.css';
import { type Bar } from './bookOf.ts';
import { NOTCHES } from './notches.ts';

/** Doses of the ladder that is foretold. */
const STEPS = 6;
const FAINT = 0.1;

/** A colourant on paper: what is foretold of it at even steps of its doses, and every bar that was read, with the dose of each. */
export function PrintedChart(props: { readonly material: MaterialWire; readonly bars: readonly Bar[] }) {
  const { material, bars } = props;
  const print = usePrinter();
  const days = useDays();
  const window = material.window!;
  const from = window.faint ?? window.typical * FAINT;
  const doses = Array.from({ length: STEPS }, (_, i) =>
    Number((from * (window.ceiling / from) ** (i / (STEPS - 1))).toPrecision(2)),
  );
  const alone = bars.filter((b) => b.isAlone);
  const squares = (gel: number): readonly Square[] =>
    alone
      .filter((b) => Math.round(b.gel) === gel)
      .map((b) => ({
        key: b.id,
        lab: b.lab,
        text: `${print.significant(b.dose, 2)} g/kg`,
        below: [days.text(b.on), NOTCHES[b.how].text, ...(b.lot === undefined ? [] : [`lot ${b.lot}`])].join(
          ', ',
        ),
      }));
  const foretold = (gel: number): readonly Square[] =>
    doses.map((dose) => ({
      key: String(dose),
      lab: predictLab(referenceCanvas, [{ optics: material.optics!, dose }], cured(gel)),
      text: `${print.significant(dose, 2)} g/kg`,
      below: '',
    }));
  return (
    <div className={styles.printed} aria-hidden>
      <Row title="Foretold, gelled" squares={foretold(1)} />
      <Row title="Read, gelled" squares={squares(1)} />
      <Row title="Foretold, not gelled" squares={foretold(0)} />
      <Row title="Read, not gelled" squares={squares(0)} />
      <p>
        Doses in g per kg of oils, six weeks old, in a near-white base. Paper shows no more than a likeness.
      </p>
    </div>
  );
}

interface Square {
  readonly key: string;
  readonly lab: LabD65;
  readonly text: string;
  readonly below: string;
}

function Row({ title, squares }: { readonly title: string; readonly squares: readonly Square[] }) {
  if (squares.length === 0) return null;
  return (
    <section>
      <h3>{title}</h3>
      <ul>
        {squares.map(({ key, lab, text, below }) => (
          <li key={key}>
            <i style={{ background: screenColourFromLabD65(lab).hex }} />
            <b>{text}</b>
            {below !== '' && <span>{below}</span>}
          </li>
        ))}
      </ul>
    </section>
  );
}
