import { DeleteOutlined } from '@ant-design/icons';
import { Button, Select, Switch } from 'antd';
import { useMemo } from 'react';
import { embedComposition, embedFacts } from '@kleur/core/balance';
import { deltaE00 } from '@kleur/core/colour';
import { isDosed } from '@kleur/core/material';
import { cured, predictColour } from '@kleur/core/pigment';
import {
  addEmbedDose,
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
import { gramsPerKg } from '@kleur/core/units';
import * as why from '@kleur/core/why';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { NameField } from '../../../../shared/ui/NameField.tsx';
import { NumberField } from '../../../../shared/ui/NumberField.tsx';
import { LengthField } from '../../../../shared/ui/Quantity.tsx';
import { Figure } from '../../../../shared/ui/Why.tsx';
import { useColours } from '../../BenchContext.ts';
import { newId } from '../../../../data/newId.ts';
import { MaterialPicker } from '../../MaterialPicker.tsx';
import { usePlan } from '../../state/useDerived.ts';
import { useEdit } from '../../state/useEdit.ts';

const PROBLEMS = {
  'no-size': 'Give it a size.',
  'too-wide': 'So many do not fit side by side.',
  'too-tall': 'Taller than the mould is filled.',
  'longer-than-bar': 'Longer than a bar is thick: the cutter would hit it.',
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
        <NumberField
          label="In each bar"
          width={90}
          value={embed.perBar}
          digits={0}
          min={1}
          max={20}
          step={1}
          onCommit={(v) => {
            set({ perBar: Math.round(v) });
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
        <Figure label="Room in the mould" why={() => why.embed(print, facts)}>
          {print.volume(facts.room)}
        </Figure>
      </dl>
      {embed.doses.map((d) => {
        const m = materialOf(plan, d.materialId);
        const powder = facts.powders.find((p) => p.materialId === d.materialId);
        return (
          <div key={d.id} className="row is-level">
            <i className="chip" style={{ background: m.colour ?? 'transparent' }} />
            <span className="grow">{m.name}</span>
            <NumberField
              label={`${m.name} in ${embed.name}, g/kg of it`}
              hideLabel
              width={140}
              value={d.dose}
              digits={2}
              {...PLAN_LIMITS.dose}
              step={0.5}
              suffix="g/kg soap"
              onCommit={(v) => {
                set({ doses: embed.doses.map((x) => (x.id === d.id ? { ...x, dose: gramsPerKg(v) } : x)) });
              }}
            />
            <b className="figure">{print.number(powder?.mass ?? 0, 2)} g</b>
            <Button
              type="text"
              icon={<DeleteOutlined />}
              aria-label={`Remove ${m.name} from ${embed.name}`}
              onClick={() => {
                set({ doses: embed.doses.filter((x) => x.id !== d.id) });
              }}
            />
          </div>
        );
      })}
      {embed.doses.length < PLAN_LIMITS.dosesPerPot && (
        <MaterialPicker
          label={`Colour ${embed.name}`}
          accept={isDosed}
          taken={embed.doses.map((d) => d.materialId)}
          onPick={(m) => {
            edit((p) => addEmbedDose(p, embed.id, newId(), m));
          }}
        />
      )}
      <EmbedBeside embed={embed} />
    </li>
  );
}

function useEmbedColour(embed: Embed) {
  const plan = usePlan();
  const { gel } = useColours().stage;
  return useMemo(() => predictColour(embedComposition(plan, embed), cured(gel)), [plan, embed, gel]);
}

function EmbedSwatch({ embed }: { readonly embed: Embed }) {
  const colour = useEmbedColour(embed);
  return (
    <span
      className="swatch embed-swatch"
      role="img"
      aria-label={`${embed.name}: ${colour.hex}`}
      style={{ background: colour.hex }}
    />
  );
}

/** The embed in each batter that it may lie in: an off-white beside a white shows. */
function EmbedBeside({ embed }: { readonly embed: Embed }) {
  const { pots: colours } = useColours();
  const { pots } = usePlan();
  const print = usePrinter();
  const own = useEmbedColour(embed);
  if (pots.length === 0) return null;
  return (
    <div className="beside" aria-label={`${embed.name} beside each batter, cured`} role="group">
      {pots.map((p) => {
        const batter = colours.get(p.id)?.cured;
        return (
          <figure key={p.id}>
            <span className="beside-fill" style={{ background: batter?.hex }}>
              <i
                className={embed.shape === 'ball' || embed.shape === 'round-rod' ? 'is-round' : undefined}
                style={{ background: own.hex }}
              />
            </span>
            <figcaption className="small">
              {p.name}
              {batter && (
                <span className="soft figure">ΔE {print.fixed(deltaE00(batter.lab, own.lab), 1)}</span>
              )}
            </figcaption>
          </figure>
        );
      })}
    </div>
  );
}
