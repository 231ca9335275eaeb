import { Button, Input, type InputRef, Segmented, Select } from 'antd';
import { useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { mouldVolume } from '@kleur/core/balance';
import { labD65FromHex } from '@kleur/core/colour';
import { canvasOfOils, type Material } from '@kleur/core/material';
import { cured, predictColour } from '@kleur/core/pigment';
import { type LearntBase, type Mould, PLAN_LIMITS } from '@kleur/core/plan';
import {
  type PlanStart,
  recipeOf,
  STARTING_BASES,
  STARTING_COLOURS,
  STARTING_MOULDS,
} from '@kleur/core/start';
import { useLearntBase } from '../../../data/learntBase.ts';
import { failureOf } from '../../../data/api.ts';
import { useCreateBatchMutation } from '../../../data/batches.ts';
import { useMaterialsQuery } from '../../../data/materials.ts';
import { useMouldsQuery, useRecipesQuery } from '../../../data/saved.ts';
import { usePrinter, useSettings } from '../../../shared/hooks/useSettings.ts';
import { shelfFor } from '../state/matching.ts';
import { type Choice, ChoiceCards } from './ChoiceCards.tsx';
import { ColourCells } from './ColourCells.tsx';
import { makePlan } from './makePlan.ts';
import styles from './start.module.css';
import { hexOfText, nameOfColour, type WantedColour } from './wantedColour.ts';
import { useNotices } from '../../../shared/hooks/useNotices.ts';

/** Choice of those who enter their own in the plan. */
const OWN = 'own';
const COUNTS = [2, 3, 4, 5, 6, 7, 8];

const wantedFrom = (text: string): WantedColour => ({ text, hex: hexOfText(text) ?? '#808080' });

/**
 * A new batch: oils, mould, pots with their colours, and scent, each one choice. Nothing is stored before it is made;
 * everything can be changed in the plan.
 */
export function StartRoom() {
  const { data: materials, isLoading: shelfComes } = useMaterialsQuery();
  const { data: recipes = [], isLoading: recipesCome } = useRecipesQuery();
  const { data: moulds = [], isLoading: mouldsCome } = useMouldsQuery();
  const [create] = useCreateBatchMutation();
  const settings = useSettings();
  const learnt = useLearntBase() ?? null;
  const print = usePrinter();
  const navigate = useNavigate();
  const { message } = useNotices();
  const [name, setName] = useState('');
  const [base, setBase] = useState(STARTING_BASES[0]!.id);
  const [mould, setMould] = useState('0');
  const [colours, setColours] = useState<readonly WantedColour[]>(() =>
    STARTING_COLOURS.slice(0, 4).map(wantedFrom),
  );
  const [scent, setScent] = useState<string | null>(null);
  const [unnamed, setUnnamed] = useState(false);
  const nameField = useRef<InputRef>(null);
  const [busy, setBusy] = useState(false);
  const shelf = useMemo(() => shelfFor({ materials: [] }, materials ?? []), [materials]);
  const scents = [...shelf.values()].filter((m) => m.kind === 'scent');
  const nothingOwned = materials?.every((m) => !m.inStock);

  const savedMould = (key: string): Mould | undefined => {
    const kept = moulds.find((m) => m.id === key);
    if (!kept) return STARTING_MOULDS[Number(key)];
    const { id: _id, version: _version, updatedAt: _at, ...plain } = kept;
    return plain;
  };
  const baseChoices = useMemo<Choice[]>(
    () => [
      ...recipes.map((r) => ({
        key: r.id,
        name: r.name,
        about: r.oils.map((o) => `${o.material.name} ${print.number(o.percent, 0)}`).join(', '),
        picture: <Canvas oils={r.oils} learnt={learnt} />,
      })),
      ...STARTING_BASES.map((b) => ({
        key: b.id,
        name: b.name,
        about: b.about,
        picture: <Canvas oils={recipeOf(b, shelf)?.oils ?? []} learnt={learnt} />,
      })),
      { key: OWN, name: 'My own', about: 'Enter the oils in the plan.' },
    ],
    [recipes, shelf, print, learnt],
  );
  const mouldChoices: Choice[] = [
    ...moulds.map((m) => ({ key: m.id, name: m.name, about: sizeOf(m, print) })),
    ...STARTING_MOULDS.map((m, i) => ({ key: String(i), name: m.name, about: sizeOf(m, print) })),
    { key: OWN, name: 'My own', about: 'Enter its measures in the plan.' },
  ];

  const count = (n: number): void => {
    setColours(
      Array.from(
        { length: n },
        (_, i) => colours[i] ?? wantedFrom(STARTING_COLOURS[i % STARTING_COLOURS.length]!),
      ),
    );
  };
  const make = async (start: PlanStart): Promise<void> => {
    setBusy(true);
    try {
      const { plan, bare } = await makePlan(start, shelf, settings);
      const made = await create({
        name: name.trim() === '' ? 'Untitled batch' : name.trim(),
        state: 'idea',
        madeOn: null,
        plan,
      }).unwrap();
      if (bare.length > 0)
        message.warning(`The shelf has no colour for ${bare.join(', ')}: choose one in Pots.`, 10);
      await navigate(`/batches/${made.id}/${plan.base.oils.length === 0 ? 'base' : 'pots'}`, {
        replace: true,
      });
    } catch (e) {
      message.error(failureOf(e).message);
      setBusy(false);
    }
  };
  const chosen = (): PlanStart => {
    const starting = STARTING_BASES.find((b) => b.id === base);
    const saved = recipes.find((r) => r.id === base);
    return {
      recipe: starting ? recipeOf(starting, shelf) : (saved ?? null),
      additives: (starting?.additives ?? []).flatMap(([id, dose]) => {
        const material = shelf.get(id);
        return material ? [{ material, dose }] : [];
      }),
      mould: mould === OWN ? null : (savedMould(mould) ?? null),
      colours: colours.map((c, i) => ({ name: nameOfColour(c, i), lab: labD65FromHex(c.hex) })),
      scent: scent === null ? null : (shelf.get(scent) ?? null),
      learnt,
    };
  };

  // All at once: cards that come one after another would push what is below them about.
  if (shelfComes || recipesCome || mouldsCome)
    return (
      <div className={styles.start}>
        <h1>New batch</h1>
        <p role="status">Opening…</p>
      </div>
    );
  return (
    <form
      className={styles.start}
      onSubmit={(e) => {
        e.preventDefault();
        void make(chosen());
      }}
    >
      <title>New batch · Kleur</title>
      <header className={styles.head}>
        <h1>New batch</h1>
        <Input
          ref={nameField}
          aria-label="Name of the new batch"
          placeholder="Name it, now or later"
          maxLength={PLAN_LIMITS.name}
          value={name}
          status={unnamed ? 'error' : ''}
          aria-invalid={unnamed}
          aria-describedby={unnamed ? 'start-unnamed' : undefined}
          onChange={(e) => {
            setName(e.target.value);
            setUnnamed(false);
          }}
        />
        {unnamed && (
          <p id="start-unnamed" className="field-problem" role="alert">
            Enter a name: a batch with nothing in it is not stored.
          </p>
        )}
      </header>
      <section aria-labelledby="start-oils">
        <h2 id="start-oils">Oils</h2>
        <ChoiceCards label="Oils" choices={baseChoices} value={base} onChoose={setBase} />
      </section>
      <section aria-labelledby="start-mould">
        <h2 id="start-mould">Mould</h2>
        <p className="soft">The oils are worked out to fill it, until you set an amount of your own.</p>
        <ChoiceCards label="Mould" choices={mouldChoices} value={mould} onChoose={setMould} />
      </section>
      <section aria-labelledby="start-pots">
        <div className={styles.potsHead}>
          <h2 id="start-pots">Pots</h2>
          <Segmented
            aria-label="How many pots"
            value={colours.length}
            onChange={count}
            options={COUNTS.map((n) => ({ value: n, label: String(n) }))}
          />
        </div>
        <p className="soft">
          One colour each: press it to pick, or type words or a hex.
          {nothingOwned && ' Nothing is marked as in stock, so every colourant of the shelf may be used.'}
        </p>
        <ColourCells
          colours={colours}
          onChange={(index, colour) => {
            setColours(colours.map((c, i) => (i === index ? colour : c)));
          }}
        />
      </section>
      <section aria-labelledby="start-scent">
        <h2 id="start-scent">Scent</h2>
        <Select
          aria-label="Scent"
          className={styles.scent}
          value={scent ?? ''}
          onChange={(v) => {
            setScent(v === '' ? null : v);
          }}
          options={[
            { value: '', label: 'Unscented, or choose later' },
            ...scents.map((m) => ({ value: m.id, label: m.name })),
          ]}
        />
      </section>
      <footer className={styles.foot}>
        <Button type="primary" size="large" htmlType="submit" loading={busy} disabled={!materials}>
          Make the plan
        </Button>
        <Button
          size="large"
          disabled={busy}
          onClick={() => {
            if (name.trim() === '') {
              setUnnamed(true);
              nameField.current?.focus();
            } else void make({ recipe: null, additives: [], mould: null, colours: [], scent: null, learnt });
          }}
        >
          Start with nothing
        </Button>
      </footer>
    </form>
  );
}

/** The soap of some oils alone, gelled and cured. */
function Canvas({
  oils,
  learnt,
}: {
  readonly oils: readonly { readonly material: Material; readonly percent: number }[];
  readonly learnt: LearntBase | null;
}) {
  const hex = useMemo(() => {
    if (oils.length === 0) return undefined;
    const blend = oils.map((o) => ({ material: o.material, share: o.percent / 100 }));
    const canvas = canvasOfOils(blend, null, 0, learnt?.base);
    return predictColour({ canvas, parts: [], age: 0, gel: null }, cured()).hex;
  }, [oils, learnt]);
  return <i className={styles.canvas} style={{ background: hex }} aria-hidden />;
}

function sizeOf(mould: Mould, print: ReturnType<typeof usePrinter>): string {
  const cm = (mm: number): string => print.length(mm);
  const size =
    mould.shape === 'cavities'
      ? `${mould.cavities} × ${print.volume(mould.cavityVolume)}`
      : mould.shape === 'cylinder'
        ? `⌀ ${cm(mould.diameter)}, ${cm(mould.length)} long`
        : `${cm(mould.length)} × ${cm(mould.width)}, ${cm(mould.height)} high`;
  return `${size}: ${print.volume(mouldVolume(mould))}`;
}
