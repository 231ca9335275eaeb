import { memo, useEffect, useRef, useState } from 'react';
import { colourWords } from '@kleur/core/colour';
import { useBench, usePotColour } from './BenchContext.ts';
import { BARE } from './state/liveColours.ts';
import { usePlanPart } from './state/useDerived.ts';

/** A change is told once it has rested this long, ms. */
const REST = 900;

/** Tells those who do not see it what colour the selected pot has become. Choosing another pot is no change. */
export const ColourNews = memo(function ColourNews() {
  const { selectedId } = useBench();
  const name = usePlanPart((p) => p.pots.find((x) => x.id === selectedId)?.name ?? 'The bare base');
  const colour = usePotColour(selectedId ?? BARE, 'cured');
  const known = useRef<{ readonly id: string | null; readonly words: string } | null>(null);
  const [news, setNews] = useState('');
  const words = colour ? `${colourWords(colour.lab)}, ${colour.hex}` : null;
  useEffect(() => {
    if (words === null) return;
    const before = known.current;
    if (before?.id !== selectedId) {
      known.current = { id: selectedId, words };
      return;
    }
    if (before.words === words) return;
    const timer = setTimeout(() => {
      known.current = { id: selectedId, words };
      setNews(`${name}, cured: ${words}`);
    }, REST);
    return () => {
      clearTimeout(timer);
    };
  }, [words, selectedId, name]);
  return (
    <p className="sr-only" role="status" aria-label="Colour of the selected pot">
      {news}
    </p>
  );
});
