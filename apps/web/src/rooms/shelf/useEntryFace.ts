import { useEffect, useState } from 'react';
import { type MaterialWire } from '@kleur/contract';
import { type EntryFace } from '@kleur/core/material';
import { colourWorker } from '../../workers/client.ts';
import { type MaterialEntry, writeFrom } from './materialWrite.ts';

/** What an item looks like as it stands in its form, worked out at every change; null before the first answer. */
export function useEntryFace(entry: MaterialEntry, kept: MaterialWire | null): EntryFace | null {
  const [shown, setShown] = useState<EntryFace | null>(null);
  // The entry is another object at every render; what its looks follow from is compared by value.
  const key = JSON.stringify(sourceOf(entry));
  useEffect(() => {
    let current = true;
    const source = JSON.parse(key) as ReturnType<typeof sourceOf>;
    if (!isComplete(source)) return undefined;
    void colourWorker()
      .entryFace(source, kept)
      .then((answer) => {
        if (current) setShown(answer);
      });
    return () => {
      current = false;
    };
  }, [key, kept]);
  return shown;
}

/** While a figure is being typed it cannot be shown: the last looks stay. */
const isComplete = ({ window, looks: { fresh, fades } }: ReturnType<typeof sourceOf>): boolean =>
  [
    ...(window ? [window.typical, window.ceiling] : []),
    ...(fresh ? [fresh.halfLife] : []),
    ...(fades ? [fades.days, fades.keeps + 1] : []),
  ].every((v) => typeof v === 'number' && v > 0) &&
  (window === null || window.ceiling > window.typical);

function sourceOf(entry: MaterialEntry) {
  const { kind, colourIndex, colour, window, looks, oil, scent } = writeFrom(entry);
  return { kind, colourIndex, colour, window, looks, oil, scent };
}
