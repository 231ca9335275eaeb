import { Switch } from 'antd';
import { type MaterialWire } from '@kleur/contract';
import { type ShelfFace } from '@kleur/core/material';
import { mediumName } from '@kleur/core/work';
import { type Printer } from '@kleur/core/units';
import { usePrinter } from '../../shared/hooks/useSettings.ts';
import { FaceStrip } from './FaceStrip.tsx';

/** The limits of an item in one line, by what it is. */
function limits(m: MaterialWire, print: Printer): string {
  if (m.oil) return m.oil.sapKoh === null ? 'no SAP value' : `SAP ${print.number(m.oil.sapKoh, 0)} mg KOH/g`;
  if (m.scent) return `up to ${print.number(m.scent.limit, 0)} g/kg`;
  if (!m.window) return '–';
  const { faint, typical, ceiling } = m.window;
  return (
    [...(faint === null ? [] : [faint]), typical, ceiling].map((d) => print.number(d, 2)).join(' · ') +
    ' g/kg'
  );
}

function carrier(m: MaterialWire, print: Printer): string {
  const first = m.carriers[0];
  if (!first) return '';
  return first.ratio > 0
    ? `${mediumName[first.medium]} 1:${print.number(first.ratio, 1)}`
    : mediumName[first.medium];
}

export function ShelfRow(props: {
  readonly material: MaterialWire;
  readonly face: ShelfFace | null;
  readonly onOpen: () => void;
  readonly onStock: () => void;
}) {
  const { material: m, face } = props;
  const print = usePrinter();
  return (
    <li className={m.inStock ? 'shelf-row' : 'shelf-row shelf-row-out'}>
      <button type="button" className="shelf-open" onClick={props.onOpen}>
        <FaceStrip face={face} name={m.name} />
        <span className="shelf-name">
          <b>{m.name}</b>
          <span className="soft">{m.behaviour}</span>
        </span>
        <span className="shelf-facts figure">
          <span>{limits(m, print)}</span>
          <span className="soft">{carrier(m, print)}</span>
        </span>
      </button>
      <Switch
        size="small"
        checked={m.inStock}
        onChange={props.onStock}
        aria-label={`${m.name} in stock`}
        title="In stock"
      />
    </li>
  );
}
