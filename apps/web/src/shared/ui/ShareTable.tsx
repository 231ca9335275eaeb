import { DeleteOutlined } from './icons.tsx';
import { Button } from 'antd';
import { type ReactNode } from 'react';
import styles from './ShareTable.module.css';

/** One material of a blend. */
export interface ShareRow {
  readonly id: string;
  readonly name: string;
  /** Told below the name. */
  readonly about?: ReactNode;
  /** The field that says how much. */
  readonly field: ReactNode;
  /** What follows from it. */
  readonly figure: ReactNode;
  /** Name of the button that takes it out. */
  readonly removeLabel: string;
  readonly onRemove: () => void;
}

/** A blend: materials with how much of each, what that makes, and the sum. */
export function ShareTable(props: {
  readonly rows: readonly ShareRow[];
  /** Headings of the name, the field and the figure; without them the table goes without. */
  readonly head?: readonly [name: string, field: ReactNode, figure: ReactNode];
  /** The sum; `off` when the shares do not add up. */
  readonly sum?: { readonly share: ReactNode; readonly figure: ReactNode; readonly off: boolean };
}) {
  const { rows, head, sum } = props;
  return (
    <table className={`grid ${styles.table}`}>
      {head && (
        <thead>
          <tr>
            <th scope="col">{head[0]}</th>
            <th scope="col" className="num">
              {head[1]}
            </th>
            <th scope="col" className="num">
              {head[2]}
            </th>
            <th scope="col">
              <span className="sr-only">Remove</span>
            </th>
          </tr>
        </thead>
      )}
      <tbody>
        {rows.map((row) => (
          <tr key={row.id}>
            <th scope="row">
              {row.name}
              {row.about && <div className="soft small">{row.about}</div>}
            </th>
            <td className="num">{row.field}</td>
            <td className="num figure">{row.figure}</td>
            <td>
              <Button
                type="text"
                icon={<DeleteOutlined />}
                aria-label={row.removeLabel}
                title="Remove"
                onClick={row.onRemove}
              />
            </td>
          </tr>
        ))}
      </tbody>
      {sum && (
        <tfoot>
          <tr>
            <th scope="row">Together</th>
            <td className={sum.off ? 'num figure off' : 'num figure'}>{sum.share}</td>
            <td className="num figure">{sum.figure}</td>
            <td />
          </tr>
        </tfoot>
      )}
    </table>
  );
}
