import { type KeyboardEvent, type PointerEvent, useEffect, useRef } from 'react';
import { colourWords, type LabD65, screenColourFromLabD65 } from '@kleur/core/colour';
import { useTouchNotice } from '../../../shared/hooks/useUndoNotice.tsx';
import { colourAt, EXTENT, placeOf } from './fieldScale.ts';

/** What an arrow or a bracket moves, in a*, b* and L*. */
const STEP = 2;
const MOVES: Readonly<Record<string, readonly [L: number, a: number, b: number]>> = {
  ArrowLeft: [0, -STEP, 0],
  ArrowRight: [0, STEP, 0],
  ArrowUp: [0, 0, STEP],
  ArrowDown: [0, 0, -STEP],
  '[': [-STEP, 0, 0],
  ']': [STEP, 0, 0],
};

const within = (v: number, most: number): number => Math.min(most, Math.max(-most, v));

/** A colour of the palette on the field, as large as its share. A finger moves it once it is selected. */
export function FieldDrop(props: {
  readonly name: string;
  readonly lab: LabD65;
  /** The nearest that the shelf can make, where that is another. */
  readonly reached: LabD65 | null;
  readonly radius: number;
  readonly selected: boolean;
  readonly onSelect: () => void;
  readonly onMove: (lab: LabD65) => void;
}) {
  const { name, lab, reached, radius, selected, onSelect, onMove } = props;
  const touchNotice = useTouchNotice();
  const held = useRef<{ readonly pointer: number; readonly before: LabD65 } | null>(null);
  const circle = useRef<SVGCircleElement>(null);
  // Browsers honour `touch-action` on the whole picture only, which would then no longer scroll the page.
  useEffect(() => {
    const drop = circle.current;
    if (!drop || !selected) return;
    const keepFromScrolling = (e: TouchEvent): void => {
      e.preventDefault();
    };
    drop.addEventListener('touchstart', keepFromScrolling, { passive: false });
    return () => {
      drop.removeEventListener('touchstart', keepFromScrolling);
    };
  }, [selected]);
  const [x, y] = placeOf(within(lab[1], EXTENT), within(lab[2], EXTENT));
  const moveTo = (e: PointerEvent<SVGElement>): void => {
    const svg = e.currentTarget.closest('svg')!;
    const box = svg.getBoundingClientRect();
    const scale = svg.viewBox.baseVal.width / box.width;
    const [a, b] = colourAt((e.clientX - box.left) * scale, (e.clientY - box.top) * scale);
    onMove([lab[0], within(a, EXTENT), within(b, EXTENT)]);
  };
  const onKeyDown = (e: KeyboardEvent): void => {
    const move = MOVES[e.key];
    if (!move) return;
    e.preventDefault();
    // The brackets would move the time of the whole batch.
    e.nativeEvent.stopImmediatePropagation();
    e.stopPropagation();
    onMove([
      Math.min(98, Math.max(5, lab[0] + move[0])),
      within(lab[1] + move[1], EXTENT),
      within(lab[2] + move[2], EXTENT),
    ]);
  };
  return (
    <g>
      {reached && <Thread from={lab} to={reached} />}
      <circle
        ref={circle}
        cx={x}
        cy={y}
        r={radius}
        role="button"
        tabIndex={0}
        aria-pressed={selected}
        aria-label={`${name}: ${colourWords(lab)}`}
        className={selected ? 'drop is-selected' : 'drop'}
        fill={screenColourFromLabD65(lab).hex}
        onFocus={onSelect}
        onKeyDown={onKeyDown}
        onPointerDown={(e) => {
          onSelect();
          // The first touch selects; only what is selected is moved by a finger.
          if (e.button !== 0 || (e.pointerType !== 'mouse' && !selected)) return;
          held.current = { pointer: e.pointerId, before: lab };
          e.currentTarget.setPointerCapture(e.pointerId);
        }}
        onPointerMove={(e) => {
          if (held.current?.pointer === e.pointerId) moveTo(e);
        }}
        onPointerUp={(e) => {
          const before = held.current?.before;
          if (before && e.pointerType !== 'mouse' && before !== lab)
            touchNotice(name, colourWords(before), colourWords(lab), () => {
              onMove(before);
            });
          held.current = null;
        }}
        onPointerCancel={() => {
          if (held.current) onMove(held.current.before);
          held.current = null;
        }}
      >
        <title>{name}</title>
      </circle>
    </g>
  );
}

function Thread({ from, to }: { readonly from: LabD65; readonly to: LabD65 }) {
  const [x1, y1] = placeOf(within(from[1], EXTENT), within(from[2], EXTENT));
  const [x2, y2] = placeOf(to[1], to[2]);
  return (
    <g className="reach-target" aria-hidden>
      <line x1={x1} y1={y1} x2={x2} y2={y2} />
      <circle cx={x2} cy={y2} r={4} />
    </g>
  );
}
