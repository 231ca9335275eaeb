import { DeleteOutlined, SwapOutlined, SyncOutlined } from '../../../shared/ui/icons.tsx';
import { Button, Select } from 'antd';
import { memo } from 'react';
import { useChecks, usePrepPot } from '../state/useDerived.ts';
import {
  type Carrier,
  cautionText,
  isWeighedCarrier,
  potCarriers,
  type Material,
} from '@kleur/core/material';
import { type CarrierSource, PLAN_LIMITS } from '@kleur/core/plan';
import { doseFromUnit, doseInUnit, type DoseUnit, doseUnitProblem, printSpoonSum } from '@kleur/core/units';
import { mediumName, type PrepPot, type PrepRow } from '@kleur/core/work';
import * as why from '@kleur/core/why';
import { useMaterialsQuery } from '../../../data/materials.ts';
import { useAppDispatch } from '../../../data/store.ts';
import { usePrinter, useSettings } from '../../../shared/hooks/useSettings.ts';
import { unitName } from '../../../shared/ui/unitName.ts';
import { NumberField } from '../../../shared/ui/NumberField.tsx';
import { Why } from '../../../shared/ui/Why.tsx';
import { edits } from '../state/edits.ts';
import { CheckList } from '../CheckList.tsx';
import { Past } from '../Past.tsx';
import { DoseBar } from './DoseBar.tsx';
import { ScrubPerBar } from './ScrubPerBar.tsx';

/** One colourant in a pot: its strength, what to weigh for it, and what it is dispersed in. */
export const DoseRowCard = memo(function DoseRowCard(props: {
  readonly potId: string;
  readonly rowId: string;
  readonly unit: DoseUnit;
  /** Asks for the pot's colour without a material. */
  readonly onWithout: (materialId: string) => void;
}) {
  const { potId, rowId, unit, onWithout } = props;
  const pot = usePrepPot(potId);
  const row = pot?.rows.find((r) => r.row.id === rowId);
  if (!pot || !row) return null;
  return <DoseRow pot={pot} row={row} unit={unit} onWithout={onWithout} />;
});

/** Equal figures look the same, though they are worked out anew with each plan. */
const sameRow = (a: { pot: PrepPot; row: PrepRow }, b: { pot: PrepPot; row: PrepRow }): boolean =>
  a.pot.oils === b.pot.oils &&
  a.pot.pot.name === b.pot.pot.name &&
  a.row.row === b.row.row &&
  a.row.material === b.row.material &&
  a.row.carrierMass === b.row.carrierMass &&
  a.row.drops === b.row.drops &&
  a.row.ofShared === b.row.ofShared &&
  JSON.stringify(a.row.measured) === JSON.stringify(b.row.measured);

const DoseRow = memo(
  function DoseRow(props: {
    readonly pot: PrepPot;
    readonly row: PrepRow;
    readonly unit: DoseUnit;
    readonly onWithout: (materialId: string) => void;
  }) {
    const { pot, row, unit } = props;
    const { material } = row;
    const { id: rowId, dose } = row.row;
    const potId = pot.pot.id;
    const { measuring } = useSettings();
    const dispatch = useAppDispatch();

    const context = { potOils: pot.oils, bulkDensity: material.bulkDensity, spoons: measuring.spoons };
    const cannot = doseUnitProblem(unit, context);
    const used: DoseUnit = cannot ? 'g-per-kg' : unit;
    // The field's limits are the plan's, seen in the unit.
    const most = doseInUnit(PLAN_LIMITS.dose.max as typeof dose, used, context);
    const setDose = (value: typeof dose): void => {
      dispatch(edits.doseSet({ potId, rowId, change: { dose: value } }));
    };
    return (
      <li className="dose">
        <div className="dose-top">
          <DoseName material={material} />
          <NumberField
            key={used}
            label={`${material.name}, ${unitName[used]}`}
            hideLabel
            width={170}
            value={doseInUnit(dose, used, context)}
            digits={3}
            min={0}
            max={most}
            step={stepOf(doseInUnit(dose, used, context))}
            suffix={unitName[used]}
            onCommit={(v) => {
              setDose(doseFromUnit(v, used, context));
            }}
          />
          <DoseActs potId={potId} rowId={rowId} material={material} onWithout={props.onWithout} />
        </div>
        {cannot && (
          <p className="soft">
            {cannot === 'density-unknown'
              ? 'No bulk density on the shelf, so no spoons: shown in g/kg.'
              : 'This pot has no share yet, so no grams: shown in g/kg.'}
          </p>
        )}
        {measuring.by === 'spoons' && material.bulkDensity === null && (
          <p className="soft">Its bulk density is unknown, so spoons cannot measure it: weigh it.</p>
        )}
        {material.optics && material.window && (
          <DoseBar material={material} window={material.window} dose={dose} potId={potId} onDose={setDose} />
        )}
        <div className="dose-foot figure">
          <DoseMeasure pot={pot} row={row} />
          {material.carriers.length > 0 && <DoseCarrier potId={potId} row={row} />}
        </div>
        {material.scrub && <ScrubPerBar potId={potId} row={row} />}
        {material.cautions.includes('fine-powder') && (
          <p className="soft small">{cautionText['fine-powder']}</p>
        )}
        <DoseChecks rowId={rowId} name={material.name} />
        {material.optics && <Past of="colourant" refId={material.id} name={material.name} />}
      </li>
    );
  },
  (a, b) => a.unit === b.unit && a.onWithout === b.onWithout && sameRow(a, b),
);

