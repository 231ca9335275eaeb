import { lazy, Suspense } from 'react';
import { type CheckPlace } from '@kleur/core/checks';
import { LevelMark } from '../../../shared/ui/Levels.tsx';
import { usePart } from '../../../shared/hooks/usePart.ts';
import { PartTabs } from '../../../shared/ui/PartTabs.tsx';
import { CheckList } from '../CheckList.tsx';
import { ColourCard } from '../ColourCard.tsx';
import { KeepLooks } from '../KeepLooks.tsx';
import { useChecks, usePlan } from '../state/useDerived.ts';
import { BaseLines } from './base/BaseLines.tsx';
import { LyePanel } from './base/LyePanel.tsx';
import { OilTable } from './base/OilTable.tsx';

const MouldPart = lazy(() => import('./base/MouldPart.tsx').then((m) => ({ default: m.MouldPart })));
const ScentPart = lazy(() => import('./base/ScentPart.tsx').then((m) => ({ default: m.ScentPart })));
const AdditivesPart = lazy(() =>
  import('./base/AdditivesPart.tsx').then((m) => ({ default: m.AdditivesPart })),
);
const EmbedsPart = lazy(() => import('./base/EmbedsPart.tsx').then((m) => ({ default: m.EmbedsPart })));

type PartKey = 'oils' | 'mould' | 'scent' | 'additives' | 'embeds';
const PARTS: readonly { key: PartKey; label: string; places: readonly CheckPlace['at'][] }[] = [
  { key: 'oils', label: 'Oils and lye', places: ['oils', 'superfat', 'lye'] },
  { key: 'mould', label: 'Mould and bars', places: ['mould'] },
  { key: 'scent', label: 'Scent', places: ['scent'] },
  { key: 'additives', label: 'Additives', places: ['additives'] },
  { key: 'embeds', label: 'Embeds and lines', places: ['embeds'] },
];
const KEYS = PARTS.map((p) => p.key);

/** Everything that is the same for all pots: oils, lye, mould, scent, additives, embeds. */
export function BaseStep() {
  const plan = usePlan();
  const part = usePart(KEYS);
  const all = useChecks();
  const of = (places: readonly CheckPlace['at'][]) => all.filter((c) => places.includes(c.place.at));
  const checks =
    plan.base.oils.length === 0 && part === 'oils' ? [] : of(PARTS.find((p) => p.key === part)!.places);
  return (
    <PartTabs
      label="Parts of the base"
      current={part}
      parts={PARTS.map(({ key, label, places }) => {
        const gravest = of(places).find((c) => c.level !== 'tip');
        return {
          key,
          label,
          mark: gravest && plan.base.oils.length > 0 ? <LevelMark level={gravest.level} /> : null,
        };
      })}
    >
      {part === 'oils' && (
        <div className="two">
          <div>
            <OilTable />
            <CheckList checks={checks.filter((c) => c.place.at === 'oils')} label="Checks on the oils" />
            <BaseLines />
          </div>
          <aside>
            <h2>The bare base</h2>
            <ColourCard potId={null} label="the bare base" />
            <KeepLooks />
            <LyePanel />
            <CheckList checks={checks.filter((c) => c.place.at !== 'oils')} label="Checks on the lye" />
          </aside>
        </div>
      )}
      <Suspense fallback={<p role="status">Opening…</p>}>
        {part === 'mould' && <MouldPart checks={checks} />}
        {part === 'scent' && <ScentPart checks={checks} />}
        {part === 'additives' && <AdditivesPart checks={checks} />}
        {part === 'embeds' && <EmbedsPart checks={checks} />}
      </Suspense>
    </PartTabs>
  );
}
