import { Collapse, Segmented, Select } from 'antd';
import { useMemo } from 'react';
import { gelOf } from '@kleur/core/balance';
import { BODY_TECHNIQUES, designText, techniqueById } from '@kleur/core/palette';
import { type Finish, FINISHES, HEATS, PLAN_LIMITS, setWork, type Work } from '@kleur/core/plan';
import { fallbackDesign, PACE_SPREAD, type Timeline, timelineOf, withFinish } from '@kleur/core/work';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { LevelMark } from '../../../../shared/ui/Levels.tsx';
import { NumberField } from '../../../../shared/ui/NumberField.tsx';
import { SortableList } from '../../../../shared/ui/SortableList.tsx';
import { usePlan } from '../../state/useDerived.ts';
import { useEdit } from '../../state/useEdit.ts';
import { MINUTE_KEYS, MINUTE_NAMES } from './minutes.ts';

const FINISH_NAMES: Readonly<Record<Finish, string>> = {
  mist: 'mist with alcohol',
  oven: 'warm oven, switched off',
  insulate: 'insulate',
  fridge: 'fridge or freezer',
};

const HEAT_NAMES: Readonly<Record<Work['heat'], string>> = {
  let: 'let it be',
  force: 'force gel',
  prevent: 'prevent gel',
};

/** How long this maker takes for a pot at each step. */
function MinutesPart() {
  const { work } = usePlan();
  const edit = useEdit();
  return (
    <Collapse
      ghost
      size="small"
      items={[
        {
          key: 'minutes',
          label: 'My minutes for each pot',
          children: (
            <div className="row">
              {MINUTE_KEYS.map((key) => (
                <NumberField
                  key={key}
                  label={MINUTE_NAMES[key]}
                  width={104}
                  value={work.minutes[key]}
                  digits={1}
                  {...PLAN_LIMITS.minutes}
                  step={0.5}
                  suffix="min"
                  onCommit={(v) => {
                    edit((p) => setWork(p, { minutes: { ...p.work.minutes, [key]: v } }), `minutes:${key}`);
                  }}
                />
              ))}
            </div>
          ),
        },
      ]}
    />
  );
}

/** What is agreed before lye meets oil: fallback, heat, what follows the pour, the maker’s own minutes. */
export function WorkPanel() {
  const { work, idea } = usePlan();
  const edit = useEdit();
  const set = (change: Partial<Work>): void => {
    edit((p) => setWork(p, change), `work:${Object.keys(change).join()}`);
  };
  return (
    <section aria-label="How the work goes" className="panel">
      <h2>Agreed beforehand</h2>
      <div className="field">
        <span className="field-label">
          If the batter races, instead of {designText(idea.design).toLowerCase() || 'the design'}
        </span>
        <Select
          aria-label="Fallback technique"
          value={work.fallback}
          allowClear
          placeholder="a simpler design"
          onChange={(v: string | undefined) => {
            set({ fallback: v ?? null });
          }}
          // The way out of a design is never the design itself.
          options={BODY_TECHNIQUES.filter((t) => !idea.design.body.includes(t.id)).map((t) => ({
            value: t.id,
            label: t.name,
          }))}
        />
      </div>
      <Hurry />
      <NumberField
        label="Blending after emulsion"
        width={180}
        value={work.blendSeconds}
        digits={0}
        {...PLAN_LIMITS.blendSeconds}
        step={5}
        suffix="s"
        onCommit={(blendSeconds) => {
          set({ blendSeconds });
        }}
      />
      <div className="setting">
        <span>Heat</span>
        <Segmented<Work['heat']>
          aria-label="Heat"
          value={work.heat}
          onChange={(heat) => {
            set({ heat });
          }}
          options={HEATS.map((h) => ({ value: h, label: HEAT_NAMES[h] }))}
        />
      </div>
      <GelWords />
      <FinishOrder
        finish={work.finish}
        onChange={(finish) => {
          set({ finish });
        }}
      />
      {work.finish.includes('oven') && (
        <NumberField
          label="Warmth of the oven"
          width={140}
          value={work.ovenTemperature}
          digits={0}
          {...PLAN_LIMITS.oven}
          step={5}
          suffix="°C"
          onCommit={(ovenTemperature) => {
            set({ ovenTemperature });
          }}
        />
      )}
      <MinutesPart />
      <div className="setting">
        <span>Batter that thickens fast</span>
        <Segmented<boolean>
          aria-label="Batter that thickens fast"
          value={work.fastWanted}
          onChange={(fastWanted) => {
            set({ fastWanted });
          }}
          options={[
            { value: false, label: 'is a risk' },
            { value: true, label: 'is wanted' },
          ]}
        />
      </div>
      <div className="setting">
        <span>Permanent line</span>
        <Segmented<boolean>
          aria-label="Permanent line"
          value={work.permanentLine}
          onChange={(permanentLine) => {
            set({ permanentLine });
          }}
          options={[
            { value: false, label: 'one of a kind' },
            { value: true, label: 'made again' },
          ]}
        />
      </div>
    </section>
  );
}

