import { Select } from 'antd';
import { type MaterialWire } from '@kleur/contract';
import styles from './book.module.css';
import { type NameMap } from './importing.ts';

/** Which colourant of the shelf each name of the file is. Nothing is guessed: what is not told leaves its bars out. */
export function FileNames(props: {
  readonly names: NameMap;
  readonly shelf: readonly MaterialWire[];
  readonly onName: (key: string, id: string) => void;
}) {
  const { names, shelf, onName } = props;
  if (names.size === 0) return null;
  return (
    <section>
      <h2>Colourants</h2>
      <ul className={styles.names}>
        {[...names].map(([key, id]) => (
          <li key={key}>
            <span>{key}</span>
            <Select<string>
              aria-label={`${key} is`}
              showSearch={{ optionFilterProp: 'label' }}
              placeholder="which of the shelf?"
              status={id === null ? 'warning' : undefined}
              value={id}
              onChange={(chosen) => {
                onName(key, chosen);
              }}
              options={shelf.map((m) => ({ value: m.id, label: m.name }))}
            />
          </li>
        ))}
      </ul>
    </section>
  );
}
