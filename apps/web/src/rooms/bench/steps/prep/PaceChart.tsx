import { scaleLinear } from 'd3-scale';
import { memo, useMemo } from 'react';
import { PACE_SPREAD, type PotStep, type Task, type Timeline } from '@kleur/core/work';
import * as why from '@kleur/core/why';
import { useMedia } from '../../../../shared/hooks/useMedia.ts';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { LevelMark } from '../../../../shared/ui/Levels.tsx';
import { Why } from '../../../../shared/ui/Why.tsx';
import { useCuredHex } from '../../BenchContext.ts';

/** Widths of the axis: on a phone, and elsewhere. */
const WIDTHS = { small: 236, usual: 540 };
const ROW = 48;
const HEAD = 22;
const VERDICTS: Readonly<Record<PotStep['verdict'], string>> = {
  fits: 'in time',
  'sets-too-soon': 'too stiff by then',
  'too-thin': 'still too thin',
  open: 'any time',
};
const TASK_NAMES: Readonly<Record<Task['kind'], string>> = {
  split: 'weighed off',
  colour: 'coloured',
  scent: 'scented',
  pour: 'poured',
  top: 'piped or spooned on top',
};

interface ChartProps {
  readonly timeline: Timeline;
  /** Pot ids, the rows from above. */
  readonly order: readonly string[];
}

/** The steps of the work and each pot's window, on one axis of minutes from emulsion. */
export const PaceChart = memo(function PaceChart({ timeline, order }: ChartProps) {
  const print = usePrinter();
  const cured = useCuredHex();
  const width = useMedia('(max-width: 700px)') ? WIDTHS.small : WIDTHS.usual;
  const steps = useMemo(
    () => order.map((id) => timeline.pots.find((s) => s.pot.id === id)!),
    [timeline, order],
  );
  const last = Math.max(
    30,
    ...timeline.mould.map((t) => t.to + 8),
    ...steps.map((s) => (s.top ? s.top.to + 4 : 0)),
    ...steps.map((s) => Math.max(s.pouredAt + 4, Math.min(s.pace.stiff * 1.1, s.pouredAt * 2))),
  );
  const x = scaleLinear([0, last], [0, width]);
  const edge = (m: number): number => Math.min(width, x(Math.min(m, last)));
  const height = HEAD + (steps.length + (timeline.mould.length > 0 ? 1 : 0)) * ROW;
  const mouldY = HEAD + steps.length * ROW;
  const minutes = (m: number): string => print.number(m, 0);
  return (
    <section aria-label="Working time of each pot">
      <h2>Working time, minutes from emulsion</h2>
      <div className="pace">
        <ul className="pace-names">
          {steps.map((s) => (
            <li key={s.pot.id} style={{ height: ROW }}>
              <b>{s.pot.name}</b>
              <Why of={`the pace of ${s.pot.name}`} lines={() => why.pace(print, s.pace)} />
              <span className="small">
                {(s.verdict === 'sets-too-soon' || s.verdict === 'too-thin') && <LevelMark level="warn" />}
                {VERDICTS[s.verdict]}
                {s.pot.ownLye && ', own clock'}
              </span>
            </li>
          ))}
          {timeline.mould.length > 0 && (
            <li style={{ height: ROW }}>
              <b>In the mould</b>
            </li>
          )}
        </ul>
        <svg
          width={width}
          height={height}
          role="img"
          aria-label={[
            ...steps.map(
              (s) =>
                `${s.pot.name}: ${s.tasks
                  .map((t) => `${TASK_NAMES[t.kind]} ${minutes(t.from)} to ${minutes(t.to)}`)
                  .join(', ')}${onTop(s, minutes)}; light trace ${minutes(s.pace.light)}, medium ${minutes(
                  s.pace.medium,
                )}, thick ${minutes(s.pace.thick)}, stiff ${minutes(s.pace.stiff)} min`,
            ),
            ...timeline.mould.map((t) => `${t.name} ${minutes(t.from)} to ${minutes(t.to)}`),
          ].join('. ')}
        >
          {x.ticks(8).map((t) => (
            <g key={t}>
              <line className="pace-grid" x1={x(t)} x2={x(t)} y1={HEAD - 4} y2={height} />
              <text x={x(t)} y={12} textAnchor={t === 0 ? 'start' : 'middle'}>
                {t}
              </text>
            </g>
          ))}
          {steps.map((s, i) => {
            const y = HEAD + i * ROW;
            const marks = [
              ['light', s.pace.light],
              ['medium', s.pace.medium],
              ['thick', s.pace.thick],
              ['stiff', s.pace.stiff],
            ] as const;
            return (
              <g key={s.pot.id}>
                {s.window && (
                  <rect
                    className="pace-window"
                    x={x(Math.min(s.window[0], last))}
                    y={y}
                    width={Math.max(2, edge(s.window[1]) - x(Math.min(s.window[0], last)))}
                    height={26}
                  />
                )}
                {marks.map(([name, at]) =>
                  at > last ? null : (
                    <g key={name}>
                      <line className="pace-mark" x1={x(at)} x2={x(at)} y1={y} y2={y + 26} />
                      <line
                        className="pace-spread"
                        x1={x(at * PACE_SPREAD.low)}
                        x2={edge(at * PACE_SPREAD.high)}
                        y1={y + 29}
                        y2={y + 29}
                      />
                      <text
                        className="pace-name"
                        x={Math.min(x(at), width - 22)}
                        y={y + 40}
                        textAnchor="middle"
                      >
                        {name}
                      </text>
                    </g>
                  ),
                )}
                {s.tasks.map((t) => (
                  <TaskBar
                    key={t.kind}
                    task={t}
                    x={x(Math.min(t.from, last))}
                    width={Math.max(4, edge(t.to) - x(Math.min(t.from, last)))}
                    y={y + 4}
                    colour={cured.get(s.pot.id)}
                    turn={timeline.pours.indexOf(s.pot.id) + 1}
                  />
                ))}
                {s.top && (
                  <TaskBar
                    task={{ kind: 'top', from: s.top.from, to: s.top.to }}
                    x={x(Math.min(s.top.from, last))}
                    width={Math.max(4, edge(s.top.to) - x(Math.min(s.top.from, last)))}
                    y={y + 4}
                    colour={cured.get(s.pot.id)}
                    turn={0}
                  />
                )}
              </g>
            );
          })}
          {timeline.mould.map((t, i) => {
            const named = i === 0 || timeline.mould[i - 1]!.name !== t.name;
            return (
              <g key={t.from}>
                <rect
                  className="pace-hand"
                  x={x(t.from)}
                  y={mouldY + 4}
                  width={edge(t.to) - x(t.from)}
                  height={18}
                />
                {named && (
                  <text
                    x={x(t.from)}
                    y={mouldY + 38}
                    textAnchor={x(t.from) > width * 0.7 ? 'end' : 'start'}
                    dx={x(t.from) > width * 0.7 ? x(t.to) - x(t.from) : 0}
                  >
                    {t.name}
                  </text>
                )}
              </g>
            );
          })}
        </svg>
      </div>
      <Legend />
      {timeline.broughtForward.length > 0 && (
        <p>
          {timeline.broughtForward.map((p) => p.name).join(', ')}: poured before{' '}
          {timeline.broughtForward.length > 1 ? 'their' : 'its'} turn, because{' '}
          {timeline.broughtForward.length > 1 ? 'they set' : 'it sets'} sooner.
        </p>
      )}
    </section>
  );
});

