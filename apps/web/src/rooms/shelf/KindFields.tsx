import { Select } from 'antd';
import { FATTY_ACIDS, type OilFacts, type ScentFacts } from '@kleur/core/material';
import { NumberField } from '../../shared/ui/NumberField.tsx';

const options = <T extends string>(values: readonly T[]) => values.map((value) => ({ value, label: value }));

export function OilFields({
  oil,
  onChange,
}: {
  readonly oil: OilFacts;
  readonly onChange: (oil: OilFacts) => void;
}) {
  const tint = (key: 'carotenoid' | 'chlorophyll' | 'brown', label: string) => (
    <NumberField
      label={label}
      width={120}
      value={oil[key]}
      digits={1}
      min={0}
      max={10}
      step={0.5}
      suffix="of 10"
      onCommit={(v) => {
        onChange({ ...oil, [key]: v });
      }}
    />
  );
  return (
    <>
      <div className="row">
        <NumberField
          label="SAP value"
          width={170}
          value={oil.sapKoh}
          digits={1}
          min={1}
          max={400}
          suffix="mg KOH/g"
          onCommit={(sapKoh) => {
            onChange({ ...oil, sapKoh });
          }}
          onClear={() => {
            onChange({ ...oil, sapKoh: null });
          }}
        />
        <NumberField
          label="Saturated"
          width={110}
          value={oil.saturated}
          digits={0}
          min={0}
          max={100}
          suffix="%"
          onCommit={(saturated) => {
            onChange({ ...oil, saturated });
          }}
          onClear={() => {
            onChange({ ...oil, saturated: null });
          }}
        />
        <NumberField
          label="Sources differ by"
          width={110}
          value={oil.sapSpread}
          digits={1}
          min={0}
          max={30}
          suffix="± %"
          onCommit={(sapSpread) => {
            onChange({ ...oil, sapSpread });
          }}
        />
        <div className="field">
          <span className="field-label">Pace</span>
          <Select
            aria-label="Pace of the oil"
            value={oil.pace}
            onChange={(pace) => {
              onChange({ ...oil, pace });
            }}
            options={options(['slow', 'mid', 'fast'])}
            style={{ width: 100 }}
          />
        </div>
      </div>
      <div className="row">
        {FATTY_ACIDS.map((name, i) => (
          <NumberField
            key={name}
            label={name[0]!.toUpperCase() + name.slice(1)}
            width={92}
            value={oil.fatty?.[i] ?? null}
            digits={1}
            min={0}
            max={100}
            suffix="%"
            onCommit={(v) => {
              const fatty = oil.fatty ?? FATTY_ACIDS.map(() => 0);
              onChange({ ...oil, fatty: fatty.map((f, j) => (j === i ? v : f)) });
            }}
            onClear={() => {
              onChange({ ...oil, fatty: null });
            }}
          />
        ))}
      </div>
      <p className="soft small">Fatty acids: hardness, lather and pace follow from them.</p>
      <div className="row">
        {tint('carotenoid', 'Yellow-orange')}
        {tint('chlorophyll', 'Green')}
        {tint('brown', 'Brown')}
      </div>
      <p className="soft small">What the oil’s own colour brings to the bar, 0 to 10.</p>
    </>
  );
}

export function ScentFields({
  scent,
  onChange,
}: {
  readonly scent: ScentFacts;
  readonly onChange: (scent: ScentFacts) => void;
}) {
  return (
    <div className="row">
      <NumberField
        label="Limit"
        width={120}
        value={scent.limit}
        digits={1}
        min={0}
        max={200}
        suffix="g/kg"
        onCommit={(limit) => {
          onChange({ ...scent, limit });
        }}
      />
      <div className="field">
        <span className="field-label">of</span>
        <Select
          aria-label="What the limit refers to"
          value={scent.limitBasis}
          onChange={(limitBasis) => {
            onChange({ ...scent, limitBasis });
          }}
          options={[
            { value: 'oils', label: 'oils' },
            { value: 'product', label: 'finished soap' },
          ]}
          style={{ width: 130 }}
        />
      </div>
      <NumberField
        label="Vanillin"
        width={100}
        value={scent.vanillin * 100}
        digits={1}
        min={0}
        max={100}
        suffix="%"
        onCommit={(v) => {
          onChange({ ...scent, vanillin: v / 100 });
        }}
      />
      <div className="field">
        <span className="field-label">Tan</span>
        <Select
          aria-label="Tan"
          value={scent.tan}
          onChange={(tan) => {
            onChange({ ...scent, tan });
          }}
          options={options(['none', 'slight', 'moderate', 'strong'])}
          style={{ width: 110 }}
        />
      </div>
      <div className="field">
        <span className="field-label">Pace</span>
        <Select
          aria-label="Pace of the scent"
          value={scent.pace}
          onChange={(pace) => {
            onChange({ ...scent, pace });
          }}
          options={options(['slows', 'none', 'slight', 'moderate', 'strong', 'seizes'])}
          style={{ width: 110 }}
        />
      </div>
    </div>
  );
}
