import { DeleteOutlined, PlusOutlined } from '../../../../shared/ui/icons.tsx';
import { Button, Segmented, Select, Switch } from 'antd';
import { useMemo } from 'react';
import { embedComposition, embedFacts } from '@kleur/core/balance';
import { deltaE00, labD65FromHex } from '@kleur/core/colour';
import { cured, predictColour } from '@kleur/core/pigment';
import {
  type Embed,
  EMBED_BASE_NAMES,
  EMBED_BASES,
  EMBED_SHAPE_NAMES,
  EMBED_SHAPES,
  type EmbedBase,
  type EmbedShape,
  materialOf,
  PLAN_LIMITS,
  removeEmbed,
  setEmbed,
} from '@kleur/core/plan';
import { grams } from '@kleur/core/units';
import * as why from '@kleur/core/why';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { NameField } from '../../../../shared/ui/NameField.tsx';
import { NumberField } from '../../../../shared/ui/NumberField.tsx';
import { LengthField, MassField } from '../../../../shared/ui/Quantity.tsx';
import { Figure } from '../../../../shared/ui/Why.tsx';
import { useColours } from '../../BenchContext.ts';
import { newId } from '../../../../data/newId.ts';
import { usePlan } from '../../state/useDerived.ts';
import { useEdit } from '../../state/useEdit.ts';
import { EmbedDusting, EmbedPartRow } from './EmbedPartRow.tsx';

const PROBLEMS = {
  'no-size': 'Give it a size.',
  'too-wide': 'So many do not fit side by side.',
  'too-tall': 'Taller than the mould is filled.',
  'longer-than-bar': 'Longer than a bar is thick: the cutter would hit it.',
  'rests-too-high': 'It would stick out of the top: the batter does not stand that high above it.',
} as const;

export function EmbedCard({ embed }: { readonly embed: Embed }) {
  const plan = usePlan();
  const edit = useEdit();
  const print = usePrinter();
  const facts = embedFacts(plan.moulding, embed);
  const set = (change: Partial<Embed>): void => {
    edit((p) => setEmbed(p, embed.id, change), `embed:${embed.id}:${Object.keys(change).join()}`);
  };
  const round = embed.shape === 'round-rod' || embed.shape === 'ball';
  const size = (key: 'width' | 'height' | 'length', label: string) => (
    <LengthField
      label={label}
      width={100}
      value={embed[key]}
      {...PLAN_LIMITS.millimetres}
      step={1}
      onCommit={(v) => {
        set({ [key]: v });
      }}
    />
  );
  return (
    <li className="dose" aria-label={`Embed ${embed.name}`}>
      <div className="row">
        <EmbedSwatch embed={embed} />
        <NameField
          label="Name of the embed"
          hideLabel
          width={150}
          value={embed.name}
          onCommit={(name) => {
            set({ name });
          }}
        />
        <Select<EmbedBase>
          aria-label={`Base of ${embed.name}`}
          value={embed.base}
          onChange={(base) => {
            set({ base });
          }}
          options={EMBED_BASES.map((b) => ({ value: b, label: EMBED_BASE_NAMES[b] }))}
          style={{ width: 180 }}
        />
        <Select<EmbedShape>
          aria-label={`Shape of ${embed.name}`}
          value={embed.shape}
          onChange={(shape) => {
            set({ shape });
          }}
          options={EMBED_SHAPES.map((s) => ({ value: s, label: EMBED_SHAPE_NAMES[s] }))}
          style={{ width: 120 }}
        />
        <span className="spring" />
        <Button
          type="text"
          icon={<DeleteOutlined />}
          aria-label={`Remove ${embed.name}`}
          onClick={() => {
            edit((p) => removeEmbed(p, embed.id));
          }}
        />
      </div>
      <div className="row">
        {size('width', round ? 'Diameter' : 'Width')}
        {!round && size('height', 'Height')}
        {embed.shape === 'block' && size('length', 'Along the mould')}
        <div className="field">
          <span className="field-label">How many</span>
          <Segmented
            aria-label={`How many of ${embed.name}`}
            value={embed.pieces === null ? 'bar' : 'all'}
            onChange={(by) => {
              set({ pieces: by === 'bar' ? null : Math.max(1, facts.count) });
            }}
            options={[
              { value: 'bar', label: 'in each bar' },
              { value: 'all', label: 'in all' },
            ]}
          />
        </div>
        <NumberField
          label={embed.pieces === null ? 'In each bar' : 'Pieces in all'}
          width={90}
          value={embed.pieces ?? embed.perBar}
          digits={0}
          min={1}
          max={embed.pieces === null ? 20 : PLAN_LIMITS.pieces.max}
          step={1}
          onCommit={(v) => {
            set(embed.pieces === null ? { perBar: Math.round(v) } : { pieces: Math.round(v) });
          }}
        />
        <MassField
          label="Weighs, each"
          width={110}
          value={embed.gramsEach}
          min={0.1}
          max={PLAN_LIMITS.mass.max}
          placeholder={facts.count > 0 ? print.mass(facts.mass / facts.count) : undefined}
          usual={facts.count > 0 ? facts.mass / facts.count : 0}
          onCommit={(v) => {
            set({ gramsEach: grams(v) });
          }}
          onClear={() => {
            set({ gramsEach: null });
          }}
        />
        <div className="field">
          <label className="field-label" htmlFor={`top-${embed.id}`}>
            On the top
          </label>
          <Switch
            id={`top-${embed.id}`}
            checked={embed.onTop}
            onChange={(onTop) => {
              set({ onTop });
            }}
          />
        </div>
        {!embed.onTop && (
          <NumberField
            label="Rests above the floor"
            width={140}
            value={embed.rests}
            digits={0}
            min={0}
            max={PLAN_LIMITS.millimetres.max}
            suffix="mm"
            placeholder="anywhere"
            onCommit={(rests) => {
              set({ rests });
            }}
            onClear={() => {
              set({ rests: null });
            }}
          />
        )}
      </div>
      {facts.problem && (
        <p className="field-problem" role="alert">
          {PROBLEMS[facts.problem]}
        </p>
      )}
      <dl className="figures figure">
        <Figure label="To make" why={() => why.embed(print, facts)}>
          {facts.count > 0 ? `${facts.count} × ${print.length(facts.length)}` : 'no mould yet'}
        </Figure>
        <Figure label="Soap for them" why={() => why.embed(print, facts)}>
          {print.mass(facts.mass)}
        </Figure>
        {facts.ofBar !== null && (
          <Figure label="Of the bar’s thickness" why={() => why.embed(print, facts)}>
            {print.percent(facts.ofBar * 100, 0)}
          </Figure>
        )}
        {facts.perBarMass > 0 && (
          <Figure label="Of it in a bar" why={() => why.embed(print, facts)}>
            {print.mass(facts.perBarMass)}
          </Figure>
        )}
        <Figure label="Room in the mould" why={() => why.embed(print, facts)}>
          {print.volume(facts.room)}
        </Figure>
      </dl>
      {facts.colours.map((colour, i) => (
        <EmbedPartRow key={colour.part.id} embed={embed} colour={colour} number={i + 1} />
      ))}
      <div className="row">
        {embed.parts.length < PLAN_LIMITS.embedParts && (
          <Button
            size="small"
            icon={<PlusOutlined />}
            onClick={() => {
              set({ parts: [...embed.parts, { id: newId(), parts: 1, doses: [] }] });
            }}
          >
            Another colour in it
          </Button>
        )}
      </div>
      <EmbedDusting embed={embed} mass={facts.dusting?.mass ?? 0} />
      <EmbedBeside embed={embed} />
    </li>
  );
}

