import { Button, Drawer, Segmented, Select } from 'antd';
import dayjs from 'dayjs';
import { useEffect, useMemo, useState } from 'react';
import { useStore } from 'react-redux';
import { colourWords, screenColourFromLabD65 } from '@kleur/core/colour';
import {
  type BarOfPicture,
  type Face,
  facesOf,
  type Light,
  LIGHTS,
  type PictureByCard,
  REFUSAL_TEXT,
} from '@kleur/core/evidence';
import { type Plan } from '@kleur/core/plan';
import { latestOnly } from '../../../data/latest.ts';
import { type AppStore } from '../../../data/store.ts';
import { usePrinter, useSettings } from '../../../shared/hooks/useSettings.ts';
import { FileButton } from '../../../shared/ui/FileButton.tsx';
import { CameraOutlined, PictureOutlined } from '../../../shared/ui/icons.tsx';
import { photoWorker } from '../../../workers/client.ts';
import { type CardSpots, type OpenedPicture, type Spot } from '../../../workers/photo.protocol.ts';
import { CardColoursFields } from './CardColoursFields.tsx';
import { FaceAndDay } from './FaceAndDay.tsx';
import { GridField } from './GridField.tsx';
import { keepPhoto } from './keepPhoto.ts';
import { type PhotoTarget, PhotoSpots } from './PhotoSpots.tsx';
import styles from './result.module.css';
import { type NewReading, useKeepReadings } from './useKeepReadings.ts';
import { lightName } from './words.ts';

const PHOTO_FACES: readonly Face[] = ['cut', 'inside', 'top', 'side', 'scrape'];
const ACCEPT = 'image/jpeg,image/png,image/webp';
/** Sides of the squares that are averaged, as parts of the picture’s shorter side. */
const SIZES = [
  { value: 0.03, label: 'Small' },
  { value: 0.06, label: 'Middle' },
  { value: 0.12, label: 'Large' },
];
const START_SIZE = 0.06;
const UNKNOWN_LIGHT = 'unknown';

type Answer = PictureByCard | { readonly failure: string };

