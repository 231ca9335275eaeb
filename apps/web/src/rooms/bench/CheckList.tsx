import { type Check } from '@kleur/core';
import { LevelMark } from '../../shared/ui/Levels.tsx';

/** Findings with their arithmetic and what to do, the gravest first. */
export function CheckList({ checks, label }: { readonly checks: readonly Check[]; readonly label: string }) {
  if (checks.length === 0) return null;
  return (
    <ul className="checks" aria-label={label}>
      {checks.map((c, i) => (
        <li key={`${c.id}-${i}`} className={`check check-${c.level}`}>
          <LevelMark level={c.level} />
          <div>
            <p>{c.sentence}</p>
            <p className="soft">
              {c.remedy}
              {c.arithmetic && <span className="figure"> ({c.arithmetic})</span>}
            </p>
          </div>
        </li>
      ))}
    </ul>
  );
}
