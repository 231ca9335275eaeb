import { DeleteOutlined, SwapOutlined, SyncOutlined } from '@ant-design/icons';
import { Button, Select } from 'antd';
import { type Check } from '@kleur/core/checks';
import { type Carrier, cautionText, isWeighedCarrier } from '@kleur/core/material';
import { type CarrierSource, PLAN_LIMITS } from '@kleur/core/plan';
import { doseFromUnit, doseInUnit, type DoseUnit, doseUnitProblem, printSpoonSum } from '@kleur/core/units';
import { mediumName, type PrepPot, type PrepRow } from '@kleur/core/work';
import * as why from '@kleur/core/why';
import { useMaterialsQuery } from '../../../app/api.ts';
import { useAppDispatch } from '../../../app/hooks.ts';
import { usePrinter, useSettings } from '../../../shared/hooks/useSettings.ts';
import { unitName } from '../../../shared/ui/unitName.ts';
import { NumberField } from '../../../shared/ui/NumberField.tsx';
import { Why } from '../../../shared/ui/Why.tsx';
import { bench } from '../benchSlice.ts';
import { CheckList } from '../CheckList.tsx';
import { DoseBar } from './DoseBar.tsx';

/** One colourant in a pot: its strength, what to weigh for it, and what it is dispersed in. */
export function DoseRowCard(props: {
  readonly pot: PrepPot;
  readonly row: PrepRow;
  readonly unit: DoseUnit;
  readonly checks: readonly Check[];
  /** Asks for the pot's colour without this material. */
  readonly onWithout: () => void;
}) {
  const { pot, row, unit, checks } = props;
  const { material, measured, carrier } = row;
  const { id: rowId, dose } = row.row;
  const potId = pot.pot.id;
  const { measuring } = useSettings();
  const dispatch = useAppDispatch();
  const print = usePrinter();

  const context = { potOils: pot.oils, bulkDensity: material.bulkDensity, spoons: measuring.spoons };
  const cannot = doseUnitProblem(unit, context);
  const used: DoseUnit = cannot ? 'g-per-kg' : unit;
  // The field's limits are the plan's, seen in the unit.
  const most = doseInUnit(PLAN_LIMITS.dose.max as typeof dose, used, context);
  const set = (change: { dose?: typeof dose; carrier?: Carrier | null }): void => {
    dispatch(bench.doseSet({ potId, rowId, change }));
  };
  return (
    <li className="dose">
      <div className="dose-top">
        <h3>
          <i className="chip" style={{ background: material.colour ?? 'transparent' }} />
          {material.name}
          <ShelfChange row={row} />
        </h3>
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
            set({ dose: doseFromUnit(v, used, context) });
          }}
        />
        {material.optics && (
          <Button
            type="text"
            icon={<SwapOutlined />}
            aria-label={`The same colour without ${material.name}`}
            title="The same colour without this"
            onClick={props.onWithout}
          />
        )}
        <Button
          type="text"
          icon={<DeleteOutlined />}
          aria-label={`Remove ${material.name}`}
          title="Remove"
          onClick={() => {
            dispatch(bench.doseRemoved({ potId, rowId }));
          }}
        />
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
        <DoseBar
          material={material}
          window={material.window}
          dose={dose}
          pot={pot.pot}
          onDose={(d) => {
            set({ dose: d });
          }}
        />
      )}
      <div className="dose-foot figure">
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
          {row.ofShared !== null && <span className="soft">of what is made once</span>}
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
        {material.carriers.length > 0 && (
          <span className="carrier">
            <span className="soft">in</span>
            <Select
              aria-label={`Carrier for ${material.name}`}
              value={carrier?.medium ?? null}
              popupMatchSelectWidth={false}
              onChange={(medium) => {
                set({ carrier: material.carriers.find((c) => c.medium === medium) ?? null });
              }}
              options={material.carriers.map((c) => ({ value: c.medium, label: mediumName[c.medium] }))}
            />
            {carrier && isWeighedCarrier(carrier.medium) && (
              <>
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
                    set({ carrier: { ...carrier, ratio } });
                  }}
                />
                <b>{print.fixed(row.carrierMass, 1)} g</b>
                {carrier.medium !== 'glycerin' && row.drops === null && (
                  <Select<CarrierSource>
                    aria-label={`Where the carrier of ${material.name} comes from`}
                    value={row.row.source}
                    popupMatchSelectWidth={false}
                    onChange={(source) => {
                      dispatch(bench.doseSet({ potId, rowId, change: { source } }));
                    }}
                    options={[
                      { value: 'extra', label: 'extra' },
                      {
                        value: 'batch',
                        label: carrier.medium === 'water' ? 'from the liquid' : 'from the batch oils',
                      },
                    ]}
                  />
                )}
              </>
            )}
          </span>
        )}
      </div>
      {material.cautions.includes('fine-powder') && (
        <p className="soft small">{cautionText['fine-powder']}</p>
      )}
      <CheckList checks={checks} label={`Checks on ${material.name}`} />
    </li>
  );
}

/** A tenth of the leading digit, so that arrow keys feel alike for 0.2 and for 20. */
const stepOf = (value: number): number => (value > 0 ? 10 ** (Math.floor(Math.log10(value)) - 1) : 0.1);

/** The plan keeps its own copy of a material; says so when the shelf has moved on, and offers to follow. */
function ShelfChange({ row }: { readonly row: PrepRow }) {
  const { data } = useMaterialsQuery();
  const dispatch = useAppDispatch();
  if (!data) return null;
  const found = data.find((m) => m.id === row.material.id);
  if (!found) return <span className="soft small">no longer on the shelf; the plan keeps its copy</span>;
  const { version: _version, builtIn: _builtIn, ...shelf } = found;
  const same =
    JSON.stringify([shelf.name, shelf.window, shelf.colour, shelf.bulkDensity, shelf.carriers]) ===
    JSON.stringify([
      row.material.name,
      row.material.window,
      row.material.colour,
      row.material.bulkDensity,
      row.material.carriers,
    ]);
  if (same) return null;
  return (
    <Button
      size="small"
      icon={<SyncOutlined />}
      onClick={() => {
        dispatch(bench.materialRefreshed(shelf));
      }}
    >
      Changed on the shelf: use it
    </Button>
  );
}
