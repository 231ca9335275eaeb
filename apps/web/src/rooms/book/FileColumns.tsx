import { Select } from 'antd';
import { BAR_ROLES, type BarRole, type BarTableReading } from '@kleur/core/formats';
import { PlainTable } from '../../shared/ui/PlainTable.tsx';
import { type OpenedTable } from '../../workers/files.protocol.ts';

const ROLE_NAME: Readonly<Record<BarRole, string>> = {
  ignore: 'not used',
  name: 'name of the bar',
  dose: 'dose of this colourant',
  material: 'colourant of the row',
  amount: 'its dose',
  doses: 'doses as name=dose',
  hours: 'age in hours',
  days: 'age in days',
  weeks: 'age in weeks',
  gel: 'gelled',
  vanillin: 'vanillin, g/kg oils',
  lot: 'lot',
  instrument: 'instrument',
  on: 'day of the reading',
  L: 'L*',
  a: 'a*',
  b: 'b*',
  hex: 'hex',
  band: 'reflectance',
};

/** What each column of the file is. Spectra take one line together. */
export function FileColumns(props: {
  readonly table: OpenedTable;
  readonly reading: BarTableReading;
  readonly setRole: (column: number, role: BarRole) => void;
}) {
  const { table, reading, setRole } = props;
  const bands = table.columns.filter((_, i) => reading.roles[i] === 'band');
  return (
    <section>
      <h2>Columns</h2>
      {bands.length > 0 && (
        <p className="soft">
          {bands.length} columns are spectra, {bands[0]!.name} to {bands.at(-1)!.name}.
        </p>
      )}
      <PlainTable
        label="Columns of the file"
        heads={[{ text: 'Heading' }, { text: 'Such as' }, { text: 'Is' }]}
      >
        {table.columns.map(({ name, cells }, i) =>
          reading.roles[i] === 'band' ? null : (
            <tr key={`${name} ${i}`}>
              <td>{name}</td>
              <td className="soft">{cells.join(' · ').slice(0, 60)}</td>
              <td>
                <Select<BarRole>
                  aria-label={`What ${name} is`}
                  style={{ minWidth: 200 }}
                  value={reading.roles[i]}
                  onChange={(role) => {
                    setRole(i, role);
                  }}
                  options={BAR_ROLES.filter((r) => r !== 'band').map((value) => ({
                    value,
                    label: ROLE_NAME[value],
                  }))}
                />
              </td>
            </tr>
          ),
        )}
      </PlainTable>
    </section>
  );
}
