import { Button, Segmented } from 'antd';
import { useMemo } from 'react';
import { batchFacts } from '@kleur/core/causes';
import {
  FAULT_GROUPS,
  type FaultGroup,
  type FaultId,
  FAULTS,
  faultById,
  SCENT_OUTCOMES,
  type ScentOutcome,
} from '@kleur/core/record';
import { newId } from '../../../data/newId.ts';
import { usePrinter, useSettings } from '../../../shared/hooks/useSettings.ts';
import { FaultCard } from './FaultCard.tsx';
import { FaultPicture } from './FaultPicture.tsx';
import { LyeTestPanel } from './LyeTestPanel.tsx';
import styles from './result.module.css';
import { useNextVersion } from './useNextVersion.ts';
import { type Result } from './useResult.ts';

const GROUP_NAMES: Readonly<Record<FaultGroup, string>> = {
  colour: 'Colour',
  surface: 'Surface',
  body: 'Body',
  design: 'Design',
  scent: 'Scent',
  good: 'Good',
};

const SCENT_NAMES: Readonly<Record<ScentOutcome, string>> = {
  'as-in-the-bottle': 'As in the bottle',
  changed: 'Changed',
  weak: 'Weak',
  returned: 'Gone, and came back',
};

const NOT_JUDGED = 'not-judged';

/** What is wrong, or pleases, why most likely, and what helps: this batch, and the next. */
export function FaultsPart({ result }: { readonly result: Result }) {
  const { batchId, record, poured, made, log, edit } = result;
  const { measuring } = useSettings();
  const print = usePrinter();
  const facts = useMemo(
    () => batchFacts({ planned: poured.plan, actuals: made, record, log, measuring, print }),
    [poured.plan, made, record, log, measuring, print],
  );
  const { intoNext, busy } = useNextVersion(batchId, made);
  const seen = new Set(record.faults.map((f) => f.fault));
  const toggle = (fault: FaultId): void => {
    edit((r) =>
      r.faults.some((f) => f.fault === fault)
        ? { ...r, faults: r.faults.filter((f) => f.fault !== fault) }
        : { ...r, faults: [...r.faults, { id: newId(), fault, potIds: [], text: '' }] },
    );
  };
  const pots = made.plan.pots.filter((p) => !p.id.includes('/') && !p.id.startsWith('spare:'));
  return (
    <div className={styles.result}>
      <LyeTestPanel result={result} />
      {made.plan.base.scent && (
        <div className={styles.bar}>
          <span className="soft">Scent in the bar</span>
          <Segmented<ScentOutcome | typeof NOT_JUDGED>
            aria-label="How the scent came out"
            value={record.scent ?? NOT_JUDGED}
            onChange={(v) => {
              edit((r) => ({ ...r, scent: v === NOT_JUDGED ? null : v }));
            }}
            options={[
              { value: NOT_JUDGED, label: 'Not judged' },
              ...SCENT_OUTCOMES.map((o) => ({ value: o, label: SCENT_NAMES[o] })),
            ]}
          />
        </div>
      )}
      <div className={styles.faultDesk}>
        <section aria-label="What do you see?">
          <h2>What do you see?</h2>
          {FAULT_GROUPS.map((group) => (
            <div key={group} role="group" aria-label={GROUP_NAMES[group]}>
              <h3>{GROUP_NAMES[group]}</h3>
              <div className={styles.faults}>
                {FAULTS.filter((f) => f.group === group).map((f) => (
                  <Button
                    key={f.id}
                    className={styles.fault}
                    aria-pressed={seen.has(f.id)}
                    type={seen.has(f.id) ? 'primary' : 'default'}
                    title={faultById(f.id).looks}
                    onClick={() => {
                      toggle(f.id);
                    }}
                  >
                    <FaultPicture fault={f.id} />
                    <span>{f.name}</span>
                  </Button>
                ))}
              </div>
            </div>
          ))}
        </section>
        <section aria-label="What was seen">
          <h2>What was seen</h2>
          {record.faults.length === 0 && (
            <p className="soft">Nothing yet. Choose what the bars show: why, and what helps, stands here.</p>
          )}
          {record.faults.map((f) => (
            <FaultCard
              key={f.id}
              seen={f}
              facts={facts}
              pots={pots}
              busy={busy}
              onChange={(change) => {
                edit((r) => ({
                  ...r,
                  faults: r.faults.map((x) => (x.id === f.id ? { ...x, ...change } : x)),
                }));
              }}
              onRemove={() => {
                toggle(f.fault);
              }}
              onNext={(next) => void intoNext(next)}
            />
          ))}
        </section>
      </div>
    </div>
  );
}
