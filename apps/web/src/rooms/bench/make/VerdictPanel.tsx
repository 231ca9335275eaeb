import { useEffect, useMemo, useState } from 'react';
import { colourWords, type LabD65, screenColourFromLabD65 } from '@kleur/core/colour';
import { type LogEntry, type PotVerdict } from '@kleur/core/day';
import { type Stage } from '@kleur/core/pigment';
import { latestOnly } from '../../../data/latest.ts';
import { usePrinter, useSettings } from '../../../shared/hooks/useSettings.ts';
import { searchWorker } from '../../../workers/client.ts';
import { usePlan } from '../state/useDerived.ts';
import styles from './make.module.css';

const PARTS: Readonly<Record<number, string>> = {
  0.25: 'A quarter of what is left in',
  0.5: 'Half of what is left in',
  0.75: 'Three quarters of what is left in',
  1: 'All that is left in',
};

/** What to do at the pot, in one sentence over the colours that it is about. */
export function VerdictPanel(props: {
  readonly potId: string;
  readonly name: string;
  readonly log: readonly LogEntry[];
  readonly stage: Stage;
}) {
  const { potId, name, log, stage } = props;
  const plan = usePlan();
  const { measuring } = useSettings();
  const print = usePrinter();
  const [verdict, setVerdict] = useState<{ readonly of: string; readonly is: PotVerdict | null } | null>(
    null,
  );
  const asked = useMemo(
    () =>
      latestOnly<Parameters<ReturnType<typeof searchWorker>['verdict']>, PotVerdict | null>({
        put: (question) => searchWorker().verdict(...question),
        onAnswer: (is, [, , , of]) => {
          setVerdict({ of, is });
        },
      }),
    [],
  );
  useEffect(() => {
    asked.ask([plan, measuring, log, potId, stage]);
    return () => {
      asked.cancel();
    };
  }, [asked, plan, measuring, log, potId, stage]);
  if (verdict?.of !== potId || !verdict.is)
    return (
      <p className={`${styles.verdict} soft`} role="status">
        Working out the colour…
      </p>
    );
  const { now, settled, wanted, off, near, add } = verdict.is;
  return (
    <section aria-label={`Verdict on ${name}`} className={styles.verdict}>
      <p className={styles.sentence} role="status">
        {wanted === null
          ? 'Nothing was planned for this pot: it settles to this.'
          : add
            ? `${PARTS[add.ofRest]!} the cup of ${add.cup.material.name} more: then it comes within ΔE ${print.number(add.then, 1)} of the plan.`
            : near
              ? 'Leave it: it will come to the planned colour.'
              : `Leave it: nothing in the cups begun brings it nearer. It settles ΔE ${print.number(off, 1)} from the plan.`}
      </p>
      <div className={styles.pairs}>
        <Patch lab={now} label="In the pot now" />
        <Patch lab={settled} label="Settled, cured" />
        {wanted && <Patch lab={wanted} label="Wanted, cured" />}
      </div>
      <p className="soft small">
        Fresh batter misleads: compare it with “In the pot now”, not with what is wanted.
      </p>
    </section>
  );
}

function Patch({ lab, label }: { readonly lab: LabD65; readonly label: string }) {
  const { hex } = screenColourFromLabD65(lab);
  return (
    <figure>
      <span
        className="swatch"
        role="img"
        aria-label={`${label}: ${colourWords(lab)}, ${hex}`}
        data-hex={hex}
        style={{ background: hex }}
      />
      <figcaption>{label}</figcaption>
    </figure>
  );
}
