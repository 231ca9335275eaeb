import { Button, Segmented } from 'antd';
import { useState } from 'react';
import { screenColourFromLabD65 } from '@kleur/core/colour';
import { soften, type Softener, SOFTENERS } from '@kleur/core/palette';
import { useAppDispatch } from '../../../data/store.ts';
import { edits } from '../state/edits.ts';
import { type MatchedColour } from './usePaletteMatches.ts';

const NAMES: Readonly<Record<Softener, string>> = {
  white: 'white',
  brown: 'brown',
  black: 'black',
  complement: 'the complement',
};

/** Calms one colour or the whole palette by a trace; the colours and their greys are shown before it is done. */
export function SoftenBar(props: {
  readonly colours: readonly MatchedColour[];
  readonly selectedId: string | null;
}) {
  const { colours, selectedId } = props;
  const dispatch = useAppDispatch();
  const [softener, setSoftener] = useState<Softener>('brown');
  const chosen = colours.find((c) => c.colour.id === selectedId);
  const calmed = colours.map(({ colour }) =>
    chosen === undefined || colour.id === selectedId
      ? { ...colour, lab: soften(colour.lab, softener) }
      : colour,
  );
  return (
    <div className="soften">
      <span>Soften with a trace of</span>
      <Segmented<Softener>
        aria-label="Soften with"
        value={softener}
        onChange={setSoftener}
        options={SOFTENERS.map((s) => ({ value: s, label: NAMES[s] }))}
      />
      <span className="soften-preview" aria-hidden>
        {calmed.map((c) => (
          <span key={c.id}>
            <i style={{ background: screenColourFromLabD65(c.lab).hex }} />
            <i style={{ background: screenColourFromLabD65([c.lab[0], 0, 0]).hex }} />
          </span>
        ))}
      </span>
      <Button
        onClick={() => {
          dispatch(edits.paletteSet(calmed));
        }}
      >
        {chosen ? `Soften ${chosen.colour.name}` : 'Soften the palette'}
      </Button>
    </div>
  );
}
