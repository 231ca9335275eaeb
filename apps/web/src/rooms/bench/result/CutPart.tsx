import { Button, Select } from 'antd';
import { barWeights, fillOf, flowOf } from '@kleur/core/balance';
import {
  canBeCut,
  CUT_DIRECTIONS,
  type CutDirection,
  cutPlan,
  type CutRegion,
  cureLossOf,
  RECORD_LIMITS,
  regionsOf,
  REGION_USES,
  type RegionUse,
} from '@kleur/core/record';
import { useLossesQuery } from '../../../data/ledger.ts';
import { newId } from '../../../data/newId.ts';
import { usePrinter } from '../../../shared/hooks/useSettings.ts';
import { DeleteOutlined, PlusOutlined } from '../../../shared/ui/icons.tsx';
import { NumberField } from '../../../shared/ui/NumberField.tsx';
import { LengthField, MassField } from '../../../shared/ui/Quantity.tsx';
import { CutStrip } from '../steps/prep/CutStrip.tsx';
import { PrintButton } from '../steps/prep/PrintButton.tsx';
import { BlockPicture } from './BlockPicture.tsx';
import styles from './result.module.css';
import { type Result } from './useResult.ts';

const USE_NAMES: Readonly<Record<RegionUse, string>> = { bars: 'Bars', samples: 'Samples', end: 'End piece' };
const DIRECTION_NAMES: Readonly<Record<CutDirection, string>> = {
  across: 'Across',
  flat: 'Into flat slabs',
  along: 'Along, upright',
};

/** The cut as it is decided at the block, what the bars weigh, and where they go. */
export function CutPart({ result }: { readonly result: Result }) {
  const { record, made, edit, batchId } = result;
  const print = usePrinter();
  const { data: losses } = useLossesQuery(batchId);
  const { plan, weighed } = made;
  const flow = flowOf(plan, weighed);
  const usual = barWeights(plan, flow);
  const row = plan.moulding.moulds.find((m) => canBeCut(m.mould));
  const { cut } = record;
  const setCut = (change: Partial<typeof cut>): void => {
    edit((r) => ({ ...r, cut: { ...r.cut, ...change } }));
  };
  const fill = fillOf(plan, flow);
  const moulds = plan.moulding.moulds.reduce((sum, m) => sum + m.count, 0);
  const blockMass = moulds > 0 ? (fill.massInMoulds + fill.massOnTop) / moulds : 0;
  const loss = cureLossOf(plan, cut);
  const learned = losses?.learned ?? null;
  const bars = cut.bars ?? 0;
  const gone = cut.fates.sale + cut.fates.given + cut.fates.swatches;

  return (
    <div className={styles.result}>
      <section aria-label="The cut">
        <h2>The cut</h2>
        {!row && (
          <p className="soft">
            Only loaves and slabs are cut; what was poured into cavities is counted below.
          </p>
        )}
        {row && cut.regions === null && (
          <div className={styles.row}>
            <span>
              As planned: {usual.count} bars of about {print.mass(usual.atCut)}.
            </span>
            <Button
              onClick={() => {
                setCut({ regions: regionsOf(row.mould, plan.moulding.bars) });
              }}
            >
              Decide it at the block
            </Button>
          </div>
        )}
        {row && cut.regions !== null && (
          <Regions
            regions={cut.regions}
            plan={cutPlan(row.mould, cut.regions, plan.moulding.bars.kerf, blockMass)}
            usual={usual.atCut}
            length={row.mould.length}
            name={row.mould.name}
            onChange={(regions) => {
              setCut({ regions });
            }}
          />
        )}
      </section>
      <section aria-label="Bars and weights">
        <h2>Bars and weights</h2>
        <div className={styles.weights}>
          <NumberField
            label="Bars"
            value={cut.bars}
            min={0}
            max={RECORD_LIMITS.bars.max}
            digits={0}
            placeholder={String(usual.count)}
            onCommit={(v) => {
              setCut({ bars: Math.round(v) });
            }}
            onClear={() => {
              setCut({ bars: null });
            }}
          />
          {(
            [
              ['atCut', 'All bars at the cut'],
              ['cured', 'All bars cured'],
              ['finished', 'All bars finished'],
            ] as const
          ).map(([key, label]) => (
            <MassField
              key={key}
              label={label}
              value={cut[key]}
              min={RECORD_LIMITS.mass.min}
              max={RECORD_LIMITS.mass.max}
              onCommit={(v) => {
                setCut({ [key]: v });
              }}
              onClear={() => {
                setCut({ [key]: null });
              }}
            />
          ))}
        </div>
        {cut.atCut !== null && bars > 0 && (
          <p>
            {print.mass(cut.atCut / bars)} a bar at the cut; {print.mass(usual.atCut)} were foretold.
          </p>
        )}
        {loss && (
          <p>
            Lost in cure: <b>{print.percent(loss.measured * 100, 1)}</b>;{' '}
            {print.percent(loss.foretold * 100, 1)} were foretold
            {learned && (
              <>
                , {print.percent(loss.foretold * learned.factor * 100, 1)} as your bars do it (from{' '}
                {learned.batches === 1 ? '1 batch' : `${learned.batches} batches`} on recipes like this)
              </>
            )}
            .
          </p>
        )}
        {cut.cured !== null && cut.finished !== null && cut.finished <= cut.cured && (
          <p>
            Finishing took {print.mass(cut.cured - cut.finished)} (
            {print.percent(cut.cured > 0 ? ((cut.cured - cut.finished) * 100) / cut.cured : 0, 1)}).
          </p>
        )}
      </section>
      <section aria-label="Where the bars go">
        <h2>Where the bars go</h2>
        <div className={styles.weights}>
          {(
            [
              ['sale', 'On sale'],
              ['given', 'Given away'],
              ['swatches', 'Kept as swatches'],
            ] as const
          ).map(([key, label]) => (
            <NumberField
              key={key}
              label={label}
              value={cut.fates[key]}
              min={0}
              max={RECORD_LIMITS.bars.max}
              digits={0}
              onCommit={(v) => {
                setCut({ fates: { ...cut.fates, [key]: Math.round(v) } });
              }}
            />
          ))}
        </div>
        {bars > 0 && gone !== bars && (
          <p role="status">
            {gone > bars
              ? `${gone - bars} more than there are bars.`
              : `${bars - gone} bars are not spoken for.`}
          </p>
        )}
      </section>
    </div>
  );
}

