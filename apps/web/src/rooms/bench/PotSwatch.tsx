import { memo } from 'react';
import { type PotDoubt } from '@kleur/core/balance';
import { colourWords } from '@kleur/core/colour';
import { Teeth } from '../../shared/ui/Teeth.tsx';
import { usePotColour } from './BenchContext.ts';
import { BARE, type NamedStage } from './state/liveColours.ts';

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
  /** How it may turn out. */
  readonly doubt?: Pick<PotDoubt, 'deltaE' | 'range'> | null;
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
      {colour && props.doubt && <Teeth {...props.doubt} />}
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
