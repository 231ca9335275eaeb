import { Button, Segmented, Select } from 'antd';
import { lazy, Suspense, useMemo, useState } from 'react';
import { comparePots, type Face, FACES, READ_AT, type ReadAt, seenAt } from '@kleur/core/evidence';
import { newId } from '../../../data/newId.ts';
import { CameraOutlined, PlusOutlined } from '../../../shared/ui/icons.tsx';
import { useBench } from '../BenchContext.ts';
import { GelSeenBar } from './GelSeenBar.tsx';
import { ReadingList } from './ReadingList.tsx';
import styles from './result.module.css';
import { SeenBands } from './SeenBands.tsx';
import { TestCups } from './TestCups.tsx';
import { type Result } from './useResult.ts';
import { ageWords, faceName, momentName } from './words.ts';
import { useSettings } from '../../../shared/hooks/useSettings.ts';

const TypedReading = lazy(() => import('./TypedReading.tsx').then((m) => ({ default: m.TypedReading })));
const ReaderSession = lazy(() => import('./ReaderSession.tsx').then((m) => ({ default: m.ReaderSession })));
const PhotoReading = lazy(() => import('./PhotoReading.tsx').then((m) => ({ default: m.PhotoReading })));

/** How each pot came out beside what was planned and what really went in. */
export function ColoursPart({ result }: { readonly result: Result }) {
  const { batchId, record, readings, poured, made, log, edit } = result;
  const { selectedId, select } = useBench();
  const last = seenAt(readings)[0];
  const [moment, setMoment] = useState<ReadAt | null>(null);
  const [wantedFace, setFace] = useState<Face | null>(null);
  const at = moment ?? last?.at ?? 'cut';
  const face = wantedFace ?? last?.face ?? 'cut';
  const [adding, setAdding] = useState<'typed' | 'photo' | 'reader' | null>(null);

  const pots = useMemo(
    () => comparePots(poured.predicted, made, record.gel, readings, at, face),
    [poured.predicted, made, record.gel, readings, at, face],
  );
  const doubts = useMemo(
    () => new Map(poured.predicted.pots.map((p) => [p.potId, p.doubt])),
    [poured.predicted],
  );
  const potName = (id: string): string => made.plan.pots.find((p) => p.id === id)?.name ?? 'a pot';
  const { simulated } = useSettings();
  const close = (): void => {
    setAdding(null);
  };
  const hours = pots.find((p) => p.readings.length > 0)?.hours;

  return (
    <div className={styles.result}>
      <GelSeenBar
        gel={record.gel}
        onChange={(gel) => {
          edit((r) => ({ ...r, gel }));
        }}
      />
      <div className={styles.bar}>
        <Segmented
          aria-label="Moment"
          value={at}
          onChange={setMoment}
          options={READ_AT.map((m) => ({ value: m, label: momentName[m] }))}
        />
        <Select
          aria-label="Face"
          value={face}
          onChange={setFace}
          options={FACES.map((f) => ({ value: f, label: faceName[f] }))}
          style={{ width: 190 }}
        />
        {hours !== undefined && <span className="soft">read {ageWords(hours)}</span>}
        <span className="spring" />
        <Button
          icon={<CameraOutlined />}
          onClick={() => {
            setAdding('photo');
          }}
        >
          Photo with a card
        </Button>
        {simulated && (
          <Button
            onClick={() => {
              setAdding('reader');
            }}
          >
            Simulated colour reader
          </Button>
        )}
        <Button
          icon={<PlusOutlined />}
          onClick={() => {
            setAdding('typed');
          }}
        >
          Reading
        </Button>
      </div>
      <SeenBands pots={pots} selectedId={selectedId} onSelect={select} />
      {poured.at === null && (
        <p className="soft small">
          No prediction was kept when this batch was poured: “planned” is what its present plan foretells.
        </p>
      )}
      <TestCups log={log} readings={readings} />
      <ReadingList batchId={batchId} readings={readings} potName={potName} />
      <Suspense fallback={null}>
        {adding === 'typed' && (
          <TypedReading batchId={batchId} plan={made.plan} potId={selectedId} face={face} onClose={close} />
        )}
        {adding === 'reader' && (
          <ReaderSession
            batchId={batchId}
            made={made}
            gelSeen={record.gel}
            doubts={doubts}
            face={face}
            onClose={close}
          />
        )}
        {adding === 'photo' && (
          <PhotoReading
            batchId={batchId}
            plan={made.plan}
            face={face}
            onPhotoAlone={(file) => {
              const note = { id: newId(), at: Date.now(), potId: '', bar: 0, text: '', file };
              edit((r) => ({ ...r, notes: [...r.notes, note] }));
            }}
            onClose={close}
          />
        )}
      </Suspense>
    </div>
  );
}
