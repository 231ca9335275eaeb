import { InfoCircleOutlined, StopFilled, WarningFilled } from './icons.tsx';
import { type CheckLevel } from '@kleur/core/checks';

const words: Readonly<Record<CheckLevel, string>> = { stop: 'Stop', warn: 'Warning', tip: 'Tip' };

/** The mark of a check's level: a shape and a word for it, colour only besides. */
export function LevelMark({ level, count }: { readonly level: CheckLevel; readonly count?: number }) {
  const icon = { stop: <StopFilled />, warn: <WarningFilled />, tip: <InfoCircleOutlined /> }[level];
  const said = count === undefined ? words[level] : `${words[level]}: ${count}`;
  return (
    <span className={`level level-${level}`} role="img" aria-label={said} title={said}>
      {icon}
      {count !== undefined && count > 1 && <span aria-hidden>{count}</span>}
    </span>
  );
}
