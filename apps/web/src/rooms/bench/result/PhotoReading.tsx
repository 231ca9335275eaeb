import { Button, Drawer } from 'antd';
import { useState } from 'react';
import { useStore } from 'react-redux';
import { type Face, facesOf } from '@kleur/core/evidence';
import { type Plan } from '@kleur/core/plan';
import { type AppStore } from '../../../data/store.ts';
import { PhotoDesk } from '../../../shared/photo/PhotoDesk.tsx';
import { usePhoto } from '../../../shared/photo/usePhoto.ts';
import { FaceAndDay } from './FaceAndDay.tsx';
import { keepPhoto } from './keepPhoto.ts';
import styles from './result.module.css';
import { type NewReading, useKeepReadings } from './useKeepReadings.ts';
import { useDays } from '../../../shared/hooks/useDays.ts';

const PHOTO_FACES: readonly Face[] = ['cut', 'inside', 'top', 'side', 'scrape'];

/** Pots of a batch read in a photo by the card beside them. */
export function PhotoReading(props: {
  readonly batchId: string;
  readonly plan: Plan;
  readonly face: Face;
  /** Keeps the photo without a reading. */
  readonly onPhotoAlone: (file: string) => void;
  readonly onClose: () => void;
}) {
  const days = useDays();
  const { batchId, plan, onPhotoAlone, onClose } = props;
  const store = useStore() as unknown as AppStore;
  const pots = plan.pots.filter((p) => facesOf(plan, p.id).length > 0 && !p.id.includes('/'));
  const [face, setFace] = useState<Face>(props.face);
  const [on, setOn] = useState(days.today);
  const photo = usePhoto(pots.map((p) => p.id));
  const { keep, problem, setProblem, busy } = useKeepReadings(batchId);
  const [sending, setSending] = useState(false);
  const hasFace = (potId: string): boolean => facesOf(plan, potId).includes(face);
  const readable = pots.flatMap((pot) => {
    const bar = photo.barOf(pot.id);
    return bar?.ok && hasFace(pot.id) ? [{ pot, bar }] : [];
  });

  const file = async (): Promise<string | null> => {
    if (!photo.picture) return null;
    setSending(true);
    try {
      return await keepPhoto(store, batchId, photo.picture.kept);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'The photo could not be sent to the server.');
      return null;
    } finally {
      setSending(false);
    }
  };
  const save = async (): Promise<void> => {
    const name = await file();
    if (name === null) return;
    const readings = readable.map(({ pot, bar }): NewReading => ({
      potId: pot.id,
      face,
      on,
      lab: bar.lab,
      how: 'photo',
      doubt: bar.doubt,
      file: name,
      note: '',
    }));
    if (await keep(readings)) onClose();
  };
  const saveAlone = async (): Promise<void> => {
    const name = await file();
    if (name === null) return;
    onPhotoAlone(name);
    onClose();
  };

  return (
    <Drawer
      open
      size={980}
      title="From a photo with a card"
      mask={false}
      onClose={onClose}
      footer={
        photo.picture && (
          <div className={styles.row}>
            <Button
              type="primary"
              loading={busy || sending}
              disabled={readable.length === 0}
              onClick={() => void save()}
            >
              {readable.length === 1 ? 'Keep 1 reading' : `Keep ${readable.length} readings`}
            </Button>
            <Button disabled={busy || sending} onClick={() => void saveAlone()}>
              Keep the photo alone
            </Button>
          </div>
        )
      }
    >
      <PhotoDesk
        photo={photo}
        problem={problem}
        onOpen={() => {
          setProblem('');
        }}
        bars={pots.map(({ id, name }) => ({
          id,
          name,
          problem: hasFace(id) ? '' : 'This pot has no such face.',
        }))}
      >
        <FaceAndDay
          faces={PHOTO_FACES}
          face={face}
          onFace={setFace}
          dayLabel="Taken on"
          day={on}
          onDay={setOn}
        />
      </PhotoDesk>
    </Drawer>
  );
}
