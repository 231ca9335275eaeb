import { Button, Drawer, Select } from 'antd';
import { useMemo, useState } from 'react';
import { colourWords, type LabD65, screenColourFromLabD65 } from '@kleur/core/colour';
import { ReaderError } from '@kleur/core/device';
import {
  type Face,
  type GelSeen,
  looksLike,
  type MadeBatch,
  type Measured,
  measuredOf,
} from '@kleur/core/evidence';
import { useHead } from '../state/useDerived.ts';
import { FaceAndDay } from './FaceAndDay.tsx';
import { spectrumOf, StandIn, type Turn, turnsOf } from './readerTurns.ts';
import { NOT_LEARNT, READER_NAME, READER_TEXT, SURFACES, type SurfaceChoice } from './readerWords.ts';
import styles from './result.module.css';
import { useKeepReadings } from './useKeepReadings.ts';
import { faceName } from './words.ts';
import { useDays } from '../../../shared/hooks/useDays.ts';

/** What was measured and is not kept yet: it looks like another bar. */
interface Doubted {
  readonly measured: Measured;
  readonly like: Turn;
}

/** Bar after bar with a colour reader. Each is kept as soon as it is measured, so that nothing hangs on the next. */
export function ReaderSession(props: {
  readonly batchId: string;
  readonly made: MadeBatch;
  readonly gelSeen: GelSeen | null;
  readonly doubts: ReadonlyMap<string, number>;
  readonly face: Face;
  readonly onClose: () => void;
}) {
  const days = useDays();
  const { batchId, made, gelSeen, doubts, onClose } = props;
  const { madeOn } = useHead();
  const [face, setFace] = useState<Face>(props.face);
  const [on, setOn] = useState(days.today);
  const turns = useMemo(
    () => turnsOf(made, gelSeen, doubts, face, madeOn, on),
    [made, gelSeen, doubts, face, madeOn, on],
  );
  const [at, setAt] = useState(0);
  const [kept, setKept] = useState<ReadonlyMap<string, LabD65>>(new Map());
  const [last, setLast] = useState<string | null>(null);
  const [doubted, setDoubted] = useState<Doubted | null>(null);
  const turn = turns[Math.min(at, turns.length - 1)];
  const [surface, setSurface] = useState<SurfaceChoice>('tile');
  const [reader] = useState(() => new StandIn());
  const [calibrated, setCalibrated] = useState(false);
  const [plugged, setPlugged] = useState(true);
  const { keep, problem, setProblem, busy } = useKeepReadings(batchId);

  const attempt = async <T,>(work: () => Promise<T>): Promise<T | null> => {
    setProblem('');
    try {
      return await work();
    } catch (error) {
      setProblem(error instanceof ReaderError ? READER_TEXT[error.problem] : 'The reader does not answer.');
      return null;
    }
  };
  const calibrate = async (): Promise<void> => {
    reader.lieOn('tile');
    const done = await attempt(async () => {
      await reader.device.calibrate();
      return true;
    });
    if (!done) return;
    setCalibrated(true);
    setSurface('asked');
  };
  const store = async ({ lab, spectrum, doubt }: Measured, of: Turn): Promise<void> => {
    const reading = { potId: of.id, face: of.face, on, note: '', file: '', how: 'reader' as const };
    const ids = await keep([{ ...reading, lab, spectrum, doubt, instrument: READER_NAME, simulated: true }]);
    if (!ids) return;
    setLast(ids[0]!);
    setKept(new Map(kept).set(of.id, lab));
    setDoubted(null);
    // On to the next one; behind the last, back to what was skipped.
    const order = turns.map((_, i) => (at + 1 + i) % turns.length);
    const next = order.find((i) => !kept.has(turns[i]!.id) && turns[i]!.id !== of.id);
    if (next !== undefined) setAt(next);
  };
  const measure = async (): Promise<void> => {
    if (!turn) return;
    const under = surface === 'next' ? turns[(at + 1) % turns.length]! : turn;
    reader.lieOn(
      surface === 'tile' || surface === 'rough'
        ? surface
        : surface === 'nothing'
          ? null
          : spectrumOf(made, under),
    );
    const measured = await attempt(async () => measuredOf(await reader.device.measure()));
    if (!measured) return;
    const like = turns.find((t) => t.id === looksLike(measured.lab, turn.id, turns));
    if (like) setDoubted({ measured, like });
    else await store(measured, turn);
  };
  if (!turn)
    return (
      <Drawer open size={520} title="Simulated colour reader" mask={false} onClose={onClose}>
        <p>No pot of this batch can be read.</p>
      </Drawer>
    );
  return (
    <Drawer open size={520} title="Simulated colour reader" mask={false} onClose={onClose}>
      <div className={styles.form}>
        <FaceAndDay
          faces={['cut', 'inside', 'top', 'side', 'scrape']}
          face={face}
          onFace={(next) => {
            setFace(next);
            setKept(new Map());
            setAt(0);
          }}
          dayLabel="Read on"
          day={on}
          onDay={setOn}
        />
        <p role="status">
          {READER_NAME}:{' '}
          {!plugged
            ? 'unplugged. What was measured is kept; plug it in and go on.'
            : calibrated
              ? `calibrated. Lay it on ${turn.name}.`
              : 'lay it on its white tile.'}
        </p>
        <div className={styles.row}>
          <Button type={calibrated ? 'default' : 'primary'} onClick={() => void calibrate()}>
            {calibrated ? 'Calibrate again' : 'Calibrate on the tile'}
          </Button>
          <Button type={calibrated ? 'primary' : 'default'} loading={busy} onClick={() => void measure()}>
            Measure {turn.name}
          </Button>
        </div>
        {problem !== '' && (
          <p className="field-problem" role="alert">
            {problem}
          </p>
        )}
        {last !== null && <p className="soft">{NOT_LEARNT}</p>}
        {doubted && (
          <div role="alert" className={styles.doubted}>
            <p>
              <Chip lab={doubted.measured.lab} /> This looks like <b>{doubted.like.name}</b> rather than{' '}
              <b>{turn.name}</b>. Which is it?
            </p>
            <div className={styles.row}>
              <Button onClick={() => void store(doubted.measured, doubted.like)}>
                It is {doubted.like.name}
              </Button>
              <Button onClick={() => void store(doubted.measured, turn)}>It is {turn.name}</Button>
              <Button
                onClick={() => {
                  setDoubted(null);
                }}
              >
                Measure again
              </Button>
            </div>
          </div>
        )}
        <ol className={styles.turns}>
          {turns.map((t, i) => (
            <li key={t.id} aria-current={i === at ? 'step' : undefined}>
              <Chip lab={t.lab} />
              <Chip lab={kept.get(t.id) ?? null} />
              <button
                type="button"
                className={styles.turn}
                onClick={() => {
                  setAt(i);
                  setDoubted(null);
                }}
              >
                {t.name}
                <span className="soft small">
                  {' '}
                  {faceName[t.face].toLowerCase()}
                  {kept.has(t.id) && ' · kept'}
                </span>
              </button>
            </li>
          ))}
        </ol>
        <fieldset className={styles.standIn}>
          <legend>This reader is simulated</legend>
          <span className={styles.field}>
            <span>It lies on</span>
            <Select<SurfaceChoice>
              aria-label="The reader lies on"
              value={surface}
              onChange={setSurface}
              options={[...SURFACES]}
            />
          </span>
          <Button
            onClick={() => {
              reader.plug(!plugged);
              setPlugged(!plugged);
            }}
          >
            {plugged ? 'Unplug it' : 'Plug it in'}
          </Button>
        </fieldset>
      </div>
    </Drawer>
  );
}

function Chip({ lab }: { readonly lab: LabD65 | null }) {
  if (!lab) return <i className={`${styles.chip} ${styles.unseen}`} />;
  const { hex } = screenColourFromLabD65(lab);
  return (
    <i
      className={styles.chip}
      style={{ background: hex }}
      role="img"
      aria-label={`${colourWords(lab)}, ${hex}`}
    />
  );
}
