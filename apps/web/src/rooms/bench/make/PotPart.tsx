import { useState } from 'react';
import { flowOf, type Flow, type PotFlow } from '@kleur/core/balance';
import { standing } from '@kleur/core/day';
import { type Stage } from '@kleur/core/pigment';
import { usePrinter } from '../../../shared/hooks/useSettings.ts';
import { useBench } from '../BenchContext.ts';
import { usePlan } from '../state/useDerived.ts';
import { CupCard } from './CupCard.tsx';
import styles from './make.module.css';
import { MediaActs } from './MediaActs.tsx';
import {
  NoteActs,
  ScentActs,
  SizeActs,
  TakeActs,
  TestCupActs,
  ThicknessActs,
  TroubleActs,
} from './PotActs.tsx';
import { type BenchLogOfBatch } from './useBenchLog.ts';
import { type Made, type MadePot } from './useMade.ts';
import { VerdictPanel } from './VerdictPanel.tsx';

/** One pot at a time: its cups, how it stands, and what happens to it. */
export function PotPart(props: {
  readonly made: Made;
  readonly log: BenchLogOfBatch;
  readonly stage: Stage;
}) {
  const { made, log, stage } = props;
  const { selectedId, select } = useBench();
  // A pot that came up at the bench is none of the plan's, so that the bench cannot select it.
  const [picked, setPicked] = useState<string | null>(null);
  const pot = made.pots.find((p) => p.id === (picked ?? selectedId)) ?? made.pots[0]!;
  return (
    <>
      <div role="group" aria-label="Pot in hand" className={styles.pots}>
        {made.pots.map((p) => (
          <button
            key={p.id}
            type="button"
            aria-pressed={p.id === pot.id}
            className={styles.pot}
            onClick={() => {
              setPicked(p.id);
              select(p.id);
            }}
          >
            <i style={{ background: p.hex }} />
            {p.name}
          </button>
        ))}
      </div>
      <PotAtHand key={pot.id} pot={pot} made={made} log={log} stage={stage} />
    </>
  );
}

function PotAtHand(props: {
  readonly pot: MadePot;
  readonly made: Made;
  readonly log: BenchLogOfBatch;
  readonly stage: Stage;
}) {
  const { pot, made, log, stage } = props;
  const print = usePrinter();
  const plan = usePlan();
  const { scent } = plan.base;
  const planned = flowOf(plan);
  const said = standing(log.entries).filter((e) => e.potId === pot.id);
  const lastOf = (kind: string): number | null => said.findLast((e) => e.kind === kind)?.value ?? null;
  const say = (entry: Parameters<typeof log.say>[0]): void => {
    log.say({ ...entry, potId: pot.id });
  };
  // Its own cups first, then what is left of others.
  const leftOf = (cupId: string): number => made.left.get(cupId) ?? 0;
  const cups = [
    ...made.cups.filter((c) => c.potId === pot.id),
    ...made.cups.filter((c) => c.potId !== pot.id && leftOf(c.id) < 1 && leftOf(c.id) > 0.005),
  ];
  const isHeavy = pot.flow.superfat !== null && pot.flow.superfat < 0;
  const mayHoldLye = isHeavy || said.some((e) => e.kind === 'trouble');
  const draw = pot.flow.draws.reduce((sum, d) => sum + d.mass, 0);
  return (
    <>
      <div className={styles.head}>
        <h2>{pot.name}</h2>
        <span className="figure">
          {print.mass(draw)} of batter
          {pot.flow.superfat !== null && ` · superfat ${print.fixed(pot.flow.superfat * 100, 1)} %`}
        </span>
      </div>
      {mayHoldLye && (
        <p role="alert" className={styles.heavy}>
          {isHeavy
            ? 'More lye than its oils can take.'
            : 'What seized, riced, separated or weeps may hold lye in places.'}{' '}
          Wear gloves. After two days wet the soap at several spots and test by pH; 11 or more fails. Nothing
          is sold or used until it passes.
        </p>
      )}
      <VerdictPanel potId={pot.id} name={pot.name} log={log.entries} stage={stage} />
      <section aria-label="Cups">
        <h3>Cups</h3>
        {cups.length === 0 && <p className="soft">No cup was prepared for this pot.</p>}
        <ul className={styles.cups}>
          {cups.map((cup) => (
            <CupCard
              key={cup.id}
              cup={cup}
              left={leftOf(cup.id)}
              needed={
                leftOf(cup.id) === 1 && cup.potId === pot.id ? neededOf(planned, pot, cup.row.id) : null
              }
              onSay={(amount) => {
                say({ kind: 'added', target: cup.id, ...amount });
              }}
            />
          ))}
        </ul>
      </section>
      <SizeActs
        planned={planned.pots.find((p) => p.pot.id === pot.id)?.volume ?? pot.flow.volume}
        onSay={say}
      />
      <TakeActs pot={pot} pots={made.pots} onSay={say} />
      <TestCupActs pot={pot} log={standing(log.entries)} onSay={say} />
      {scent?.when === 'pot' && pot.flow.pot.scented && <ScentActs said={lastOf('scented')} onSay={say} />}
      <ThicknessActs said={lastOf('thickness')} onSay={say} />
      <TroubleActs onSay={say} />
      <NoteActs onSay={say} />
      <MediaActs potId={pot.id} log={log} />
    </>
  );
}

/** Fraction of a cup that was not begun that a pot needs, by the batter that it holds beside what was planned. */
function neededOf(planned: Flow, pot: MadePot, rowId: string): number | null {
  const powderOf = (flow: PotFlow | undefined): number =>
    flow?.doses.find((d) => d.row.id === rowId)?.powder ?? 0;
  const before = powderOf(planned.pots.find((p) => p.pot.id === pot.id));
  return before > 0 ? powderOf(pot.flow) / before : null;
}
