import { Button, Input, Segmented, Select } from 'antd';
import { useId, useMemo, useState } from 'react';
import { screenColourFromLabD65 } from '@kleur/core/colour';
import { gelOf } from '@kleur/core/balance';
import { isColourant, type Material } from '@kleur/core/material';
import { type Plan } from '@kleur/core/plan';
import {
  asMade,
  goneFrom,
  inMould,
  mouldsTimes,
  onBase,
  scaled,
  usedMaterials,
  withSubstitute,
} from '@kleur/core/record';
import { STARTING_BASES, STARTING_MOULDS, recipeOf } from '@kleur/core/start';
import { differences } from '@kleur/core/why';
import { useMaterialsQuery } from '../../../data/materials.ts';
import { useMouldsQuery, useRecipesQuery } from '../../../data/saved.ts';
import { usePrinter } from '../../../shared/hooks/useSettings.ts';
import { NumberField } from '../../../shared/ui/NumberField.tsx';
import { PlainTable } from '../../../shared/ui/PlainTable.tsx';
import { useShelf } from '../useMatching.ts';
import styles from './result.module.css';
import { useNextVersion } from './useNextVersion.ts';
import { looksOf, useRematched } from './useRematched.ts';
import { type Result } from './useResult.ts';

type Size = 'same' | 'times' | 'mould';
const OWN = 'own';
const NONE = '';
const FACTOR = { min: 0.05, max: 50 };
/** More differences than these nobody compares one by one. */
const MOST = 14;

