import { Button } from 'antd';
import { type MaterialWire } from '@kleur/contract';
import { labD65FromReflectance, screenColourFromLabD65 } from '@kleur/core/colour';
import { HOURS_PER_DAY } from '@kleur/core/pigment';
import { usePrinter } from '../../shared/hooks/useSettings.ts';
import { LevelMark } from '../../shared/ui/Levels.tsx';
import { FigureCell, PlainTable } from '../../shared/ui/PlainTable.tsx';
import styles from './book.module.css';
import { type ImportedBar } from './importing.ts';

/** Bars that are shown; the others are kept all the same. */
const SHOWN = 60;

/** The bars as they would be kept, and which are left out, and why. */
export function BarPreview(props: {
  readonly imported: readonly ImportedBar[];
  readonly shelf: readonly MaterialWire[];
  /** Says that the bar of a line is uncoloured soap. */
  readonly onUncoloured: (line: number) => void;
}) {
  const { imported, shelf, onUncoloured } = props;
  const print = usePrinter();
  const nameOf = (id: string): string => shelf.find((m) => m.id === id)?.name ?? id;
  return (
    <section>
      <h2>As they would be kept</h2>
      <PlainTable
        label="Bars of the file"
        heads={[
          { text: 'Seen' },
          { text: 'Bar' },
          { text: 'Holds, g/kg' },
          { text: 'Days', isFigure: true },
          { text: 'Gel' },
        ]}
      >
        {imported.slice(0, SHOWN).map(({ bar, write, leftOut, asksUncoloured }, i) => {
          const lab = bar.spectrum ? labD65FromReflectance(Float64Array.from(bar.spectrum)) : bar.lab!;
          return (
            <tr key={`${bar.line} ${i}`}>
              <td>
                <i className={styles.chip} style={{ background: screenColourFromLabD65(lab).hex }} />
              </td>
              <td>
                {bar.name}
                {leftOut !== '' && (
                  <span className={styles.odd}>
                    <LevelMark level="warn" /> Left out: {leftOut}{' '}
                    {asksUncoloured && (
                      <Button
                        size="small"
                        aria-label={`${bar.name} is uncoloured soap`}
                        onClick={() => {
                          onUncoloured(bar.line);
                        }}
                      >
                        It is uncoloured
                      </Button>
                    )}
                  </span>
                )}
              </td>
              <td>
                {write
                  ? write.doses
                      .map((d) => `${nameOf(d.materialId)} ${print.significant(d.dose, 2)}`)
                      .join(', ') || 'uncoloured'
                  : bar.doses.map((d) => `${d.key} ${print.significant(d.dose, 2)}`).join(', ')}
              </td>
              <FigureCell>{write ? print.number(write.hours / HOURS_PER_DAY, 0) : '–'}</FigureCell>
              <td>{write ? (write.gel > 0.5 ? 'gelled' : 'not gelled') : '–'}</td>
            </tr>
          );
        })}
      </PlainTable>
      {imported.length > SHOWN && <p className="soft">And {imported.length - SHOWN} more.</p>}
    </section>
  );
}