function Regions(props: {
  readonly regions: readonly CutRegion[];
  readonly plan: ReturnType<typeof cutPlan>;
  /** A bar as planned, g. */
  readonly usual: number;
  readonly length: number;
  readonly name: string;
  readonly onChange: (regions: readonly CutRegion[] | null) => void;
}) {
  const { regions, plan, usual, length, name, onChange } = props;
  const print = usePrinter();
  const set = (id: string, change: Partial<CutRegion>): void => {
    onChange(regions.map((r) => (r.id === id ? { ...r, ...change } : r)));
  };
  return (
    <>
      <BlockPicture plan={plan} length={length} />
      <ul className={styles.regions} aria-label="Stretches of the block">
        {plan.pieces.map(({ region: r, count, mass, problem }, i) => (
          <li key={r.id} aria-label={`Stretch ${i + 1}`}>
            <Select
              aria-label="Use"
              value={r.use}
              onChange={(use) => {
                set(r.id, { use });
              }}
              options={REGION_USES.map((u) => ({ value: u, label: USE_NAMES[u] }))}
            />
            <LengthField
              label="Length"
              value={r.length}
              min={0}
              max={RECORD_LIMITS.millimetres.max}
              width={90}
              onCommit={(v) => {
                set(r.id, { length: v });
              }}
            />
            <Select
              aria-label="Direction of the cuts"
              value={r.direction}
              onChange={(direction) => {
                set(r.id, { direction });
              }}
              options={CUT_DIRECTIONS.map((d) => ({ value: d, label: DIRECTION_NAMES[d] }))}
            />
            <LengthField
              label="Thickness"
              value={r.thickness}
              min={0}
              max={RECORD_LIMITS.millimetres.max}
              width={90}
              onCommit={(v) => {
                set(r.id, { thickness: v });
              }}
            />
            <NumberField
              label="Side by side"
              value={r.columns}
              min={RECORD_LIMITS.columns.min}
              max={RECORD_LIMITS.columns.max}
              digits={0}
              width={70}
              onCommit={(v) => {
                set(r.id, { columns: Math.round(v) });
              }}
            />
            <span className="figure">
              {problem ? (
                <span className="field-problem">Too thin, or no room for one piece.</span>
              ) : (
                <>
                  <b>{count}</b> × {print.mass(mass)}{' '}
                  {r.use === 'bars' && usual > 0 && (
                    <span className="soft">{signed(((mass - usual) / usual) * 100)} % of the usual</span>
                  )}
                </>
              )}
            </span>
            <Button
              type="text"
              icon={<DeleteOutlined />}
              aria-label={`Take out stretch ${i + 1}`}
              onClick={() => {
                onChange(regions.filter((x) => x.id !== r.id));
              }}
            />
          </li>
        ))}
      </ul>
      {Math.abs(plan.left) >= 0.5 && (
        <p className="field-problem" role="status">
          {plan.left > 0
            ? `${print.length(plan.left)} of the block belong to no stretch.`
            : `The stretches are ${print.length(-plan.left)} longer than the block.`}
        </p>
      )}
      <div className={styles.row}>
        <Button
          icon={<PlusOutlined />}
          disabled={regions.length >= RECORD_LIMITS.regions}
          onClick={() => {
            const stretch: CutRegion = {
              id: newId(),
              use: 'bars',
              length: Math.max(0, Math.round(plan.left)),
              direction: 'across',
              thickness: 25,
              columns: 1,
            };
            onChange([...regions, stretch]);
          }}
        >
          Stretch
        </Button>
        <Button
          onClick={() => {
            onChange(null);
          }}
        >
          Cut as planned
        </Button>
        <PrintButton label="Print the strip" />
        <span>
          {plan.bars} bars, {print.mass(plan.barMass)}
        </span>
      </div>
      <CutStrip name={name} length={length} cuts={plan.cuts} />
    </>
  );
}

const signed = (percent: number): string => `${percent >= 0 ? '+' : '−'}${Math.abs(percent).toFixed(0)}`;
