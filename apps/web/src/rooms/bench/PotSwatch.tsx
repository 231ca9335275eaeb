import { memo, type ReactNode } from 'react';
import { colourWords } from '@kleur/core/colour';
import { usePotColour } from './BenchContext.ts';
import { BARE, type NamedStage } from './state/liveColours.ts';

/** What is drawn over the pots, by their ids; over the bare base under `BARE`. */
export type TeethByPot = ReadonlyMap<string, ReactNode>;

const words: Readonly<Record<NamedStage, string>> = {
  now: 'at the time strip',
  fresh: 'fresh',
  cut: 'at the cut',
  cured: 'cured',
  otherGel: 'cured, if it does the other in gel',
  skin: 'outside of the bar',
};

/** A flat patch of a pot's predicted colour. `potId` null is the bare base. */
export const PotSwatch = memo(function PotSwatch(props: {
  readonly potId: string | null;
  readonly stage: NamedStage;
  readonly label: string;
  readonly className?: string;
  /** What is drawn over the colour. */
  readonly over?: ReactNode;
}) {
  const colour = usePotColour(props.potId ?? BARE, props.stage);
  return (
    <span
      className={`swatch ${props.className ?? ''}`}
      role="img"
      aria-label={`${props.label}, ${words[props.stage]}: ${colour ? `${colourWords(colour.lab)}, ${colour.hex}` : 'not predicted yet'}`}
      data-hex={colour?.hex}
      style={colour ? { background: colour.hex } : undefined}
    >
      {colour && props.over}
      {colour && !colour.inGamut && (
        <span
          className="swatch-mark"
          title="Beyond what a screen can show: the nearest of the same hue and lightness"
        >
          ≈
        </span>
      )}
    </span>
  );
});