function useEmbedColours(embed: Embed) {
  const plan = usePlan();
  const { gel } = useColours().stage;
  return useMemo(
    () => embed.parts.map((part) => predictColour(embedComposition(plan, embed, part), cured(gel))),
    [plan, embed, gel],
  );
}

/** Colours side by side with hard edges, as wide as their parts. */
function bandsOf(colours: readonly (readonly [hex: string, parts: number])[]): string {
  const sum = colours.reduce((total, [, parts]) => total + parts, 0);
  if (colours.length < 2 || sum <= 0) return colours[0]?.[0] ?? 'transparent';
  let from = 0;
  const stops = colours.map(([hex, parts]) => {
    const to = from + (100 * parts) / sum;
    const stop = `${hex} ${from}% ${to}%`;
    from = to;
    return stop;
  });
  return `linear-gradient(90deg, ${stops.join(', ')})`;
}

/** All colours of an embed side by side, as wide as their parts. */
function EmbedSwatch({ embed }: { readonly embed: Embed }) {
  const colours = useEmbedColours(embed);
  return (
    <span
      className="swatch embed-swatch"
      role="img"
      aria-label={`${embed.name}: ${colours.map((c) => c.hex).join(', ')}`}
    >
      {colours.map((c, i) => (
        <i key={i} style={{ background: c.hex, flexGrow: embed.parts[i]!.parts }} />
      ))}
    </span>
  );
}

/** The embed in each batter that it may lie in: an off-white beside a white shows, and so does what outlines it. */
function EmbedBeside({ embed }: { readonly embed: Embed }) {
  const { pots: colours } = useColours();
  const plan = usePlan();
  const print = usePrinter();
  const own = useEmbedColours(embed);
  const outline = embed.dusting ? materialOf(plan, embed.dusting.materialId).colour : null;
  if (plan.pots.length === 0) return null;
  return (
    <div className="beside" aria-label={`${embed.name} beside each batter, cured`} role="group">
      {plan.pots.map((p) => {
        const batter = colours.get(p.id)?.cured;
        const nearest = batter && Math.min(...own.map((c) => deltaE00(batter.lab, c.lab)));
        return (
          <figure key={p.id}>
            <span className="beside-fill" style={{ background: batter?.hex }}>
              <i
                className={embed.shape === 'ball' || embed.shape === 'round-rod' ? 'is-round' : undefined}
                style={{
                  background: bandsOf(own.map((c, i) => [c.hex, embed.parts[i]!.parts])),
                  ...(outline ? { outline: `3px solid ${outline}` } : {}),
                }}
              />
            </span>
            <figcaption className="small">
              {p.name}
              {nearest !== undefined && <span className="soft figure">ΔE {print.fixed(nearest, 1)}</span>}
              {batter && outline && (
                <span className="soft figure">
                  outline ΔE {print.fixed(deltaE00(batter.lab, labD65FromHex(outline)), 1)}
                </span>
              )}
            </figcaption>
          </figure>
        );
      })}
    </div>
  );
}
