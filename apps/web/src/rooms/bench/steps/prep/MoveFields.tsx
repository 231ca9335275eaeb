import { Input, Select } from 'antd';
import {
  type Move,
  PLAN_LIMITS,
  POUR_PLACES,
  POUR_TOOLS,
  PROPPED_SIDES,
  STROKE_TOOLS,
} from '@kleur/core/plan';
import { NumberField } from '../../../../shared/ui/NumberField.tsx';
import { LengthField } from '../../../../shared/ui/Quantity.tsx';
import { usePlan } from '../../state/useDerived.ts';
import styles from './PourPart.module.css';

const PLACE_NAMES: Readonly<Record<(typeof POUR_PLACES)[number], string>> = {
  length: 'along the whole mould',
  wall: 'down one wall',
  middle: 'always on one spot',
  spots: 'at several spots',
  section: 'into a section',
  jug: 'into another jug',
};
const TOOL_NAMES: Readonly<Record<Exclude<Move['tool'], ''>, string>> = {
  jug: 'from the jug',
  spatula: 'off a spatula',
  spoon: 'by the spoon',
  funnel: 'through a funnel',
  bag: 'out of a piping bag',
  stick: 'stick',
  hanger: 'hanger',
  comb: 'comb',
  fork: 'fork',
  whisk: 'whisk',
};
const SIDE_NAMES: Readonly<Record<(typeof PROPPED_SIDES)[number], string>> = {
  long: 'a long side up',
  short: 'a short side up',
  flat: 'level again',
};
const optionsOf = <T extends string>(
  values: readonly T[],
  names: Readonly<Record<T, string>>,
): { value: T; label: string }[] => values.map((value) => ({ value, label: names[value] }));

/** What can be changed of one move. */
export function MoveFields(props: {
  readonly move: Move;
  readonly onChange: (change: Partial<Move>) => void;
}) {
  const { move, onChange } = props;
  const { pots } = usePlan();
  const L = PLAN_LIMITS;
  const potOptions = pots.map((p) => ({ value: p.id, label: p.name }));
  const height = (
    <LengthField
      label={move.kind === 'prop' ? 'Raised by' : 'From above'}
      width={120}
      value={move.height}
      {...L.millimetres}
      step={10}
      onCommit={(v) => {
        onChange({ height: v });
      }}
    />
  );
  return (
    <div className={styles.fields}>
      {move.kind === 'pour' && (
        <>
          <Labelled label="Pot">
            <Select
              aria-label="Pot that is poured"
              value={move.potId}
              options={potOptions}
              onChange={(potId) => {
                onChange({ potId });
              }}
            />
          </Labelled>
          <NumberField
            label="Part of it"
            width={104}
            value={move.part * 100}
            digits={1}
            min={0}
            max={100}
            step={5}
            suffix="%"
            onCommit={(v) => {
              onChange({ part: v / 100 });
            }}
          />
          <Labelled label="Where to">
            <Select
              aria-label="Where it is poured"
              value={move.place === '' ? null : move.place}
              placeholder="anywhere"
              popupMatchSelectWidth={false}
              options={optionsOf(POUR_PLACES, PLACE_NAMES)}
              onChange={(place) => {
                const other = pots.find((p) => p.id !== move.potId)?.id ?? null;
                onChange({ place, into: place === 'jug' ? (move.into ?? other) : null });
              }}
            />
          </Labelled>
          {move.place === 'jug' && (
            <Labelled label="Jug of">
              <Select
                aria-label="Jug it is poured into"
                value={move.into}
                options={potOptions.filter((o) => o.value !== move.potId)}
                onChange={(into) => {
                  onChange({ into });
                }}
              />
            </Labelled>
          )}
          {(move.place === 'spots' || move.place === 'section' || move.place === 'jug') && (
            <NumberField
              label={move.place === 'section' ? 'Section' : 'Spots'}
              width={84}
              value={move.at}
              digits={0}
              {...L.spots}
              step={1}
              onCommit={(v) => {
                onChange({ at: Math.round(v) });
              }}
            />
          )}
          <Labelled label="How">
            <Select
              aria-label="What it is poured from"
              value={move.tool === '' ? null : move.tool}
              placeholder="as it comes"
              popupMatchSelectWidth={false}
              options={optionsOf(POUR_TOOLS, TOOL_NAMES)}
              onChange={(tool) => {
                onChange({ tool });
              }}
            />
          </Labelled>
          {height}
        </>
      )}
      {move.kind === 'stroke' && (
        <>
          <Labelled label="Tool">
            <Select
              aria-label="Tool of the stroke"
              value={move.tool === '' ? null : move.tool}
              allowClear
              placeholder="by hand"
              options={optionsOf(STROKE_TOOLS, TOOL_NAMES)}
              onChange={(tool: Move['tool'] | undefined) => {
                onChange({ tool: tool ?? '' });
              }}
            />
          </Labelled>
          <NumberField
            label="Passes"
            width={84}
            value={move.passes}
            digits={0}
            {...L.passes}
            step={1}
            onCommit={(v) => {
              onChange({ passes: Math.round(v) });
            }}
          />
        </>
      )}
      {move.kind === 'prop' && (
        <>
          <Labelled label="Mould">
            <Select
              aria-label="How the mould is set"
              value={move.side === '' ? null : move.side}
              options={optionsOf(PROPPED_SIDES, SIDE_NAMES)}
              onChange={(side) => {
                onChange({ side, ...(side === 'flat' ? { height: 0 } : {}) });
              }}
            />
          </Labelled>
          {move.side !== 'flat' && height}
        </>
      )}
      <Labelled
        label={{ pour: 'Remark', stroke: 'Path', prop: 'Remark', wait: 'Sign to wait for' }[move.kind]}
        grows
      >
        <Input
          aria-label={{ pour: 'Remark', stroke: 'Path', prop: 'Remark', wait: 'Sign to wait for' }[move.kind]}
          maxLength={L.remark}
          value={move.text}
          onChange={(e) => {
            onChange({ text: e.target.value });
          }}
        />
      </Labelled>
    </div>
  );
}

function Labelled(props: {
  readonly label: string;
  readonly grows?: boolean;
  readonly children: React.ReactNode;
}) {
  return (
    <div className="field" style={props.grows ? { flex: '1 1 220px' } : { minWidth: 120 }}>
      <span className="field-label">{props.label}</span>
      {props.children}
    </div>
  );
}