/** How likely the batch gels as it is planned, and why. */
function GelWords() {
  const plan = usePlan();
  const print = usePrinter();
  const { likelihood, begins, reaches, decided } = gelOf(plan);
  const habit = plan.base.learnt?.gel;
  return (
    <p className="soft small figure">
      {decided
        ? `Colours are shown ${likelihood > 0.5 ? 'gelled' : 'without gel'}, as it is decided here.`
        : `Let be, gel is ${print.percent(likelihood * 100, 0)} likely: the middle gets to about ${print.temperature(reaches)}, and gel begins near ${print.temperature(begins)} (± 5${habit ? `, from ${habit.batches === 1 ? 'one batch' : `${habit.batches} batches`} of yours` : ''}). Colours and matches count on ${likelihood >= 0.5 ? 'gel' : 'no gel'}; the checks look at both.`}
    </p>
  );
}

/** What is done after the pour, first to last. */
function FinishOrder(props: {
  readonly finish: readonly Finish[];
  readonly onChange: (finish: readonly Finish[]) => void;
}) {
  const { finish, onChange } = props;
  const left = FINISHES.filter((f) => !finish.includes(f));
  return (
    <div className="field">
      <span className="field-label">After the pour, in this order</span>
      <SortableList
        label="After the pour, in this order"
        items={finish.map((f) => ({ id: f, label: FINISH_NAMES[f] }))}
        onOrder={(ids) => {
          onChange(ids as Finish[]);
        }}
        onRemove={(id) => {
          onChange(finish.filter((f) => f !== id));
        }}
      />
      {left.length > 0 && (
        <Select<Finish | null>
          aria-label="Add what is done after the pour"
          value={null}
          placeholder={finish.length === 0 ? 'nothing' : 'and then'}
          onChange={(next) => {
            if (next) onChange(withFinish(finish, next));
          }}
          options={left.map((f) => ({ value: f, label: FINISH_NAMES[f] }))}
        />
      )}
    </div>
  );
}

/** What if the batter comes as soon as it well may: which pots would not wait, under the design and its fallback. */
function Hurry() {
  const plan = usePlan();
  const print = usePrinter();
  const { idea, work } = plan;
  const [design, fallback] = useMemo(
    () =>
      [designText(idea.design) ? idea.design : null, fallbackDesign(plan)].map(
        (d) => d && timelineOf(plan, { design: d, hurry: PACE_SPREAD.low }),
      ),
    [plan, idea.design],
  );
  if (!fallback) return <p className="soft small">Choose it now: there is no time once it thickens.</p>;
  return (
    <div className="small hurry">
      <p className="soft">If everything comes sooner, at × {print.number(PACE_SPREAD.low, 1)} of the time:</p>
      <ul>
        {design && <HurryLine name={designText(idea.design)} timeline={design} />}
        <HurryLine name={techniqueById(work.fallback)!.name} timeline={fallback} />
      </ul>
    </div>
  );
}

function HurryLine({ name, timeline }: { readonly name: string; readonly timeline: Timeline }) {
  const late = timeline.pots.filter((s) => s.verdict === 'sets-too-soon').map((s) => s.pot.name);
  return (
    <li>
      {late.length > 0 && <LevelMark level="warn" />}
      <b>{name}</b>: {late.length > 0 ? `${late.join(', ')} too stiff` : 'all in time'}
    </li>
  );
}
