import { Button } from 'antd';
import { type GelSeen, GELS_SEEN } from '@kleur/core/evidence';
import { RECORD_LIMITS } from '@kleur/core/record';
import { LengthField } from '../../../shared/ui/Quantity.tsx';
import styles from './result.module.css';
import { gelName } from './words.ts';

/** Of a ring that nobody has measured yet, mm. */
const USUAL_RIM = 10;

/** What the cut face showed of gel, by one tap. */
export function GelSeenBar(props: {
  readonly gel: GelSeen | null;
  readonly onChange: (gel: GelSeen | null) => void;
}) {
  const { gel, onChange } = props;
  return (
    <div className={styles.gel} role="group" aria-label="Gel seen at the cut">
      <span className="soft">Gel at the cut</span>
      {GELS_SEEN.map((how) => (
        <Button
          key={how}
          aria-pressed={gel?.how === how}
          type={gel?.how === how ? 'primary' : 'default'}
          icon={<GelPicture how={how} />}
          onClick={() => {
            onChange(gel?.how === how ? null : { how, rim: how === 'ring' ? USUAL_RIM : 0 });
          }}
        >
          {gelName[how]}
        </Button>
      ))}
      {gel?.how === 'ring' && (
        <LengthField
          label="Width of the pale rim"
          value={gel.rim}
          min={RECORD_LIMITS.rim.min}
          max={RECORD_LIMITS.rim.max}
          width={96}
          onCommit={(rim) => {
            onChange({ how: 'ring', rim });
          }}
        />
      )}
    </div>
  );
}

/** A cut face with as much of it gelled. */
function GelPicture({ how }: { readonly how: GelSeen['how'] }) {
  const inner = how === 'full' ? 14 : how === 'ring' ? 7 : 0;
  return (
    <svg width="18" height="18" viewBox="0 0 18 18" aria-hidden className={styles.gelPicture}>
      <rect x="1" y="1" width="16" height="16" fill="none" stroke="currentColor" />
      {inner > 0 && (
        <rect x={9 - inner / 2} y={9 - inner / 2} width={inner} height={inner} fill="currentColor" />
      )}
      {how === 'unsure' && (
        <text x="9" y="13" textAnchor="middle" fontSize="11" fill="currentColor">
          ?
        </text>
      )}
    </svg>
  );
}