const DoseName = memo(function DoseName({ material }: { readonly material: Material }) {
  return (
    <h3>
      <i className="chip" style={{ background: material.colour ?? 'transparent' }} />
      {material.name}
      <ShelfChange material={material} />
    </h3>
  );
});

const DoseActs = memo(function DoseActs(props: {
  readonly potId: string;
  readonly rowId: string;
  readonly material: Material;
  readonly onWithout: (materialId: string) => void;
}) {
  const { potId, rowId, material } = props;
  const dispatch = useAppDispatch();
  return (
    <>
      {material.optics && (
        <Button
          type="text"
          icon={<SwapOutlined />}
          aria-label={`The same colour without ${material.name}`}
          title="The same colour without this"
          onClick={() => {
            props.onWithout(material.id);
          }}
        />
      )}
      <Button
        type="text"
        icon={<DeleteOutlined />}
        aria-label={`Remove ${material.name}`}
        title="Remove"
        onClick={() => {
          dispatch(edits.doseRemoved({ potId, rowId }));
        }}
      />
    </>
  );
});

/** What to measure of the powder. */
function DoseMeasure({ pot, row }: { readonly pot: PrepPot; readonly row: PrepRow }) {
  const print = usePrinter();
  const { measured, material } = row;
  return (
    <span className="measured">
      <span className="soft">Measure</span>
      <b>
        {row.drops !== null
          ? `${row.drops} ${row.drops === 1 ? 'drop' : 'drops'} of stock`
          : measured.spoonSum
            ? printSpoonSum(measured.spoonSum)
            : row.ofShared !== null
              ? `${print.number(measured.mass, 2)} g`
              : `${print.weighed(measured.mass)} g`}
      </b>
      {row.ofShared !== null && <span className="soft">of the shared jar</span>}
      {row.drops !== null && <span className="soft">≈ {print.number(measured.mass, 3)} g</span>}
      <Why of={`${material.name} in ${pot.pot.name}`} lines={() => why.dose(print, pot.flow, row)} />
      {measured.spoonSum && <span className="soft">≈ {print.number(measured.mass, 2)} g</span>}
      {Math.abs(measured.relativeError) >= 0.005 && (
        <span className="soft" title="What rounding does to the dose">
          {measured.relativeError > 0 ? '+' : ''}
          {print.number(measured.relativeError * 100, 0)} % by rounding
        </span>
      )}
    </span>
  );
}

