import { Segmented } from 'antd';
import { lazy, Suspense, useState } from 'react';
import { ChecksPanel } from '../idea/ChecksPanel.tsx';
import { PaletteRow } from '../idea/PaletteRow.tsx';
import { ReachField } from '../idea/ReachField.tsx';
import { usePaletteMatches } from '../idea/usePaletteMatches.ts';
import { MatchFilterBar } from '../MatchFilterBar.tsx';

const FilePanel = lazy(() => import('../idea/FilePanel.tsx').then((m) => ({ default: m.FilePanel })));
const SavedPanel = lazy(() => import('../idea/FilePanel.tsx').then((m) => ({ default: m.SavedPanel })));
const SketchFold = lazy(() => import('../SketchFold.tsx'));
const PhotoPanel = lazy(() => import('../idea/PhotoPanel.tsx').then((m) => ({ default: m.PhotoPanel })));

type Source = 'reach' | 'photo' | 'file' | 'saved' | 'sketch';
const sources: readonly { readonly value: Source; readonly label: string }[] = [
  { value: 'reach', label: 'Reach' },
  { value: 'photo', label: 'Photo' },
  { value: 'file', label: 'File' },
  { value: 'saved', label: 'Saved' },
  { value: 'sketch', label: 'Sketch' },
];

/** From a mood, a photo or a colour to a palette that the shelf can make. */
export function IdeaStep() {
  const { colours, busy } = usePaletteMatches();
  const [source, setSource] = useState<Source>('reach');
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
        {source === 'reach' && <ReachField colours={colours} />}
        <Suspense fallback={<p role="status">Opening…</p>}>
          {source === 'photo' && <PhotoPanel />}
          {source === 'file' && <FilePanel />}
          {source === 'saved' && <SavedPanel />}
          {source === 'sketch' && <SketchFold />}
        </Suspense>
      </div>
      <aside>
        <ChecksPanel colours={colours} />
      </aside>
    </div>
  );
}
