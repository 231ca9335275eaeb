import { Button } from 'antd';
import { lazy, type ReactNode, Suspense, useState } from 'react';
import { Link } from 'react-router';
import { type BookFit, type MaterialWire } from '@kleur/contract';
import { curveModes } from '@kleur/core/material';
import { screenColourFromLabD65, type LabD65 } from '@kleur/core/colour';
import { READ_HOW } from '@kleur/core/evidence';
import { useDays } from '../../shared/hooks/useDays.ts';
import { usePrinter } from '../../shared/hooks/useSettings.ts';
import { BarEffect } from '../../shared/ui/BarEffect.tsx';
import { PrinterOutlined } from '../../shared/ui/icons.tsx';
import { LevelMark } from '../../shared/ui/Levels.tsx';
import { FigureCell, PlainTable } from '../../shared/ui/PlainTable.tsx';
import styles from './book.module.css';
import { type Bar, type BookMaterial, evidenceOf, lotsOf, percent } from './bookOf.ts';
import { CurveChart, type DoubtedCurve } from './CurveChart.tsx';
import { LadderStrip } from './LadderStrip.tsx';
import { OpenBar } from './OpenBar.tsx';
import { NOTCHES } from './notches.ts';
import { PrintedChart } from './PrintedChart.tsx';
import { Learnings } from './Learnings.tsx';
import { useTakeOver } from './useTakeOver.ts';

const AddBar = lazy(() => import('./AddBar.tsx').then((m) => ({ default: m.AddBar })));

/** One colourant: its bars, its curve before and after a fit, and each bar beside what is foretold of it. */
export function BookPage(
  props: BookMaterial & {
    readonly fitted: BookFit | null;
    readonly learn: ReactNode;
    readonly names: readonly MaterialWire[];
  },
) {
  const { material, bars, fitted, learn, names } = props;
  const print = usePrinter();
  const takeOver = useTakeOver();
  const [adding, setAdding] = useState(false);
  const [kept, setKept] = useState<string>();
  const found = fitted?.materials.find((m) => m.id === material.id) ?? null;
  const isTaken = found !== null && String(found.optics.k) === String(material.optics!.k);
  const isFitted = material.curve?.origin.kind === 'fitted';
  const shelfCurve = { optics: material.optics!, modes: curveModes(material.curve) };
  const strip = (label: string, curve: DoubtedCurve) => (
    <>
      <h2>{label}</h2>
      {lotsOf(bars).map(({ lot, bars: own }) => (
        <div key={lot} className={styles.lot}>
          {lot !== '' && <h3>{lot}</h3>}
          <LadderStrip name={material.name} {...curve} window={material.window!} bars={own} />
        </div>
      ))}
    </>
  );
  return (
    <div className={styles.book}>
      <title>{`${material.name} · Swatch book · Kleur`}</title>
      <header className={styles.head}>
        <Link to="/book">Swatch book</Link>
        <h1>{material.name}</h1>
        <span className="spring" />
        <Link className={styles.download} to={`/book/trial?of=${encodeURIComponent(material.id)}`}>
          Plan a test
        </Link>
        <Button
          onClick={() => {
            setAdding(true);
          }}
        >
          A bar by hand
        </Button>
        <Button
          icon={<PrinterOutlined />}
          aria-label="Print the chart"
          title="Print the chart"
          onClick={() => {
            globalThis.print();
          }}
        />
        {learn}
      </header>
      <p>{evidenceOf(material, bars.length)}.</p>
      {kept !== undefined && <BarEffect readingId={kept} />}
      {strip('As the shelf has it', shelfCurve)}
      {bars.length > 0 && <Notches bars={bars} />}
      {found && isTaken && <p className="soft">The bars say nothing that the shelf does not know yet.</p>}
      {found && !isTaken && (
        <>
          {strip(`As ${found.readings === 1 ? 'one bar says' : `${found.readings} bars say`}`, found)}
          <p>
            Its bars would have been missed by ΔE {print.number(found.typicalMiss ?? 0, 1)} in the median,
            each left out; its strength is left unsure by ± {percent(found.spread)}.
          </p>
          <CurveChart before={shelfCurve} after={found} />
          <div className={styles.acts}>
            <Button
              type="primary"
              loading={takeOver.busy}
              onClick={() => void takeOver.accept(fitted!.fitId, [material])}
            >
              Take it over
            </Button>
            <span className="soft">Or leave it: nothing has changed yet.</span>
          </div>
        </>
      )}
      {!found && bars.length > 0 && (
        <p className="soft">Learn from the bars to see what they say of its curve.</p>
      )}
      {isFitted && (
        <Button loading={takeOver.busy} onClick={() => void takeOver.forget(material)}>
          Back to the shelf default
        </Button>
      )}
      <Learnings material={material} takeOver={takeOver} />
      <PrintedChart material={material} bars={bars} />
      <h2>Bars</h2>
      {bars.length === 0 ? (
        <p className="soft">No bar of it was read yet. Read one under Result of its batch.</p>
      ) : (
        <BarTable materialId={material.id} bars={bars} fitted={fitted} names={names} />
      )}
      <Suspense>
        {adding && (
          <AddBar
            shelf={names}
            of={material.id}
            onClose={(id) => {
              setAdding(false);
              setKept(id ?? kept);
            }}
          />
        )}
      </Suspense>
    </div>
  );
}

