import { sankey, sankeyLinkHorizontal } from 'd3-sankey';
import { memo, useMemo } from 'react';
import { type Flow, flowOf } from '@kleur/core/balance';
import { type Plan } from '@kleur/core/plan';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { useBench, useCuredHex } from '../../BenchContext.ts';
import { BARE } from '../../state/liveColours.ts';
import { usePlan } from '../../state/useDerived.ts';

interface Node {
  readonly id: string;
  readonly name: string;
  readonly potId: string | null;
  readonly kind: 'base' | 'pot' | 'end';
}
interface Link {
  readonly source: string;
  readonly target: string;
  readonly value: number;
}

const WIDTH = 400;
const ROW = 46;
const LEAST = 0.05;

/** Masses as a graph: from the lyes into pots, from pots into pots, and to where they end. */
function graphOf(plan: Plan, flow: Flow): { nodes: Node[]; links: Link[] } {
  const links: Link[] = [];
  const add = (source: string, target: string, value: number): void => {
    if (value > LEAST) links.push({ source, target, value });
  };
  for (const p of flow.pots) {
    if (flow.cyclic.has(p.pot.id)) continue;
    for (const d of p.draws) {
      if (d.draw.from !== null && flow.cyclic.has(d.draw.from)) continue;
      add(d.draw.from ?? `lye:${p.group ?? ''}`, p.pot.id, d.mass);
    }
    add(p.pot.id, 'mould', p.toMould);
    add(p.pot.id, 'top', p.toTop);
    if (p.pot.place === 'spare') add(p.pot.id, 'spare', p.left);
  }
  add('lye:', 'leftover', flow.leftoverMass);
  const used = new Set(links.flatMap((l) => [l.source, l.target]));
  const all: Node[] = [
    ...flow.lyes.map((l): Node => ({
      id: `lye:${l.potId ?? ''}`,
      name: l.potId === null ? 'Batter' : 'Own lye',
      potId: null,
      kind: 'base',
    })),
    ...plan.pots.map((p): Node => ({ id: p.id, name: p.name, potId: p.id, kind: 'pot' })),
    { id: 'mould', name: 'Mould', potId: null, kind: 'end' },
    { id: 'top', name: 'Top', potId: null, kind: 'end' },
    { id: 'spare', name: 'Spare mould', potId: null, kind: 'end' },
    { id: 'leftover', name: 'No pot', potId: null, kind: 'end' },
  ];
  return { nodes: all.filter((n) => used.has(n.id)), links };
}

/** Where the batter goes, as wide as it is heavy, in cured colours. Pots can be chosen here too. */
export const FlowPicture = memo(function FlowPicture() {
  const plan = usePlan();
  const { select, selectedId } = useBench();
  const colours = useCuredHex();
  const print = usePrinter();
  const laid = useMemo(() => {
    const graph = graphOf(plan, flowOf(plan));
    if (graph.links.length === 0) return null;
    const height = Math.max(90, plan.pots.length * ROW);
    const layout = sankey<Node, Link>()
      .nodeId((n) => n.id)
      .nodeWidth(9)
      .nodePadding(18)
      .nodeSort(null)
      .extent([
        [4, 14],
        [WIDTH - 4, height - 6],
      ]);
    return {
      height,
      ...layout({ nodes: graph.nodes.map((n) => ({ ...n })), links: graph.links.map((l) => ({ ...l })) }),
    };
  }, [plan]);
  if (!laid || plan.pots.length < 2) return null;
  const path = sankeyLinkHorizontal<Node, Link>();
  const colourOf = (potId: string | null): string | undefined => colours.get(potId ?? BARE);
  return (
    <section aria-label="Where the batter goes" className="flow">
      <h3>Where the batter goes</h3>
      <svg viewBox={`0 0 ${WIDTH} ${laid.height}`} role="group" aria-label="Flow of batter between pots">
        {laid.links.map((l, i) => {
          const source = l.source as Node;
          const target = l.target as Node;
          return (
            <path
              key={i}
              d={path(l) ?? undefined}
              className="flow-link"
              style={{
                strokeWidth: Math.max(1.5, l.width ?? 1),
                stroke: colourOf(source.kind === 'pot' ? source.potId : target.kind === 'pot' ? null : null),
              }}
            >
              <title>
                {source.name} → {target.name}: {print.mass(l.value)}
              </title>
            </path>
          );
        })}
        {laid.nodes.map((n) => {
          const [x0, y0, y1] = [n.x0 ?? 0, n.y0 ?? 0, n.y1 ?? 0];
          const left = x0 < WIDTH * 0.75;
          const name = n.name.length > 18 ? `${n.name.slice(0, 17)}…` : n.name;
          return (
            <g
              key={n.id}
              className={n.potId === selectedId && n.potId !== null ? 'flow-node is-selected' : 'flow-node'}
              onClick={() => {
                if (n.potId !== null) select(n.potId);
              }}
            >
              <rect
                x={x0}
                y={y0}
                width={9}
                height={Math.max(2, y1 - y0)}
                style={{ fill: n.kind === 'end' ? undefined : colourOf(n.potId) }}
              >
                <title>
                  {n.name}: {print.mass(n.value ?? 0)}
                </title>
              </rect>
              <text x={left ? x0 : x0 + 9} y={y0 - 4} textAnchor={left ? 'start' : 'end'}>
                {name}
              </text>
            </g>
          );
        })}
      </svg>
    </section>
  );
});
