import { Segmented } from 'antd';
import { useState } from 'react';
import { type Deficiency, greyOrder, simulateDeficiency } from '@kleur/core/palette';
import { usePrinter } from '../../../shared/hooks/useSettings.ts';
import { useStage } from '../BenchContext.ts';
import { sayStage } from '../timeScale.ts';
import { ApartPanel } from './ApartPanel.tsx';
import { DesignPanel } from './DesignPanel.tsx';
import { MudPanel } from './MudPanel.tsx';
import { hexOf, type Item, useItemPairs, useItems } from './useItems.ts';
import { type MatchedColour } from './usePaletteMatches.ts';

const eyes: readonly (readonly [Deficiency, string])[] = [
  ['protan', 'Red-weak (protan)'],
  ['deutan', 'Green-weak (deutan)'],
  ['tritan', 'Blue-weak (tritan)'],
];

/** What the techniques ask of the colours: values, distances, mud, and other eyes. */
export function ChecksPanel({ colours }: { readonly colours: readonly MatchedColour[] }) {
  const items = useItems(colours);
  const pairs = useItemPairs(items);
  return (
    <>
      <DesignPanel count={items.length} />
      {items.length > 0 && (
        <>
          <Grey items={items} />
          <ApartPanel items={items} pairs={pairs} />
          <MudPanel items={items} pairs={pairs} />
          <section aria-label="Colour-weak eyes">
            <h2>For colour-weak eyes</h2>
            {eyes.map(([deficiency, label]) => (
              <div key={deficiency} className="eyes">
                <span className="small soft">{label}</span>
                <div className="greys">
                  {items.map((item, i) => (
                    <i
                      key={i}
                      style={{ background: simulateDeficiency(hexOf(item.now), deficiency) }}
                      title={item.name}
                    />
                  ))}
                </div>
              </div>
            ))}
          </section>
        </>
      )}
    </>
  );
}

function Grey({ items }: { readonly items: readonly Item[] }) {
  const [sorted, setSorted] = useState<'place' | 'value'>('place');
  const print = usePrinter();
  const stage = useStage();
  const labs = items.map((i) => i.now);
  const grey = greyOrder(labs);
  const order = sorted === 'value' ? grey.order : items.map((_, i) => i);
  return (
    <section aria-label="Grey view">
      <div className="section-head">
        <h2>In grey, {sayStage(stage)}</h2>
        <Segmented
          size="small"
          aria-label="Order of the grey view"
          value={sorted}
          onChange={setSorted}
          options={[
            { value: 'place', label: 'in the order of the pots' },
            { value: 'value', label: 'by value' },
          ]}
        />
      </div>
      <div className="greys">
        {order.map((i) => (
          <i
            key={i}
            style={{ background: hexOf([labs[i]![0], 0, 0]) }}
            title={`${items[i]!.name}: L* ${print.fixed(labs[i]![0], 0)}`}
          />
        ))}
      </div>
      {items.length > 1 && (
        <p className="soft small figure">
          widest gap {print.fixed(grey.widest, 0)}, closest pair {print.fixed(grey.flattest, 0)} in L*
        </p>
      )}
    </section>
  );
}
