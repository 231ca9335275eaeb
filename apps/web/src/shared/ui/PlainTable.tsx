import { type ReactNode } from 'react';
import styles from './PlainTable.module.css';

/** A small table to read: its head, and whatever rows stand in it. A head without a text is the one of the buttons. */
export function PlainTable(props: {
  readonly label: string;
  readonly heads: readonly { readonly text: string; readonly isFigure?: boolean }[];
  readonly children: ReactNode;
}) {
  return (
    <table className={styles.table} aria-label={props.label}>
      <thead>
        <tr>
          {props.heads.map(({ text, isFigure = false }) =>
            text === '' ? (
              <th key={text} className={styles.acts}>
                <span className="sr-only">Actions</span>
              </th>
            ) : (
              <th key={text} scope="col" className={isFigure ? styles.figure : undefined}>
                {text}
              </th>
            ),
          )}
        </tr>
      </thead>
      <tbody>{props.children}</tbody>
    </table>
  );
}

/** The last cell of a row, with its buttons. */
export const ActsCell = ({ children }: { readonly children: ReactNode }) => (
  <td className={styles.acts}>{children}</td>
);

/** A cell of figures, which line up at the right. */
export const FigureCell = ({ children }: { readonly children: ReactNode }) => (
  <td className={styles.figure}>{children}</td>
);
