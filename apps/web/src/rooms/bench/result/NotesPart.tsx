import { Button, Input, Segmented, Select } from 'antd';
import { useState } from 'react';
import { useStore } from 'react-redux';
import { routes } from '@kleur/contract';
import { isColourant } from '@kleur/core/material';
import { techniqueById } from '@kleur/core/palette';
import {
  type Judged,
  RECORD_LIMITS,
  type RecordNote,
  setVerdict,
  type Verdict,
  verdictOn,
} from '@kleur/core/record';
import { newId } from '../../../data/newId.ts';
import { type AppStore } from '../../../data/store.ts';
import { useDays } from '../../../shared/hooks/useDays.ts';
import { DeleteOutlined } from '../../../shared/ui/icons.tsx';
import { NumberField } from '../../../shared/ui/NumberField.tsx';
import { MediaActs } from '../make/MediaActs.tsx';
import { keepFile } from './keepPhoto.ts';
import styles from './result.module.css';
import { type Result } from './useResult.ts';

const NONE = 'none';
const SAYS_OPTIONS = [
  { value: NONE, label: '–' },
  { value: 'again', label: 'Again' },
  { value: 'only', label: 'Only for…' },
  { value: 'never', label: 'Not again' },
] as const;

interface JudgedThing {
  readonly of: Judged;
  readonly ref: string;
  readonly kind: string;
  readonly name: string;
}

/** Everything that was used and can be judged. */
function judgedIn({ made }: Result): JudgedThing[] {
  const { plan } = made;
  const { body, layers, top } = plan.idea.design;
  const techniques = [
    ...new Set([...body, ...layers.map((l) => l.technique), ...(top === null ? [] : [top])]),
  ];
  const ids = new Set(plan.pots.flatMap((p) => p.doses.map((d) => d.materialId)));
  const named = (id: string): string => plan.materials.find((m) => m.id === id)?.name ?? id;
  return [
    { of: 'batch', ref: '', kind: 'The batch', name: '' },
    ...(plan.base.scent?.parts ?? []).map((p): JudgedThing => ({
      of: 'scent',
      ref: p.materialId,
      kind: 'Scent',
      name: named(p.materialId),
    })),
    ...plan.materials
      .filter((m) => ids.has(m.id) && isColourant(m.kind))
      .map((m): JudgedThing => ({ of: 'colourant', ref: m.id, kind: 'Colourant', name: m.name })),
    ...techniques.map((id): JudgedThing => ({
      of: 'technique',
      ref: id,
      kind: 'Technique',
      name: techniqueById(id)?.name ?? id,
    })),
    ...[...new Set(plan.moulding.moulds.map((m) => m.mould.name))].map((name): JudgedThing => ({
      of: 'mould',
      ref: name,
      kind: 'Mould',
      name,
    })),
  ];
}

/** What the maker thinks of the batch and of everything in it, and remarks. */
export function NotesPart({ result }: { readonly result: Result }) {
  const { record, edit } = result;
  return (
    <div className={styles.result}>
      <section aria-label="Verdicts">
        <h2>Verdicts</h2>
        <p className="soft">They come back when the same thing is chosen again.</p>
        <ul className={styles.verdicts}>
          {judgedIn(result).map((thing) => (
            <VerdictRow
              key={`${thing.of} ${thing.ref}`}
              thing={thing}
              verdict={verdictOn(record, thing.of, thing.ref)}
              onChange={(verdict) => {
                edit((r) => setVerdict(r, thing.of, thing.ref, verdict));
              }}
            />
          ))}
        </ul>
      </section>
      <Notes result={result} />
    </div>
  );
}

function VerdictRow(props: {
  readonly thing: JudgedThing;
  readonly verdict: Verdict | null;
  readonly onChange: (verdict: Pick<Verdict, 'says' | 'text'> | null) => void;
}) {
  const { thing, verdict, onChange } = props;
  const [text, setText] = useState(verdict?.text ?? '');
  const label = thing.name === '' ? thing.kind : `${thing.kind}: ${thing.name}`;
  return (
    <li aria-label={label}>
      <span>
        <span className="soft">{thing.kind}</span> <b>{thing.name}</b>
      </span>
      <Segmented<Verdict['says'] | typeof NONE>
        aria-label={`Verdict on ${label}`}
        value={verdict?.says ?? NONE}
        onChange={(says) => {
          onChange(says === NONE ? null : { says, text });
        }}
        options={[...SAYS_OPTIONS]}
      />
      <Input
        aria-label={`Why, or for what only: ${label}`}
        placeholder={verdict?.says === 'only' ? 'For what only' : 'Why'}
        value={text}
        maxLength={RECORD_LIMITS.text}
        disabled={!verdict}
        onChange={(e) => {
          setText(e.target.value);
        }}
        onBlur={() => {
          if (verdict && text !== verdict.text) onChange({ says: verdict.says, text });
        }}
      />
    </li>
  );
}

