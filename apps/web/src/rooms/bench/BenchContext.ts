import { type PredictedColour, type Stage } from '@kleur/core/pigment';
import { createContext, useContext, useMemo, useSyncExternalStore } from 'react';
import { type LiveChecks } from './state/liveChecks.ts';
import { type LiveColours, type ColourSnapshot, type NamedStage } from './state/liveColours.ts';

export interface BenchContextValue {
  readonly live: LiveColours;
  readonly checks: LiveChecks;
  /** The pot that is selected everywhere, or null when there is none. */
  readonly selectedId: string | null;
  readonly select: (potId: string) => void;
  /** Whether Prep takes no change by touch. */
  readonly locked: boolean;
  readonly setLocked: (locked: boolean) => void;
}

export const BenchContext = createContext<BenchContextValue | null>(null);

export function useBench(): BenchContextValue {
  const value = useContext(BenchContext);
  if (!value) throw new Error('Outside an open batch');
  return value;
}

/** The colours as last predicted; re-renders with every frame of a drag, so keep its users small. */
export function useColours(): ColourSnapshot {
  const { live } = useBench();
  return useSyncExternalStore(live.subscribe, live.getSnapshot);
}

/** Cured colours as `#rrggbb` by pot id or `BARE`; stays the same while time is dragged. */
export function useCuredHex(): ReadonlyMap<string, string> {
  const { live } = useBench();
  // As one text, so that equal colours are the same to React.
  const cured = useSyncExternalStore(live.subscribe, () =>
    JSON.stringify([...live.getSnapshot().pots].map(([id, c]) => [id, c.cured.hex])),
  );
  return useMemo(() => new Map(JSON.parse(cured) as [string, string][]), [cured]);
}

/** The stage that the colours were last predicted at; not rendered again by an edit of the plan. */
export function useStage(): Stage {
  const { live } = useBench();
  return useSyncExternalStore(live.subscribe, () => live.getSnapshot().stage);
}

/** The colour of a pot (or of `BARE`) at a stage, rendered again only when it is another. */
export function usePotColour(id: string, stage: NamedStage): PredictedColour | undefined {
  const { live } = useBench();
  // As one text, so that equal colours are the same to React.
  const text = useSyncExternalStore(live.subscribe, () => {
    const colour = live.getSnapshot().pots.get(id)?.[stage];
    return colour ? JSON.stringify(colour) : '';
  });
  return useMemo(() => (text === '' ? undefined : (JSON.parse(text) as PredictedColour)), [text]);
}
