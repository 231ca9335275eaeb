import { Button, Input, Select } from 'antd';
import { useState } from 'react';
import { LIKE_THIS } from '@kleur/contract';
import { TECHNIQUES } from '@kleur/core/palette';
import { FAULTS } from '@kleur/core/record';
import { csvAddress } from '../../data/ledger.ts';
import { useMaterialsQuery } from '../../data/materials.ts';
import { ColourPicker } from '../../shared/ui/ColourPicker.tsx';
import { DayField } from '../../shared/ui/DayField.tsx';
import { DownloadOutlined } from '../../shared/ui/icons.tsx';
import { NumberField } from '../../shared/ui/NumberField.tsx';
import styles from './Ledger.module.css';
import { LEDGER_KEYS, type LedgerKey, ledgerQueryOf } from './ledgerQuery.ts';

/** Filters of the ledger by what is in a batch, how it looks and what became of it. */
export default function LedgerFilters(props: {
  readonly params: URLSearchParams;
  readonly onChange: (change: Record<string, string>) => void;
}) {
  const { params, onChange } = props;
  const { data: materials = [] } = useMaterialsQuery();
  const [lot, setLot] = useState(params.get('lot') ?? '');
  const value = (key: LedgerKey): string => params.get(key) ?? '';
  const set = (key: LedgerKey, v: string | null | undefined): void => {
    onChange({ [key]: v ?? '', page: '' });
  };
  const colour = value('colour');
  const query = ledgerQueryOf(params);
  const { page: _page, ...rest } = query ?? { page: 1, ...named(params) };
  return (
    <section className={styles.filters} aria-label="Filters">
      <span className={styles.row}>
        <span className="soft">Bars like</span>
        <ColourPicker
          value={colour === '' ? null : colour}
          label="Bars like this colour"
          settled
          onPick={(hex) => {
            set('colour', hex);
          }}
        />
        {colour !== '' && (
          <>
            <NumberField
              label="Within ΔE"
              hideLabel
              value={Number(value('within') || LIKE_THIS.usual)}
              min={LIKE_THIS.min}
              max={LIKE_THIS.max}
              digits={0}
              width={64}
              onCommit={(v) => {
                set('within', String(Math.round(v)));
              }}
            />
            <Button
              size="small"
              onClick={() => {
                onChange({ colour: '', within: '', page: '' });
              }}
            >
              Any colour
            </Button>
          </>
        )}
      </span>
      <Select
        aria-label="Material or scent"
        placeholder="Material or scent"
        allowClear
        showSearch={{ optionFilterProp: 'label' }}
        value={value('material') || undefined}
        onChange={(v: string | undefined) => {
          set('material', v);
        }}
        options={materials.map((m) => ({ value: m.id, label: m.name }))}
        style={{ width: 200 }}
      />
      <Input
        aria-label="Lot"
        placeholder="Lot"
        value={lot}
        maxLength={60}
        allowClear
        style={{ width: 110 }}
        onChange={(e) => {
          setLot(e.target.value);
          set('lot', e.target.value);
        }}
      />
      <Select
        aria-label="Technique"
        placeholder="Technique"
        allowClear
        value={value('technique') || undefined}
        onChange={(v: string | undefined) => {
          set('technique', v);
        }}
        options={TECHNIQUES.map((t) => ({ value: t.id, label: t.name }))}
        style={{ width: 190 }}
      />
      <Select
        aria-label="Fault"
        placeholder="Fault"
        allowClear
        value={value('fault') || undefined}
        onChange={(v: string | undefined) => {
          set('fault', v);
        }}
        options={FAULTS.map((f) => ({ value: f.id, label: f.name }))}
        style={{ width: 170 }}
      />
      <span className={styles.row}>
        <span className="soft">Poured from</span>
        <DayField
          label="Poured from"
          value={value('from') || null}
          onPick={(day) => {
            set('from', day);
          }}
        />
        <span className="soft">to</span>
        <DayField
          label="Poured until"
          value={value('to') || null}
          onPick={(day) => {
            set('to', day);
          }}
        />
      </span>
      <Button
        onClick={() => {
          setLot('');
          onChange(Object.fromEntries([...LEDGER_KEYS, 'page'].map((k) => [k, ''])));
        }}
      >
        No filters
      </Button>
      <a className={styles.download} href={csvAddress(rest)} download>
        <DownloadOutlined />
        &nbsp;CSV
      </a>
    </section>
  );
}

/** Name and state alone. */
const named = (params: URLSearchParams): { readonly q?: string } => {
  const q = params.get('q');
  return q ? { q } : {};
};
