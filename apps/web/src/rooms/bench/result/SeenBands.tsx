import { type CSSProperties } from 'react';
import { colourWords, type LabD65, screenColourFromLabD65 } from '@kleur/core/colour';
import { type ComparedPot } from '@kleur/core/evidence';
import { usePrinter } from '../../../shared/hooks/useSettings.ts';
import styles from './result.module.css';

const ROWS = [
  ['planned', 'Planned'],
  ['made', 'Made'],
  ['seen', 'Seen'],
] as const;

/** Planned, made and seen of every pot over one another without a gap: what differs shows at the seam. */
export function SeenBands(props: {
  readonly pots: readonly ComparedPot[];
  readonly selectedId: string | null;
  readonly onSelect: (potId: string) => void;
}) {
  const { pots, selectedId, onSelect } = props;
  return (
    <ul className={styles.bands} style={{ '--pots': pots.length } as CSSProperties}>
      <li className={styles.rowNames} aria-hidden>
        {ROWS.map(([key, label]) => (
          <span key={key}>{label}</span>
        ))}
      </li>
      {pots.map((pot) => (
        <li key={pot.potId} className={styles.pot} aria-label={pot.name}>
          <button
            type="button"
            className={styles.stack}
            aria-pressed={pot.potId === selectedId}
            aria-label={`${pot.name}: ${ROWS.map(([key, label]) => `${label.toLowerCase()} ${said(pot[key])}`).join(', ')}`}
            onClick={() => {
              onSelect(pot.potId);
            }}
          >
            {ROWS.map(([key]) => (
              <Patch key={key} lab={pot[key]} />
            ))}
          </button>
          <PotWords pot={pot} />
        </li>
      ))}
    </ul>
  );
}

const said = (lab: LabD65 | null): string =>
  lab ? `${colourWords(lab)} ${screenColourFromLabD65(lab).hex}` : 'nothing yet';

function Patch({ lab }: { readonly lab: LabD65 | null }) {
  if (!lab) return <i className={styles.unseen} />;
  const { hex } = screenColourFromLabD65(lab);
  return <i style={{ background: hex }} data-hex={hex} />;
}

/** How a pot came out, in words and figures. */
function PotWords({ pot }: { readonly pot: ComparedPot }) {
  const print = usePrinter();
  const far = (v: number | null): string => (v === null ? '' : print.number(v, 1));
  const { plannedToSeen, madeToSeen, plannedToMade, words, within, doubt, seenDoubt, planned } = pot;
  return (
    <div className={styles.words}>
      <b>{pot.name}</b>{' '}
      {words === null ? (
        <span className="soft">not read yet</span>
      ) : (
        <span className="figure">ΔE {far(plannedToSeen ?? madeToSeen)}</span>
      )}
      {words !== null && (
        <p>
          {words === 'the same'
            ? planned
              ? 'As planned.'
              : 'As the model says.'
            : `${words.charAt(0).toUpperCase()}${words.slice(1)} than ${planned ? 'planned' : 'the model says'}.`}
        </p>
      )}
      {planned === null && <p className="soft small">Not planned: it came up at the bench.</p>}
      {plannedToMade !== null && plannedToMade >= 1 && (
        <p className="soft small">What went in moved it by ΔE {far(plannedToMade)}.</p>
      )}
      {within !== null && (
        <p className="soft small">
          {within ? 'Within' : 'Outside'} what was to be expected: model ± {far(doubt)}, reading ±{' '}
          {far(seenDoubt)}.
        </p>
      )}
    </div>
  );
}
