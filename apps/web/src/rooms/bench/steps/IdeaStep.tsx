import { Segmented } from 'antd';
import { lazy, Suspense, useState } from 'react';
import { ChecksPanel } from '../idea/ChecksPanel.tsx';
import { HarmonyPanel } from '../idea/HarmonyPanel.tsx';
import { PaletteRow } from '../idea/PaletteRow.tsx';
import { usePaletteMatches } from '../idea/usePaletteMatches.ts';
import { MatchFilterBar } from '../MatchFilterBar.tsx';

const FilePanel = lazy(() => import('../idea/FilePanel.tsx').then((m) => ({ default: m.FilePanel })));
const SavedPanel = lazy(() => import('../idea/FilePanel.tsx').then((m) => ({ default: m.SavedPanel })));
const PhotoPanel = lazy(() => import('../idea/PhotoPanel.tsx').then((m) => ({ default: m.PhotoPanel })));
const ReachChart = lazy(() => import('../idea/ReachChart.tsx').then((m) => ({ default: m.ReachChart })));

type Source = 'harmony' | 'photo' | 'file' | 'saved' | 'reach';
const sources: readonly { readonly value: Source; readonly label: string }[] = [
  { value: 'harmony', label: 'Harmony' },
  { value: 'photo', label: 'Photo' },
  { value: 'file', label: 'File' },
  { value: 'saved', label: 'Saved' },
  { value: 'reach', label: 'Reach' },
];

/** From a mood, a photo or a colour to a palette that the shelf can make. */
export function IdeaStep() {
  const { colours, busy } = usePaletteMatches();
  const [source, setSource] = useState<Source>('harmony');
  return (
    <div className="two">
      <div>
        <PaletteRow colours={colours} busy={busy} />
        <MatchFilterBar />
        <div className="section-head">
          <Segmented
            aria-label="Where colours come from"
            value={source}
            onChange={setSource}
            options={sources as never}
          />
        </div>
        {source === 'harmony' && <HarmonyPanel />}
        <Suspense fallback={<p role="status">Opening…</p>}>
          {source === 'photo' && <PhotoPanel />}
          {source === 'file' && <FilePanel />}
          {source === 'saved' && <SavedPanel />}
          {source === 'reach' && <ReachChart colours={colours} />}
        </Suspense>
      </div>
      <aside>
        <ChecksPanel colours={colours} />
      </aside>
    </div>
  );
}
