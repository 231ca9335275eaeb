import { DeleteOutlined } from '../../../../shared/ui/icons.tsx';
import { Button } from 'antd';
import { type EmbedColour } from '@kleur/core/balance';
import { isDosed } from '@kleur/core/material';
import {
  addEmbedDose,
  DUSTING_STARTS,
  type Embed,
  type EmbedPart,
  materialOf,
  PLAN_LIMITS,
  setEmbed,
  setEmbedDusting,
  setEmbedPart,
} from '@kleur/core/plan';
import { gramsPerKg } from '@kleur/core/units';
import { newId } from '../../../../data/newId.ts';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { NumberField } from '../../../../shared/ui/NumberField.tsx';
import { MaterialPicker } from '../../MaterialPicker.tsx';
import { usePlan } from '../../state/useDerived.ts';
import { useEdit } from '../../state/useEdit.ts';

/** One colour of an embed: its part of the soap, and its powders. */
export function EmbedPartRow({
  embed,
  colour,
  number,
}: {
  readonly embed: Embed;
  readonly colour: EmbedColour;
  readonly number: number;
}) {
  const plan = usePlan();
  const edit = useEdit();
  const print = usePrinter();
  const { part, powders } = colour;
  const several = embed.parts.length > 1;
  const of = several ? `colour ${number} of ${embed.name}` : embed.name;
  const set = (change: Partial<EmbedPart>): void => {
    edit((p) => setEmbedPart(p, embed.id, part.id, change), `embed:${embed.id}:${part.id}`);
  };
  return (
    <div role="group" aria-label={several ? `Colour ${number} of ${embed.name}` : `Colour of ${embed.name}`}>
      {several && (
        <div className="row is-level">
          <span className="grow">Colour {number}</span>
          <NumberField
            label={`Parts of colour ${number} in ${embed.name}`}
            hideLabel
            width={110}
            value={part.parts}
            digits={1}
            {...PLAN_LIMITS.parts}
            step={1}
            suffix={part.parts === 1 ? 'part' : 'parts'}
            onCommit={(parts) => {
              set({ parts });
            }}
          />
          <b className="figure">{print.mass(colour.mass)}</b>
          <Button
            type="text"
            icon={<DeleteOutlined />}
            aria-label={`Remove colour ${number} of ${embed.name}`}
            onClick={() => {
              edit((p) => setEmbed(p, embed.id, { parts: embed.parts.filter((x) => x.id !== part.id) }));
            }}
          />
        </div>
      )}
      {part.doses.map((d) => {
        const m = materialOf(plan, d.materialId);
        const powder = powders.find((p) => p.materialId === d.materialId);
        return (
          <div key={d.id} className="row is-level">
            <i className="chip" style={{ background: m.colour ?? 'transparent' }} />
            <span className="grow">{m.name}</span>
            <NumberField
              label={`${m.name} in ${of}, g/kg of it`}
              hideLabel
              width={140}
              value={d.dose}
              digits={2}
              {...PLAN_LIMITS.dose}
              step={0.5}
              suffix="g/kg soap"
              onCommit={(v) => {
                set({ doses: part.doses.map((x) => (x.id === d.id ? { ...x, dose: gramsPerKg(v) } : x)) });
              }}
            />
            <b className="figure">{print.number(powder?.mass ?? 0, 2)} g</b>
            <Button
              type="text"
              icon={<DeleteOutlined />}
              aria-label={`Remove ${m.name} from ${of}`}
              onClick={() => {
                set({ doses: part.doses.filter((x) => x.id !== d.id) });
              }}
            />
          </div>
        );
      })}
      {part.doses.length < PLAN_LIMITS.dosesPerPot && (
        <MaterialPicker
          label={`Colour ${several ? `${number} of ` : ''}${embed.name}`}
          accept={isDosed}
          taken={part.doses.map((d) => d.materialId)}
          onPick={(m) => {
            edit((p) => addEmbedDose(p, embed.id, part.id, newId(), m));
          }}
        />
      )}
    </div>
  );
}

/** The powder that an embed is rolled in for an outline. */
export function EmbedDusting({ embed, mass }: { readonly embed: Embed; readonly mass: number }) {
  const plan = usePlan();
  const edit = useEdit();
  const print = usePrinter();
  const { dusting } = embed;
  if (!dusting)
    return (
      <MaterialPicker
        label={`Roll ${embed.name} in a powder`}
        accept={isDosed}
        taken={[]}
        onPick={(m) => {
          edit((p) => setEmbedDusting(p, embed.id, m));
        }}
      />
    );
  const m = materialOf(plan, dusting.materialId);
  return (
    <div className="row is-level" role="group" aria-label={`Outline of ${embed.name}`}>
      <i className="chip" style={{ background: m.colour ?? 'transparent' }} />
      <span className="grow">Rolled in {m.name}</span>
      <NumberField
        label={`${m.name} on ${embed.name}, per area`}
        hideLabel
        width={118}
        value={dusting.gramsPerDm2}
        digits={2}
        {...PLAN_LIMITS.gramsPerDm2}
        step={DUSTING_STARTS / 3}
        suffix="g/dm²"
        onCommit={(gramsPerDm2) => {
          edit((p) => setEmbed(p, embed.id, { dusting: { ...dusting, gramsPerDm2 } }), `dust:${embed.id}`);
        }}
      />
      <b className="figure">{print.number(mass, 2)} g</b>
      <Button
        type="text"
        icon={<DeleteOutlined />}
        aria-label={`Leave ${embed.name} without an outline`}
        onClick={() => {
          edit((p) => setEmbedDusting(p, embed.id, null));
        }}
      />
    </div>
  );
}
