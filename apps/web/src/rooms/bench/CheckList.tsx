import { memo } from 'react';
import { Button } from 'antd';
import { type Check } from '@kleur/core/checks';
import { LevelMark } from '../../shared/ui/Levels.tsx';
import { useEdit } from './state/useEdit.ts';

/** Findings with their arithmetic and what to do, the gravest first. A repair is one tap, and one undo. */
export const CheckList = memo(function CheckList({
  checks,
  label,
}: {
  readonly checks: readonly Check[];
  readonly label: string;
}) {
  const edit = useEdit();
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
            {c.repairs && c.repairs.length > 0 && (
              <p className="repairs no-print">
                {c.repairs.map((r) => (
                  <Button
                    key={r.label}
                    size="small"
                    onClick={() => {
                      edit(r.apply);
                    }}
                  >
                    {r.label}
                  </Button>
                ))}
              </p>
            )}
          </div>
        </li>
      ))}
    </ul>
  );
});
