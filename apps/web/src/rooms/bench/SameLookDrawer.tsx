import { Button, Drawer } from 'antd';
import { deltaE00, type LabD65, screenColourFromLabD65 } from '@kleur/core/colour';
import { setFormula } from '@kleur/core/plan';
import { usePrinter } from '../../shared/hooks/useSettings.ts';
import { bringsText } from './joinedText.ts';
import { MatchFilterBar } from './MatchFilterBar.tsx';
import styles from './SameLookDrawer.module.css';
import { formulaOf } from './state/matching.ts';
import { useEdit } from './state/useEdit.ts';
import { named, useShelf } from './useMatching.ts';
import { NOTICED, type SameLook, useSameLooks, useWantedLooks } from './useSameLook.ts';

/** What comes no nearer than this is told as not held. */
const HELD = 2;

const hexOf = (lab: LabD65): string => screenColourFromLabD65(lab).hex;

/** All pots of a batch at once: the look that each had or has, again on this base and from this shelf. */
export function SameLookDrawer(props: {
  /** By pot id. */
  readonly wanted: ReadonlyMap<string, LabD65>;
  readonly gel: number;
  readonly onClose: () => void;
}) {
  const { gel } = props;
  const shelf = useShelf();
  const edit = useEdit();
  const looks = useSameLooks(useWantedLooks(props.wanted, gel), gel);
  const changing = (looks ?? []).filter((l) => l.keeping.result.recipes[0] && betters(l));
  const use = (): void => {
    edit((plan) =>
      changing.reduce((p, { pot, keeping }) => {
        const recipe = keeping.result.recipes[0]!;
        return setFormula(p, pot.id, formulaOf(recipe.parts, shelf), pot.follows);
      }, plan),
    );
    props.onClose();
  };
  return (
    <Drawer
      open
      size={560}
      title="The same look again"
      onClose={props.onClose}
      mask={false}
      footer={
        <Button type="primary" disabled={changing.length === 0} onClick={use}>
          {changing.length === 1 ? 'Use it for 1 pot' : `Use them for ${changing.length} pots`}
        </Button>
      }
    >
      <div className="editor">
        <p className="soft">
          Each pot as it looked, on the present base and from what the shelf allows. Its own colourants stay
          where they can.
        </p>
        <MatchFilterBar />
        <ul className={styles.looks} aria-label="Pots" aria-busy={looks === null}>
          {(looks ?? []).map((look) => (
            <LookRow key={look.pot.id} look={look} />
          ))}
        </ul>
      </div>
    </Drawer>
  );
}

/** Whether the recipe is to be taken: it is nearer than the pot is without it, or the pot lacks what it is made of. */
const betters = ({ wanted, now, keeping, lacks }: SameLook): boolean => {
  const recipe = keeping.result.recipes[0];
  const far = deltaE00(wanted, now);
  return recipe !== undefined && (lacks.length > 0 || (far > NOTICED && recipe.deltaE < far - 0.1));
};

function LookRow({ look }: { readonly look: SameLook }) {
  const { pot, wanted, now, keeping, oils, lacks } = look;
  const shelf = useShelf();
  const print = usePrinter();
  const recipe = keeping.result.recipes[0];
  const better = betters(look);
  const reached = better ? recipe!.lab : now;
  const far = deltaE00(wanted, reached);
  return (
    <li className={styles.look} aria-label={pot.name}>
      <span
        className={styles.pair}
        role="img"
        aria-label={`Wanted ${hexOf(wanted)}, again ${hexOf(reached)}`}
      >
        <i style={{ background: hexOf(wanted) }} />
        <i style={{ background: hexOf(reached) }} />
      </span>
      <div>
        <b>{pot.name}</b> <span className="soft figure">ΔE {print.fixed(far, 1)}</span>
        {lacks.length > 0 && (
          <p className="soft small">
            Without {lacks.map((id) => shelf.get(id)?.name ?? id).join(' and ')}, not allowed here.
          </p>
        )}
        <p className="figure">
          {better
            ? recipe!.parts
                .map((p) => `${print.weighed((p.dose * oils) / 1000)} g ${shelf.get(p.id)?.name ?? p.id}`)
                .join(', ') || 'No colourant'
            : far <= NOTICED
              ? 'Looks the same as it is.'
              : 'Stays as it is: nothing allowed comes nearer.'}
        </p>
        {better &&
          keeping.joined.map((id) => {
            const brings = bringsText(shelf.get(id));
            return (
              <p key={id} className="soft small">
                {shelf.get(id)?.name ?? id} is added{brings === '' ? '' : `: it ${brings}`}.
              </p>
            );
          })}
        {far > HELD && (
          <ul className="reasons">
            <li>This look cannot be kept here.</li>
            {keeping.result.reasons.map((r) => (
              <li key={r}>{named(r, shelf)}</li>
            ))}
          </ul>
        )}
      </div>
    </li>
  );
}