function Notes({ result }: { readonly result: Result }) {
  const { batchId, record, made, edit } = result;
  const store = useStore() as unknown as AppStore;
  const [text, setText] = useState('');
  const [potId, setPotId] = useState('');
  const [bar, setBar] = useState<number | null>(null);
  const days = useDays();
  const pots = made.plan.pots.filter((p) => !p.id.includes('/') && !p.id.startsWith('spare:'));
  const potName = (id: string): string => pots.find((p) => p.id === id)?.name ?? '';
  const add = (more: Partial<RecordNote>): void => {
    const note: RecordNote = {
      id: newId(),
      at: Date.now(),
      potId,
      bar: bar ?? 0,
      text: '',
      file: '',
      ...more,
    };
    edit((r) => ({ ...r, notes: [...r.notes, note] }));
  };
  const keep = (): void => {
    if (text.trim() === '') return;
    add({ text: text.trim() });
    setText('');
  };
  return (
    <section aria-label="Notes">
      <h2>Notes</h2>
      <div className={styles.noteForm}>
        <Input.TextArea
          aria-label="A note"
          value={text}
          rows={2}
          maxLength={RECORD_LIMITS.text}
          onChange={(e) => {
            setText(e.target.value);
          }}
        />
        <div className={styles.row}>
          <Select
            aria-label="Of"
            value={potId}
            onChange={setPotId}
            style={{ minWidth: 150 }}
            options={[
              { value: '', label: 'The whole batch' },
              ...pots.map((p) => ({ value: p.id, label: p.name })),
            ]}
          />
          <NumberField
            label="Bar number"
            hideLabel
            placeholder="Bar no."
            value={bar}
            min={1}
            max={RECORD_LIMITS.bars.max}
            digits={0}
            width={90}
            onCommit={(v) => {
              setBar(Math.round(v));
            }}
            onClear={() => {
              setBar(null);
            }}
          />
          <Button
            type="primary"
            disabled={text.trim() === '' || record.notes.length >= RECORD_LIMITS.notes}
            onClick={keep}
          >
            Keep the note
          </Button>
          <MediaActs
            potId={potId}
            log={{
              sayWith: async (file) => {
                await keepFile(store, batchId, file);
                add({ file: file.name, text: text.trim() });
                setText('');
              },
            }}
          />
        </div>
      </div>
      <ul className={styles.notes}>
        {record.notes.toReversed().map((n) => (
          <li key={n.id}>
            <div>
              <span className="soft small">
                {days.moment(new Date(n.at).toISOString())}
                {n.potId !== '' && ` · ${potName(n.potId)}`}
                {n.bar > 0 && ` · bar ${n.bar}`}
              </span>
              {n.text !== '' && <p className={styles.noteText}>{n.text}</p>}
              {n.file !== '' && <NoteFile batchId={batchId} file={n.file} />}
            </div>
            <Button
              type="text"
              icon={<DeleteOutlined />}
              aria-label="Delete this note"
              onClick={() => {
                edit((r) => ({ ...r, notes: r.notes.filter((x) => x.id !== n.id) }));
              }}
            />
          </li>
        ))}
      </ul>
    </section>
  );
}

const isPicture = (file: string): boolean => /\.(jpg|png|webp)$/.test(file);

function NoteFile({ batchId, file }: { readonly batchId: string; readonly file: string }) {
  const address = routes.file(batchId, file);
  return isPicture(file) ? (
    <a href={address} target="_blank" rel="noreferrer">
      <img className={styles.thumb} src={address} alt="Photo of this note" loading="lazy" />
    </a>
  ) : (
    <audio src={address} controls aria-label="Voice note" preload="none" />
  );
}
