import { scaleLinear } from 'd3-scale';
import { PACE_SPREAD, type PotStep, why } from '@kleur/core';
import { usePrinter, useSay } from '../../../../shared/hooks/useSettings.ts';
import { LevelMark } from '../../../../shared/ui/Levels.tsx';
import { Why } from '../../../../shared/ui/Why.tsx';

const WIDTH = 540;
const ROW = 44;
const HEAD = 22;
const VERDICTS: Readonly<Record<PotStep['verdict'], string>> = {
  fits: 'in time',
  'sets-too-soon': 'too stiff by then',
  'too-thin': 'still too thin',
  open: 'any time',
};

/** Each pot's window on one axis of minutes from emulsion, with when it is ready and when it is poured. */
export function PaceChart({ steps }: { readonly steps: readonly PotStep[] }) {
  const print = usePrinter();
  const say = useSay();
  const last = Math.max(
    30,
    ...steps.map((s) => Math.max(s.pouredAt + 4, Math.min(s.pace.stiff * 1.1, s.pouredAt * 2))),
  );
  const x = scaleLinear([0, last], [0, WIDTH]);
  const height = HEAD + steps.length * ROW;
  return (
    <section aria-label="Working time of each pot">
      <h2>Working time, minutes from emulsion</h2>
      <div className="pace">
        <ul className="pace-names">
          {steps.map((s) => (
            <li key={s.pot.id} style={{ height: ROW }}>
              <b>{s.pot.name}</b>
              <Why of={`the pace of ${s.pot.name}`} lines={() => why.pace(say, s.pace)} />
              <span className="small">
                {(s.verdict === 'sets-too-soon' || s.verdict === 'too-thin') && <LevelMark level="warn" />}
                {VERDICTS[s.verdict]}
                {s.pot.ownLye && ', own clock'}
              </span>
            </li>
          ))}
        </ul>
        <svg
          width={WIDTH}
          height={height}
          role="img"
          aria-label={steps
            .map(
              (s) =>
                `${s.pot.name}: light trace ${print.number(s.pace.light, 0)}, medium ${print.number(s.pace.medium, 0)}, thick ${print.number(s.pace.thick, 0)}, stiff ${print.number(s.pace.stiff, 0)} min; poured at ${print.number(s.pourAt, 0)}`,
            )
            .join('. ')}
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
            const edge = (m: number): number => Math.min(WIDTH, x(Math.min(m, last)));
            return (
              <g key={s.pot.id}>
                {s.window && (
                  <rect
                    className="pace-window"
                    x={x(Math.min(s.window[0], last))}
                    y={y + 2}
                    width={Math.max(2, edge(s.window[1]) - x(Math.min(s.window[0], last)))}
                    height={18}
                  />
                )}
                {marks.map(([name, at]) =>
                  at > last ? null : (
                    <g key={name}>
                      <line className="pace-mark" x1={x(at)} x2={x(at)} y1={y + 2} y2={y + 20} />
                      <line
                        className="pace-spread"
                        x1={x(at * PACE_SPREAD.low)}
                        x2={edge(at * PACE_SPREAD.high)}
                        y1={y + 25}
                        y2={y + 25}
                      />
                      <text
                        className="pace-name"
                        x={Math.min(x(at), WIDTH - 22)}
                        y={y + 36}
                        textAnchor="middle"
                      >
                        {name}
                      </text>
                    </g>
                  ),
                )}
                <rect
                  className="pace-pour"
                  x={x(Math.min(s.pourAt, last))}
                  y={y + 5}
                  width={Math.max(5, x(Math.min(s.pouredAt, last)) - x(Math.min(s.pourAt, last)))}
                  height={12}
                />
                <circle className="pace-ready" cx={x(Math.min(s.readyAt, last))} cy={y + 11} r={4} />
              </g>
            );
          })}
        </svg>
      </div>
      <p className="soft small">
        ○ coloured and ready · ■ poured · grey band: when the technique wants it · thin line: how far the
        trace may come sooner or later. Starting values; your own times will better them.
      </p>
    </section>
  );
}
