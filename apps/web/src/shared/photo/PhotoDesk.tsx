import { Button, Segmented, Select } from 'antd';
import { type ReactNode, useState } from 'react';
import { colourWords, screenColourFromLabD65 } from '@kleur/core/colour';
import { type BarOfPicture, type Light, LIGHTS, REFUSAL_TEXT } from '@kleur/core/evidence';
import { type Spot } from '../../workers/photo.protocol.ts';
import { usePrinter, useSettings } from '../hooks/useSettings.ts';
import { FileButton } from '../ui/FileButton.tsx';
import { CameraOutlined, PictureOutlined } from '../ui/icons.tsx';
import { CardColoursFields } from './CardColoursFields.tsx';
import { GridField } from './GridField.tsx';
import styles from './photo.module.css';
import { type PhotoTarget, PhotoSpots } from './PhotoSpots.tsx';
import { type PhotoInHand } from './usePhoto.ts';

const ACCEPT = 'image/jpeg,image/png,image/webp';
const SIZES = [
  { value: 0.03, label: 'Small' },
  { value: 0.06, label: 'Middle' },
  { value: 0.12, label: 'Large' },
];
const UNKNOWN_LIGHT = 'unknown';
const LIGHT_NAME: Readonly<Record<Light, string>> = {
  daylight: 'Daylight',
  bulb: 'Warm bulb',
  'warm-led': 'Warm LED',
  'white-led': 'White LED',
  tube: 'Fluorescent tube',
};

/** A photo with a card on one side, what is tapped in it on the other. */
export function PhotoDesk(props: {
  readonly photo: PhotoInHand;
  readonly bars: readonly {
    readonly id: string;
    readonly name: string;
    /** Why it cannot be kept as it is; empty for no reason. */
    readonly problem: string;
  }[];
  /** What did not work when the bars were kept; empty for nothing. */
  readonly problem: string;
  /** Another photo was chosen. */
  readonly onOpen: () => void;
  /** Fields beside those of the photo itself. */
  readonly children: ReactNode;
}) {
  const { photo, bars, problem, onOpen, children } = props;
  const { picture, spots, place } = photo;
  const { card } = useSettings();
  const [active, setActive] = useState('white');
  const targets: PhotoTarget[] = [
    { id: 'white', name: 'White of the card', mark: 'W' },
    ...(card.grey ? [{ id: 'grey', name: 'Grey of the card', mark: 'G' }] : []),
    ...(card.black ? [{ id: 'black', name: 'Black of the card', mark: 'B' }] : []),
    { id: 'again', name: 'White again, at the other end', mark: 'W2' },
    ...bars.map(({ id, name }, i) => ({ id, name, mark: String(i + 1) })),
  ];
  const open = (file: File): void => {
    setActive('white');
    onOpen();
    void photo.open(file);
  };
  const put = (id: string, spot: Spot, tapped: boolean): void => {
    place(new Map([[id, spot]]));
    if (!tapped) return;
    // On to what comes next, once each.
    const at = targets.findIndex((t) => t.id === id);
    const next = targets.slice(at + 1).find((t) => !spots.has(t.id) && t.id !== 'again');
    if (next) setActive(next.id);
  };
  const failure = problem || photo.failure;
  return (
    <div className={styles.photoDesk}>
      <div>
        {picture ? (
          <PhotoSpots
            picture={picture}
            targets={targets}
            spots={spots}
            active={active}
            size={photo.size}
            onPlace={put}
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
            onFile={open}
          />
          <FileButton
            label="Take a photo"
            icon={<CameraOutlined />}
            text="Camera"
            accept={ACCEPT}
            capture="environment"
            onFile={open}
          />
          {photo.opening && <span role="status">Reading the photo…</span>}
        </div>
        {failure !== '' && (
          <p className="field-problem" role="alert">
            {failure}
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
                bar={photo.barOf(t.id)}
                problem={bars.find((b) => b.id === t.id)?.problem ?? ''}
                onActive={() => {
                  setActive(t.id);
                }}
                onPlace={() => {
                  setActive(t.id);
                  put(t.id, { x: 0.5, y: 0.5 }, false);
                }}
              />
            ))}
          </ul>
          <GridField
            ids={bars.map((b) => b.id)}
            names={new Map(bars.map((b) => [b.id, b.name]))}
            spots={spots}
            onPlace={place}
          />
          {photo.refusal !== '' && (
            <p className="field-problem" role="alert">
              {photo.refusal}
            </p>
          )}
          <div className={styles.pairOfFields}>
            {children}
            <span className={styles.field}>
              <span>Light</span>
              <Select<Light | typeof UNKNOWN_LIGHT>
                aria-label="Light"
                value={photo.light ?? UNKNOWN_LIGHT}
                onChange={(v) => {
                  photo.setLight(v === UNKNOWN_LIGHT ? null : v);
                }}
                options={[
                  { value: UNKNOWN_LIGHT, label: 'Not certain' },
                  ...LIGHTS.map((l) => ({ value: l, label: LIGHT_NAME[l] })),
                ]}
              />
            </span>
            <span className={styles.field}>
              <span>Size of the squares</span>
              <Segmented
                aria-label="Size of the squares"
                value={photo.size}
                onChange={photo.setSize}
                options={SIZES}
              />
            </span>
          </div>
          <CardColoursFields />
        </div>
      )}
    </div>
  );
}

function TargetRow(props: {
  readonly target: PhotoTarget;
  readonly isActive: boolean;
  readonly isPlaced: boolean;
  readonly bar: BarOfPicture | null;
  readonly problem: string;
  readonly onActive: () => void;
  readonly onPlace: () => void;
}) {
  const { target, isActive, isPlaced, bar, problem, onActive, onPlace } = props;
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
      {isPlaced && problem !== '' && <span className="field-problem small">{problem}</span>}
    </li>
  );
}