/** What the notches of the squares say, of those that are there. */
function Notches({ bars }: { readonly bars: readonly Bar[] }) {
  return (
    <p className={`soft small ${styles.notches}`}>
      {READ_HOW.filter((how) => bars.some((b) => b.how === how)).map((how) => (
        <span key={how}>
          <i className={`${styles.bar} ${NOTCHES[how].side}`} aria-hidden /> {NOTCHES[how].text}
        </span>
      ))}
      {bars.some((b) => !b.isAlone) && (
        <span>
          <i className={`${styles.bar} ${styles.mixed}`} aria-hidden /> with others
        </span>
      )}
    </p>
  );
}

const hexOf = (lab: LabD65): string => screenColourFromLabD65(lab).hex;

function BarTable(props: {
  readonly materialId: string;
  readonly bars: readonly Bar[];
  readonly fitted: BookFit | null;
  readonly names: readonly MaterialWire[];
}) {
  const { materialId, bars, fitted, names } = props;
  const print = usePrinter();
  const days = useDays();
  const nameOf = (id: string): string => names.find((m) => m.id === id)?.name ?? id;
  return (
    <PlainTable
      label="Bars that hold it"
      heads={[
        { text: 'g/kg', isFigure: true },
        { text: 'Seen' },
        { text: 'Foretold, learnt' },
        { text: 'ΔE now', isFigure: true },
        { text: 'ΔE learnt', isFigure: true },
        { text: 'Bar' },
      ]}
    >
      {bars.map((b) => {
        const miss = fitted?.readings.find((r) => r.id === b.id);
        const others = b.doses.filter((d) => d.materialId !== materialId).map((d) => nameOf(d.materialId));
        const chip = (lab: LabD65 | undefined) =>
          lab ? <i className={styles.chip} style={{ background: hexOf(lab) }} title={hexOf(lab)} /> : '–';
        return (
          <tr key={b.id}>
            <FigureCell>{print.significant(b.dose, 2)}</FigureCell>
            <td>{chip(b.lab)}</td>
            <td>
              {chip(miss?.before)}
              {miss && chip(miss.after)}
            </td>
            <FigureCell>{miss ? print.number(miss.missBefore, 1) : '–'}</FigureCell>
            <FigureCell>{miss ? print.number(miss.missLeftOut, 1) : '–'}</FigureCell>
            <td>
              {b.batchId !== null && (
                <>
                  <Link to={`/batches/${b.batchId}/result`}>{b.batchName}</Link>,{' '}
                </>
              )}
              {b.potName}, {days.text(b.on)}, {b.gel > 0.5 ? 'gelled' : 'not gelled'}
              {b.lot !== undefined && `, lot ${b.lot}`}
              {b.simulated && <b> simulated, not learnt from</b>}
              {others.length > 0 && <span className="soft">, with {others.join(', ')}</span>}
              {b.batchId === null && <OpenBar bar={b} shelf={names} />}
              {miss?.isOdd && (
                <span className={styles.odd}>
                  <LevelMark level="warn" /> It disagrees with the others: another dose or lot, half a gel, or
                  another pot?
                </span>
              )}
            </td>
          </tr>
        );
      })}
    </PlainTable>
  );
}
