import { useStore } from 'react-redux';
import { presentOf, selectBench } from './state/benchSlice.ts';
import { memo } from 'react';
import { bareComposition, potComposition, potDoubt } from '@kleur/core/balance';
import { deltaE00 } from '@kleur/core/colour';
import { type Doubt } from '@kleur/core/material';
import { isBaseTold, type Plan } from '@kleur/core/plan';
import { doubtText } from '../../shared/doubtText.ts';
import { teeth } from '../../shared/ui/Teeth.tsx';
import * as why from '@kleur/core/why';
import { usePrinter } from '../../shared/hooks/useSettings.ts';
import { Why } from '../../shared/ui/Why.tsx';
import { useColours, useStage } from './BenchContext.ts';
import { curedStage } from './state/matching.ts';
import { usePlanPart } from './state/useDerived.ts';
import { BARE, type NamedStage, otherGelOf } from './state/liveColours.ts';
import { PotSwatch } from './PotSwatch.tsx';
import { useSkin } from './useSkin.ts';

import { sayHours } from './timeScale.ts';

const gelName = (gel: number): string => (gel > 0.75 ? 'gelled' : gel < 0.25 ? 'not gelled' : 'half gelled');

const stagesAt = (gel: number): readonly (readonly [NamedStage, string])[] => [
  ['fresh', 'Fresh'],
  ['cut', 'At the cut'],
  ['cured', `Cured, ${gelName(gel)}`],
  ['otherGel', `Cured, ${gelName(otherGelOf({ gel }))}`],
];

/** The outside of the bar, where it differs from the cut face. */
function OutsideLine({ potId, label }: { readonly potId: string | null; readonly label: string }) {
  const skin = useSkin(potId);
  return (
    skin && (
      <p className="outside">
        <PotSwatch potId={potId} stage="skin" label={label} className="outside-fill" />
        <span>
          The outside of the bar <code className="figure">{skin.hex}</code>: it gels less and browns first.
          The colours above are its cut face.
        </span>
      </p>
    )
  );
}

/** How far the cured pot may be off, by its own colourants, its donors' and the batch's, as a text that says it. */
function useOfDoubt(potId: string | null, say: (doubt: Doubt, plan: Plan) => string): string {
  const { gel } = useStage();
  return usePlanPart((plan) => {
    const pot = plan.pots.find((p) => p.id === potId);
    const composition = pot ? potComposition(plan, pot) : bareComposition(plan);
    return say(potDoubt(plan, composition, curedStage(gel)), plan);
  });
}

/** By itself, so that a move of a dose renders the card no second time. */
function DoubtLine({ potId }: { readonly potId: string | null }) {
  const print = usePrinter();
  const text = useOfDoubt(potId, (doubt, { base }) =>
    doubtText(doubt, doubt.deltaE, isBaseTold(base.learnt), print),
  );
  return <p className="soft doubt">{text}</p>;
}

/** How the cured pot may turn out, over its swatch. */
function PotTeeth({ potId }: { readonly potId: string | null }) {
  const text = useOfDoubt(potId, ({ deltaE, range }) => JSON.stringify({ deltaE, range }));
  return teeth(JSON.parse(text) as Pick<Doubt, 'deltaE' | 'range'>);
}

/** Fresh, cut and cured side by side, gelled beside ungelled, then the colour at the time strip with its numbers. */
export const ColourCard = memo(function ColourCard({
  potId,
  label,
}: {
  readonly potId: string | null;
  readonly label: string;
}) {
  const { pots, stage } = useColours();
  const store = useStore();
  const print = usePrinter();
  const colours = pots.get(potId ?? BARE);
  const bare = pots.get(BARE);
  // The plan is asked for when the lines are: the card follows the colours alone.
  const lines = (): readonly string[] => {
    const plan = presentOf(selectBench(store.getState()))?.plan;
    return plan ? why.colour(plan, print, plan.pots.find((p) => p.id === potId) ?? null, stage) : [];
  };
  return (
    <section className="colour-card" aria-label={`Predicted colour of ${label}`}>
      <div className="trio">
        {stagesAt(stage.gel).map(([name, said]) => (
          <figure key={name}>
            <div className="toothed">
              <PotSwatch potId={potId} stage={name} label={label} className="trio-fill" />
              {name === 'cured' && <PotTeeth potId={potId} />}
            </div>
            <figcaption>
              {said}
              <code className="figure">{colours?.[name].hex ?? '–'}</code>
            </figcaption>
          </figure>
        ))}
      </div>
      {colours && bare && (
        <table className="lab figure">
          <caption>
            At the time strip: {sayHours(stage.hours)},{' '}
            {stage.gel === 0 ? 'no gel' : stage.gel === 1 ? 'full gel' : 'half gel'}
            <Why of={`the colour of ${label}`} lines={lines} />
          </caption>
          <tbody>
            <tr>
              <th scope="row">L*</th>
              <td>{print.fixed(colours.now.lab[0], 1)}</td>
              <th scope="row">a*</th>
              <td>{print.fixed(colours.now.lab[1], 1)}</td>
              <th scope="row">b*</th>
              <td>{print.fixed(colours.now.lab[2], 1)}</td>
              {potId !== null && (
                <>
                  <th scope="row">ΔE from bare</th>
                  <td>{print.fixed(deltaE00(colours.now.lab, bare.now.lab), 1)}</td>
                </>
              )}
            </tr>
          </tbody>
        </table>
      )}
      <OutsideLine potId={potId} label={label} />
      <DoubtLine potId={potId} />
    </section>
  );
});