/** Makes the batch again: as it was made, larger, elsewhere, on other oils, or without something. */
export function AgainPanel({ result }: { readonly result: Result }) {
  const { batchId, poured, made } = result;
  const [as, setAs] = useState<'made' | 'planned'>('made');
  const [size, setSize] = useState<Size>('same');
  const [factor, setFactor] = useState(2);
  const [mouldKey, setMouldKey] = useState<string | null>(null);
  const [count, setCount] = useState(1);
  const [baseKey, setBaseKey] = useState(OWN);
  const [wantedWithout, setWithout] = useState<string | null>(null);
  const [substitute, setSubstitute] = useState<string | null>(null);
  const { start, busy, nextName } = useNextVersion(batchId, made);
  const [typedName, setName] = useState<string | null>(null);
  const nameId = useId();
  const shelf = useShelf();
  const { data: kept } = useMaterialsQuery();
  // Until the shelf has come nothing is missed.
  const onShelf = useMemo(
    () => new Map<string, Material>((kept ?? parentMaterials(poured.plan)).map((m) => [m.id, m])),
    [kept, poured.plan],
  );
  const print = usePrinter();
  const { data: moulds } = useMouldsQuery();
  const { data: recipes } = useRecipesQuery();

  const parent = useMemo(() => (as === 'made' ? asMade(made) : poured.plan), [as, made, poured.plan]);
  const gone = useMemo(() => goneFrom(parent, onShelf), [parent, onShelf]);
  const used = useMemo(() => {
    const ids = usedMaterials(parent);
    return parent.materials.filter((m) => ids.has(m.id));
  }, [parent]);
  const without = wantedWithout ?? gone.find((m) => isColourant(m.kind))?.id ?? NONE;
  const left = used.find((m) => m.id === without) ?? null;
  const mouldsThere = useMemo(
    () => [
      ...(moulds ?? []).map(({ id, version: _version, updatedAt: _at, ...plain }) => ({
        key: id,
        mould: plain,
      })),
      ...STARTING_MOULDS.map((m) => ({ key: m.name, mould: m })),
    ],
    [moulds],
  );
  const mould = mouldsThere.find((m) => m.key === mouldKey)?.mould ?? null;
  const bases = useMemo(
    () => [
      ...(recipes ?? []).map((r) => ({ key: r.id, name: r.name, base: r })),
      ...STARTING_BASES.flatMap((b) => {
        const recipe = recipeOf(b, shelf);
        return recipe ? [{ key: b.id, name: b.name, base: recipe }] : [];
      }),
    ],
    [recipes, shelf],
  );
  const base = bases.find((b) => b.key === baseKey)?.base ?? null;
  const alike = left ? [...shelf.values()].filter((m) => m.kind === left.kind && m.id !== left.id) : [];
  const other = (substitute === null ? undefined : shelf.get(substitute)) ?? null;
  const needsOther = left !== null && !(isColourant(left.kind) && left.optics);

  /** All but the colours. */
  const resized = useMemo((): Plan => {
    const sized =
      size === 'times'
        ? mouldsTimes(scaled(parent, factor), factor)
        : size === 'mould' && mould
          ? inMould(parent, mould, count)
          : parent;
    const based = base ? onBase(sized, base) : sized;
    return needsOther && other ? withSubstitute(based, left.id, other) : based;
  }, [parent, size, factor, mould, count, base, needsOther, other, left]);

  const rematches = base !== null || (left !== null && !needsOther);
  const looks = useMemo(() => looksOf(parent, gelOf(parent).gel), [parent]);
  const rematched = useRematched(
    rematches ? resized : null,
    looks,
    shelf,
    left && !needsOther ? [left.id] : [],
  );
  const next = rematches ? (rematched?.plan ?? null) : resized;
  const found = useMemo(() => (next ? differences(parent, next, print) : []), [parent, next, print]);
  const name = typedName ?? nextName;
  const isOpen = (size === 'mould' && !mould) || (needsOther && !other);

  return (
    <section aria-label="Make it again">
      <h2>Make it again</h2>
      {gone.length > 0 && (
        <p className={styles.heavy} role="status">
          No longer on the shelf: {gone.map((m) => m.name).join(', ')}. The new version keeps its copy of them
          until you put something else in their place.
        </p>
      )}
      <div className={styles.again}>
        <span className={styles.field}>
          <span>As</span>
          <Segmented
            aria-label="As"
            value={as}
            onChange={setAs}
            options={[
              { value: 'made', label: 'It was made' },
              { value: 'planned', label: 'It was planned' },
            ]}
          />
        </span>
        <span className={styles.field}>
          <span>How much</span>
          <span className={styles.row}>
            <Segmented
              aria-label="How much"
              value={size}
              onChange={setSize}
              options={[
                { value: 'same', label: 'The same' },
                { value: 'times', label: 'Times' },
                { value: 'mould', label: 'To fill a mould' },
              ]}
            />
            {size === 'times' && (
              <NumberField
                label="Times as much"
                hideLabel
                value={factor}
                min={FACTOR.min}
                max={FACTOR.max}
                width={90}
                onCommit={setFactor}
              />
            )}
          </span>
          {size === 'mould' && (
            <span className={styles.row}>
              <Select
                aria-label="Mould"
                placeholder="Choose a mould"
                value={mouldKey}
                onChange={setMouldKey}
                style={{ minWidth: 180 }}
                options={mouldsThere.map((m) => ({ value: m.key, label: m.mould.name }))}
              />
              <NumberField
                label="How many moulds"
                hideLabel
                value={count}
                min={1}
                max={100}
                digits={0}
                width={70}
                onCommit={(v) => {
                  setCount(Math.round(v));
                }}
              />
            </span>
          )}
        </span>
        <span className={styles.field}>
          <span>On</span>
          <Select
            aria-label="On which base"
            value={baseKey}
            onChange={setBaseKey}
            style={{ minWidth: 200 }}
            options={[
              { value: OWN, label: 'Its own oils' },
              ...bases.map((b) => ({ value: b.key, label: b.name })),
            ]}
          />
        </span>
        <span className={styles.field}>
          <span>Without</span>
          <Select
            aria-label="Without"
            value={without}
            onChange={(v) => {
              setWithout(v);
              setSubstitute(null);
            }}
            showSearch={{ optionFilterProp: 'label' }}
            style={{ minWidth: 200 }}
            options={[
              { value: NONE, label: 'Leave nothing out' },
              ...used.map((m) => ({ value: m.id, label: m.name })),
            ]}
          />
          {needsOther && (
            <Select
              aria-label="In its place"
              placeholder="In its place…"
              value={substitute}
              onChange={setSubstitute}
              showSearch={{ optionFilterProp: 'label' }}
              options={alike.map((m) => ({ value: m.id, label: m.name }))}
            />
          )}
        </span>
      </div>
      {rematches && (
        <div aria-live="polite">
          {rematched ? (
            <ul className={styles.rematched} aria-label="Pots matched again">
              {rematched.pots.map((p) => (
                <li key={p.name}>
                  <span className={styles.pair}>
                    <i style={{ background: screenColourFromLabD65(p.wanted).hex }} />
                    <i style={{ background: screenColourFromLabD65(p.reached).hex }} />
                  </span>
                  {p.name}{' '}
                  <span className="soft figure">
                    {p.far < 0.05 ? 'the same' : `ΔE ${print.number(p.far, 1)}`}
                  </span>
                </li>
              ))}
            </ul>
          ) : (
            <p role="status">Matching all pots again…</p>
          )}
        </div>
      )}
      {found.length > 0 && (
        <PlainTable
          label="What the new version changes"
          heads={[{ text: 'What changes' }, { text: 'This batch' }, { text: 'The new version' }]}
        >
          {found.slice(0, MOST).map((d, i) => (
            <tr key={i}>
              <td>{d.what}</td>
              <td>{d.mine ?? '–'}</td>
              <td>{d.theirs ?? '–'}</td>
            </tr>
          ))}
        </PlainTable>
      )}
      {found.length > MOST && <p className="soft small">and {found.length - MOST} more</p>}
      <div className={styles.row}>
        <label htmlFor={nameId}>Name</label>
        <Input
          id={nameId}
          value={name}
          maxLength={80}
          style={{ width: 300 }}
          onChange={(e) => {
            setName(e.target.value);
          }}
        />
        <Button
          type="primary"
          loading={busy}
          disabled={next === null || isOpen || name.trim() === ''}
          onClick={() => {
            if (next) void start(next, name.trim());
          }}
        >
          Make this version
        </Button>
      </div>
    </section>
  );
}

const parentMaterials = (plan: Plan): readonly Material[] => plan.materials;