/** What was kept of a pot for the top, in words: `; on the top 49 to 54, after 20 min`. */
const onTop = ({ top }: PotStep, minutes: (m: number) => string): string =>
  top
    ? `; on the top ${minutes(top.from)} to ${minutes(top.to)}, after it waited ${minutes(top.waits)} min`
    : '';

interface BarProps {
  readonly task: Task;
  readonly x: number;
  readonly width: number;
  readonly y: number;
  readonly colour: string | undefined;
  /** Place in the order of the pour; 0 for a clock of its own. */
  readonly turn: number;
}

function TaskBar({ task: { kind }, x, width, y, colour, turn }: BarProps) {
  const poured = kind === 'pour' || kind === 'top';
  return (
    <g>
      <rect
        className={`pace-task is-${poured ? 'pour' : kind}`}
        style={kind === 'colour' && colour ? { fill: colour } : undefined}
        x={x}
        y={y}
        width={width}
        height={18}
      />
      {kind === 'scent' && (
        <path
          className="pace-scent"
          d={`M${x + 2} ${y + 16}l${width - 4} -14M${x + 2} ${y + 9}l${(width - 4) / 2} -7`}
        />
      )}
      {poured && turn > 0 && (
        <text className="pace-turn" x={x + width / 2} y={y + 13} textAnchor="middle">
          {turn}
        </text>
      )}
    </g>
  );
}

function Legend() {
  return (
    <ul className="pace-legend small">
      <li>
        <i className="is-split" /> weighed off
      </li>
      <li>
        <i className="is-colour" /> coloured
      </li>
      <li>
        <i className="is-scent" /> scented
      </li>
      <li>
        <i className="is-pour">1</i> poured, in this order
      </li>
      <li>
        <i className="is-window" /> when the technique wants it
      </li>
      <li>
        <i className="is-spread" /> how much sooner or later a trace may come
      </li>
      <li className="soft">Starting values, until your own times are known.</li>
    </ul>
  );
}
