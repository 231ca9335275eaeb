import { Button, Segmented, Select } from 'antd';
import { useMemo, useState } from 'react';
import { type LabD65, screenColourFromLabD65 } from '@kleur/core/colour';
import {
  angleOfHue,
  harmony,
  HARMONY_COUNT,
  oklchFromLab,
  SCHEMES,
  type Scheme,
  type Wheel,
} from '@kleur/core/palette';
import { newId } from '../../../data/newId.ts';
import { useAppDispatch } from '../../../data/store.ts';
import { usePrinter } from '../../../shared/hooks/useSettings.ts';
import { teeth } from '../../../shared/ui/Teeth.tsx';
import { edits } from '../state/edits.ts';
import { usePlanGel } from '../state/useDerived.ts';
import { useMatches, useProblem } from '../useMatching.ts';

const schemeName: Readonly<Record<Scheme, string>> = {
  complement: 'make each other brighter',
  split: 'set one against two',
  triad: 'keep apart in three',
  neighbours: 'melt together',
  'one-hue': 'are one hue, light to dark',
  browns: 'are browns',
};
/** A muted blue, where there is no colour yet to start from. */
const FIRST: LabD65 = [56, -8, -24];

/** Further colours for one that is there, by what they do in soap; each shown as this shelf can make it. */
export function RelatedColours(props: { readonly lead: LabD65 | null; readonly name: string | null }) {
  const { lead, name } = props;
  const [wheel, setWheel] = useState<Wheel>('perceptual');
  const [scheme, setScheme] = useState<Scheme>('complement');
  const [count, setCount] = useState(4);
  const gel = usePlanGel();
  const dispatch = useAppDispatch();
  const print = usePrinter();
  const problem = useProblem(null, gel);
  const wanted = useMemo(() => {
    const [lightness, chroma, hue] = oklchFromLab(lead ?? FIRST);
    const angle = angleOfHue(hue, wheel);
    return harmony({ wheel, scheme, angle, stretch: 1, lightness, chroma: Math.max(0.03, chroma), count });
  }, [lead, wheel, scheme, count]);
  const { results, of } = useMatches(problem, wanted);
  // Nothing allowed on the shelf is the same answer for every colour.
  const nothing = results[0]?.recipes.length === 0 ? results[0].reasons[0] : undefined;
  return (
    <div className="related">
      <div className="row is-level">
        <span>{name === null ? 'Colours that' : `To ${name}, colours that`}</span>
        <Select<Scheme>
          aria-label="What the colours do"
          value={scheme}
          onChange={setScheme}
          options={SCHEMES.map((v) => ({ value: v, label: schemeName[v] }))}
          style={{ width: 230 }}
        />
        <Segmented<Wheel>
          aria-label="Judged by"
          value={wheel}
          onChange={setWheel}
          options={[
            { value: 'perceptual', label: 'by eye', title: 'By how far apart they look' },
            { value: 'painters', label: 'by mixing', title: 'By what mixes to what: red, yellow, blue' },
          ]}
        />
        <Select
          aria-label="How many colours"
          value={count}
          onChange={setCount}
          options={Array.from({ length: HARMONY_COUNT.max - HARMONY_COUNT.min + 1 }, (_, i) => ({
            value: HARMONY_COUNT.min + i,
            label: `${HARMONY_COUNT.min + i} colours`,
          }))}
          style={{ width: 120 }}
        />
      </div>
      <div className="proposals" aria-label="Proposals">
        {wanted.map((lab, i) => {
          const recipe = of.length === wanted.length ? results[i]?.recipes[0] : undefined;
          return (
            <figure key={i}>
              <i style={{ background: screenColourFromLabD65(lab).hex }} />
              <i
                className="toothed"
                style={{ background: recipe ? screenColourFromLabD65(recipe.lab).hex : undefined }}
              >
                {recipe && teeth({ deltaE: recipe.doubt, range: recipe.range })}
              </i>
              <figcaption className="figure small">
                {recipe ? `ΔE ${print.fixed(recipe.deltaE, 1)}` : '…'}
              </figcaption>
            </figure>
          );
        })}
      </div>
      {nothing && (
        <p className="field-problem" role="status">
          {nothing}
        </p>
      )}
      <Button
        onClick={() => {
          // What can be made, not what was dreamt of: the palette starts within reach.
          const colours = wanted.map((lab, i) => ({
            id: newId(),
            name: i === 0 && name !== null ? name : `Colour ${i + 1}`,
            lab: of.length === wanted.length ? (results[i]?.recipes[0]?.lab ?? lab) : lab,
          }));
          dispatch(edits.paletteSet(colours));
        }}
      >
        Use these colours
      </Button>
    </div>
  );
}
