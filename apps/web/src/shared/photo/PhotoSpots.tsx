import { type KeyboardEvent, type MouseEvent, useEffect, useRef } from 'react';
import { type OpenedPicture, type Spot } from '../../workers/photo.protocol.ts';
import styles from './photo.module.css';

/** Something that is tapped in the photo: a patch of the card, or a bar. */
export interface PhotoTarget {
  readonly id: string;
  readonly name: string;
  /** What stands in its square. */
  readonly mark: string;
}

/** A key moves a square by this part of the picture; with Shift by five times as much. */
const STEP = 0.004;
const MOVES: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

const within = (v: number): number => Math.min(1, Math.max(0, v));

/** The photo with the squares that are read. A tap sets the square in hand; squares are moved by arrow keys too. */
export function PhotoSpots(props: {
  readonly picture: OpenedPicture;
  readonly targets: readonly PhotoTarget[];
  readonly spots: ReadonlyMap<string, Spot>;
  /** Id of the target that a tap sets. */
  readonly active: string;
  /** Side of a square as a part of the shorter side. */
  readonly size: number;
  readonly onPlace: (id: string, spot: Spot, tapped: boolean) => void;
  readonly onActive: (id: string) => void;
}) {
  const { picture, targets, spots, active, size, onPlace, onActive } = props;
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const element = canvas.current;
    if (!element) return;
    element.width = picture.shown.width;
    element.height = picture.shown.height;
    element.getContext('2d')?.drawImage(picture.shown, 0, 0);
  }, [picture]);
  const tap = (event: MouseEvent<HTMLElement>): void => {
    const box = event.currentTarget.getBoundingClientRect();
    onPlace(
      active,
      {
        x: within((event.clientX - box.left) / box.width),
        y: within((event.clientY - box.top) / box.height),
      },
      true,
    );
  };
  const move = (id: string, spot: Spot) => (event: KeyboardEvent) => {
    const by = MOVES[event.key];
    if (!by) return;
    event.preventDefault();
    const step = STEP * (event.shiftKey ? 5 : 1);
    onPlace(id, { x: within(spot.x + by[0] * step), y: within(spot.y + by[1] * step) }, false);
  };
  const shorter = Math.min(picture.width, picture.height);
  return (
    <div className={styles.photo}>
      <canvas
        ref={canvas}
        onClick={tap}
        role="img"
        aria-label="The photo: tap the patch or the bar in hand"
      />
      {targets.map((t) => {
        const spot = spots.get(t.id);
        if (!spot) return null;
        return (
          <button
            key={t.id}
            type="button"
            className={t.id === active ? `${styles.spot} ${styles.spotActive}` : styles.spot}
            style={{
              left: `${spot.x * 100}%`,
              top: `${spot.y * 100}%`,
              width: `${((size * shorter) / picture.width) * 100}%`,
              height: `${((size * shorter) / picture.height) * 100}%`,
            }}
            aria-label={`${t.name}: moved by the arrow keys`}
            onFocus={() => {
              onActive(t.id);
            }}
            onClick={() => {
              onActive(t.id);
            }}
            onKeyDown={move(t.id, spot)}
          >
            <span>{t.mark}</span>
          </button>
        );
      })}
    </div>
  );
}