/** What the powder is dispersed in, how much of it, and where that comes from. */
function DoseCarrier({ potId, row }: { readonly potId: string; readonly row: PrepRow }) {
  const print = usePrinter();
  const { carrier } = row;
  const weighed = carrier !== null && isWeighedCarrier(carrier.medium);
  return (
    <span className="carrier">
      <CarrierChoice potId={potId} rowId={row.row.id} material={row.material} carrier={carrier} />
      {weighed && (
        <>
          <b>{print.grams(row.carrierMass)}</b>
          {carrier.medium !== 'glycerin' && row.drops === null && (
            <CarrierFrom
              potId={potId}
              rowId={row.row.id}
              name={row.material.name}
              water={carrier.medium === 'water'}
              source={row.row.source}
            />
          )}
        </>
      )}
    </span>
  );
}

const CarrierChoice = memo(function CarrierChoice(props: {
  readonly potId: string;
  readonly rowId: string;
  readonly material: Material;
  readonly carrier: Carrier | null;
}) {
  const { potId, rowId, material, carrier } = props;
  const choices = potCarriers(material);
  const dispatch = useAppDispatch();
  const set = (next: Carrier | null): void => {
    dispatch(edits.doseSet({ potId, rowId, change: { carrier: next } }));
  };
  return (
    <>
      <span className="soft">in</span>
      <Select
        aria-label={`Carrier for ${material.name}`}
        value={carrier?.medium ?? null}
        popupMatchSelectWidth={false}
        onChange={(medium) => {
          set(choices.find((c) => c.medium === medium) ?? null);
        }}
        options={choices.map((c) => ({ value: c.medium, label: mediumName[c.medium] }))}
      />
      {carrier && isWeighedCarrier(carrier.medium) && (
        <NumberField
          label={`Parts of liquid to one of ${material.name}`}
          hideLabel
          width={84}
          value={carrier.ratio}
          digits={1}
          {...PLAN_LIMITS.carrierRatio}
          step={0.5}
          suffix=": 1"
          onCommit={(ratio) => {
            set({ ...carrier, ratio });
          }}
        />
      )}
    </>
  );
});

const CarrierFrom = memo(function CarrierFrom(props: {
  readonly potId: string;
  readonly rowId: string;
  readonly name: string;
  readonly water: boolean;
  readonly source: CarrierSource;
}) {
  const { potId, rowId, water } = props;
  const dispatch = useAppDispatch();
  return (
    <Select<CarrierSource>
      aria-label={`Where the carrier of ${props.name} comes from`}
      value={props.source}
      popupMatchSelectWidth={false}
      onChange={(source) => {
        dispatch(edits.doseSet({ potId, rowId, change: { source } }));
      }}
      options={[
        { value: 'extra', label: 'extra' },
        { value: 'batch', label: water ? 'from the liquid' : 'from the batch oils' },
      ]}
    />
  );
});

const DoseChecks = memo(function DoseChecks({
  rowId,
  name,
}: {
  readonly rowId: string;
  readonly name: string;
}) {
  const checks = useChecks().filter((c) => c.place.at === 'dose' && c.place.rowId === rowId);
  return checks.length > 0 && <CheckList checks={checks} label={`Checks on ${name}`} />;
});

/** A tenth of the leading digit, so that arrow keys feel alike for 0.2 and for 20. */
const stepOf = (value: number): number => (value > 0 ? 10 ** (Math.floor(Math.log10(value)) - 1) : 0.1);

/**
 * The plan keeps its own copy of a material; says so when it is called, dosed or dispersed otherwise on the shelf now, and
 * offers to follow. Its other values are compared by the checks.
 */
function ShelfChange({ material }: { readonly material: Material }) {
  const { data } = useMaterialsQuery();
  const dispatch = useAppDispatch();
  if (!data) return null;
  const found = data.find((m) => m.id === material.id);
  if (!found) return <span className="soft small">no longer on the shelf; the plan keeps its copy</span>;
  const { version: _version, builtIn: _builtIn, ...shelf } = found;
  const same =
    JSON.stringify([shelf.name, shelf.window, shelf.carriers]) ===
    JSON.stringify([material.name, material.window, material.carriers]);
  if (same) return null;
  return (
    <Button
      size="small"
      icon={<SyncOutlined />}
      onClick={() => {
        dispatch(edits.materialRefreshed(shelf));
      }}
    >
      Changed on the shelf: use the new values
    </Button>
  );
}
