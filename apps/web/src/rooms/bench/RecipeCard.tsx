import { Button } from 'antd';
import { screenColourFromLabD65 } from '@kleur/core/colour';
import { type Recipe, type RecipeVirtue } from '@kleur/core/match';
import { type Material } from '@kleur/core/material';
import { doubtText } from '../../shared/doubtText.ts';
import { teeth } from '../../shared/ui/Teeth.tsx';
import { bringsText } from './joinedText.ts';
import { usePrinter, useSettings } from '../../shared/hooks/useSettings.ts';

const virtueName: Readonly<Record<RecipeVirtue, string>> = {
  closest: 'closest',
  fewest: 'fewest',
  cheapest: 'cheapest',
  surest: 'surest',
  calmest: 'slowest to thicken',
};

/** One honest recipe: its colour beside the wanted one, what goes in, what it costs and how sure it is. */
export function RecipeCard(props: {
  readonly recipe: Recipe;
  readonly wantedHex: string;
  readonly shelf: ReadonlyMap<string, Material>;
  readonly potOils: number;
  /** Whether it was matched for a gelled bar. */
  readonly gelled: boolean;
  /** Whether it is added to what the pot holds. */
  readonly adding?: boolean;
  /** Whether the base stands on the maker’s own bars. */
  readonly isBaseTold: boolean;
  readonly onUse: () => void;
}) {
  const { recipe, wantedHex, shelf, potOils, gelled, adding = false, isBaseTold } = props;
  const print = usePrinter();
  const { measuring } = useSettings();
  const names = recipe.parts.map((p) => shelf.get(p.id)?.name ?? p.id);
  const cautions = recipe.parts.flatMap((p) => {
    const brings = bringsText(shelf.get(p.id));
    return brings === '' ? [] : [`${shelf.get(p.id)?.name ?? p.id} ${brings}`];
  });
  const more = [
    ...(recipe.cost !== null && potOils > 0 ? [`costs ${print.money((recipe.cost * potOils) / 1000)}`] : []),
    ...(recipe.pace < 0.95 ? [`pace × ${print.number(recipe.pace, 2)}`] : []),
    ...cautions,
  ];
  const swatches = [
    ['fresh', recipe.fresh.hex],
    ['cut', recipe.cut.hex],
    ['cured', recipe.cured.hex],
    [gelled ? 'cured, if it does not gel' : 'cured, if it gels', recipe.otherGel.hex],
  ] as const;
  return (
    <li className="recipe" aria-label={`Recipe: ${names.join(', ') || 'bare base'}`}>
      <div className="recipe-colours">
        <span
          className="recipe-pair"
          role="img"
          aria-label={`Wanted ${wantedHex}, recipe ${screenColourFromLabD65(recipe.lab).hex}`}
        >
          <i style={{ background: wantedHex }} />
          <i className="toothed" style={{ background: screenColourFromLabD65(recipe.lab).hex }}>
            {teeth({ deltaE: recipe.doubt, range: recipe.range })}
          </i>
        </span>
        <span className="recipe-stages">
          {swatches.map(([name, hex]) => (
            <i key={name} style={{ background: hex }} title={`${name} ${hex}`} />
          ))}
        </span>
      </div>
      <div className="recipe-body">
        <p className="recipe-head figure">
          <b>ΔE {print.fixed(recipe.deltaE, 1)}</b>
          {recipe.virtues.map((v) => (
            <span key={v} className="virtue">
              {virtueName[v]}
            </span>
          ))}
        </p>
        <ul className="recipe-parts figure">
          {recipe.parts.map((p, i) => (
            <li key={p.id}>
              {adding && 'add '}
              <b>
                {measuring.by === 'scale' && potOils > 0
                  ? `${print.weighed((p.dose * potOils) / 1000)} g`
                  : `${print.significant(p.dose, 3)} g/kg`}
              </b>{' '}
              {names[i]}
            </li>
          ))}
          {recipe.parts.length === 0 && (
            <li>{adding ? 'Nothing to add' : 'Nothing to add: the bare base is nearest'}</li>
          )}
        </ul>
        <p className="soft small figure">{doubtText(recipe.evidence, recipe.doubt, isBaseTold, print)}</p>
        {more.length > 0 && <p className="soft small figure">{more.join(' · ')}</p>}
      </div>
      <Button onClick={props.onUse}>Use</Button>
    </li>
  );
}