/** Bars read in a photo by the card beside them. */
export function PhotoReading(props: {
  readonly batchId: string;
  readonly plan: Plan;
  readonly face: Face;
  /** Keeps the photo without a reading. */
  readonly onPhotoAlone: (file: string) => void;
  readonly onClose: () => void;
}) {
  const { batchId, plan, onPhotoAlone, onClose } = props;
  const { card } = useSettings();
  const store = useStore() as unknown as AppStore;
  const pots = plan.pots.filter((p) => facesOf(plan, p.id).length > 0 && !p.id.includes('/'));
  const [face, setFace] = useState<Face>(props.face);
  const [on, setOn] = useState(() => dayjs().format('YYYY-MM-DD'));
  const [light, setLight] = useState<Light | null>(null);
  const [size, setSize] = useState(START_SIZE);
  const [picture, setPicture] = useState<OpenedPicture | null>(null);
  const [opening, setOpening] = useState(false);
  const [spots, setSpots] = useState<ReadonlyMap<string, Spot>>(new Map());
  const [active, setActive] = useState('white');
  const [answer, setAnswer] = useState<{ readonly of: readonly string[]; readonly is: Answer } | null>(null);
  const { keep, problem, setProblem, busy } = useKeepReadings(batchId);
  const [sending, setSending] = useState(false);

  const targets = useMemo(
    (): PhotoTarget[] => [
      { id: 'white', name: 'White of the card', mark: 'W' },
      ...(card.grey ? [{ id: 'grey', name: 'Grey of the card', mark: 'G' }] : []),
      ...(card.black ? [{ id: 'black', name: 'Black of the card', mark: 'B' }] : []),
      { id: 'again', name: 'White again, at the other end', mark: 'W2' },
      ...pots.map((p, i) => ({ id: p.id, name: p.name, mark: String(i + 1) })),
    ],
    [card.grey, card.black, pots],
  );

  const open = async (file: File): Promise<void> => {
    setOpening(true);
    setProblem('');
    const opened = await photoWorker().open(file);
    setOpening(false);
    setSpots(new Map());
    setAnswer(null);
    setActive('white');
    if ('failure' in opened) {
      setPicture(null);
      setProblem(opened.failure);
    } else setPicture(opened);
  };

  const [questions] = useState(() =>
    latestOnly<{ readonly spots: CardSpots; readonly of: readonly string[] }, Answer>({
      put: ({ spots: asked }) => photoWorker().read(asked),
      onAnswer: (is, { of }) => {
        setAnswer({ of, is });
      },
    }),
  );
  const white = spots.get('white');
  const barIds = pots.flatMap((p) => (spots.has(p.id) ? [p.id] : []));
  const key = JSON.stringify([[...spots], light, size, card]);
  useEffect(() => {
    if (!white) return;
    questions.ask({
      of: barIds,
      spots: {
        white,
        whiteAgain: spots.get('again') ?? null,
        grey: spots.get('grey') ?? null,
        black: spots.get('black') ?? null,
        bars: barIds.map((id) => spots.get(id)!),
        light,
        size,
        card,
      },
    });
    // Everything that matters is in the key.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, questions]);

  const place = (id: string, spot: Spot, tapped: boolean): void => {
    setSpots((before) => new Map([...before, [id, spot]]));
    if (!tapped) return;
    // On to what comes next, once each.
    const at = targets.findIndex((t) => t.id === id);
    const next = targets.slice(at + 1).find((t) => !spots.has(t.id) && t.id !== 'again');
    if (next) setActive(next.id);
  };

  const is = answer?.is ?? null;
  const barOf = (id: string): BarOfPicture | null =>
    is && 'ok' in is && is.ok ? (is.bars[answer!.of.indexOf(id)] ?? null) : null;
  const readable = pots.flatMap((p) => {
    const bar = barOf(p.id);
    const faces = facesOf(plan, p.id);
    return bar?.ok && faces.includes(face) ? [{ pot: p, bar }] : [];
  });

  const file = async (): Promise<string | null> => {
    if (!picture) return null;
    setSending(true);
    try {
      return await keepPhoto(store, batchId, picture.kept);
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

  const refusal =
    is && 'ok' in is && !is.ok ? REFUSAL_TEXT[is.refusal] : is && 'failure' in is ? is.failure : '';
  return (
    <Drawer
      open
      size={980}
      title="From a photo with a card"
      mask={false}
      onClose={onClose}
      footer={
        picture && (
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
      <div className={styles.photoDesk}>
        <div>
          {picture ? (
            <PhotoSpots
              picture={picture}
              targets={targets}
              spots={spots}
              active={active}
              size={size}
              onPlace={place}
              onActive={setActive}
            />
          ) : (
            <p className={styles.noPhoto}>
              The card lies in the plane of the bars, in the same light: daylight from a window, no flash, no
              shadow, nothing overexposed. JPEG, PNG or WebP.
            </p>
          )}
          <div className={styles.row}>
            <FileButton
              label="Choose a photo"
              icon={<PictureOutlined />}
              text={picture ? 'Another photo' : 'Choose a photo'}
              accept={ACCEPT}
              onFile={(f) => void open(f)}
            />
            <FileButton
              label="Take a photo"
              icon={<CameraOutlined />}
              text="Camera"
              accept={ACCEPT}
              capture="environment"
              onFile={(f) => void open(f)}
            />
            {opening && <span role="status">Reading the photo…</span>}
          </div>
          {problem !== '' && (
            <p className="field-problem" role="alert">
              {problem}
            </p>
          )}
        </div>
        {picture && (
          <div className={styles.form}>
            <p>Tap in the photo, one after another:</p>
            <ul className={styles.targets} aria-label="What is tapped">
              {targets.map((t) => (
                <TargetRow
                  key={t.id}
                  target={t}
                  isActive={t.id === active}
                  isPlaced={spots.has(t.id)}
                  bar={barOf(t.id)}
                  hasFace={!pots.some((p) => p.id === t.id) || facesOf(plan, t.id).includes(face)}
                  onActive={() => {
                    setActive(t.id);
                  }}
                  onPlace={() => {
                    setActive(t.id);
                    place(t.id, { x: 0.5, y: 0.5 }, false);
                  }}
                />
              ))}
            </ul>
            <GridField
              ids={pots.map((p) => p.id)}
              names={new Map(pots.map((p) => [p.id, p.name]))}
              spots={spots}
              onPlace={(placed) => {
                setSpots((before) => new Map([...before, ...placed]));
              }}
            />
            {refusal !== '' && (
              <p className="field-problem" role="alert">
                {refusal}
              </p>
            )}
            <div className={styles.pairOfFields}>
              <FaceAndDay
                faces={PHOTO_FACES}
                face={face}
                onFace={setFace}
                dayLabel="Taken on"
                day={on}
                onDay={setOn}
              />
              <span className={styles.field}>
                <span>Light</span>
                <Select<Light | typeof UNKNOWN_LIGHT>
                  aria-label="Light"
                  value={light ?? UNKNOWN_LIGHT}
                  onChange={(v) => {
                    setLight(v === UNKNOWN_LIGHT ? null : v);
                  }}
                  options={[
                    { value: UNKNOWN_LIGHT, label: 'Not certain' },
                    ...LIGHTS.map((l) => ({ value: l, label: lightName[l] })),
                  ]}
                />
              </span>
              <span className={styles.field}>
                <span>Size of the squares</span>
                <Segmented aria-label="Size of the squares" value={size} onChange={setSize} options={SIZES} />
              </span>
            </div>
            <CardColoursFields />
          </div>
        )}
      </div>
    </Drawer>
  );
}

function TargetRow(props: {
  readonly target: PhotoTarget;
  readonly isActive: boolean;
  readonly isPlaced: boolean;
  readonly bar: BarOfPicture | null;
  readonly hasFace: boolean;
  readonly onActive: () => void;
  readonly onPlace: () => void;
}) {
  const { target, isActive, isPlaced, bar, hasFace, onActive, onPlace } = props;
  const print = usePrinter();
  const hex = bar?.ok ? screenColourFromLabD65(bar.lab).hex : null;
  return (
    <li>
      <button type="button" className={styles.target} aria-pressed={isActive} onClick={onActive}>
        <span className={styles.mark}>{target.mark}</span> {target.name}
      </button>
      {bar?.ok && hex ? (
        <span className={styles.found}>
          <i
            className={styles.chip}
            style={{ background: hex }}
            role="img"
            aria-label={`${colourWords(bar.lab)}, ${hex}`}
          />
          <span className="figure">
            {bar.lab.map((v) => print.number(v, 0)).join(' ')} ± {print.number(bar.doubt, 0)}
          </span>
        </span>
      ) : isPlaced ? (
        <span className="soft small">{bar ? '' : 'set'}</span>
      ) : (
        <Button size="small" onClick={onPlace} aria-label={`Put a square for ${target.name}`}>
          Put
        </Button>
      )}
      {bar && !bar.ok && <span className="field-problem small">{REFUSAL_TEXT[bar.refusal]}</span>}
      {isPlaced && !hasFace && <span className="field-problem small">This pot has no such face.</span>}
    </li>
  );
}
