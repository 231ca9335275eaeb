import { type PointerEvent, useRef } from 'react';
import { useStable } from './useStable.ts';

/** A finger may wander this far, px, before it is told whether it means the page or the value. */
const WANDER = 8;
/** A finger that comes down this near to the thumb, px, holds it. */
const HOLD = 26;

const within = (v: number): number => Math.min(1, Math.max(0, v));

interface Hold {
  readonly pointer: number;
  readonly x: number;
  readonly y: number;
  /** Where the thumb was, 0–1. */
  readonly from: number;
  readonly onThumb: boolean;
  /** Where the finger was when it began to move the value; null while it has not. */
  began: number | null;
}

/**
 * Pointers on a sideways control, whose thumb stands at `at` (0–1 of the element's width). A mouse takes the thumb to
 * where it is pressed. A finger moves it only by a drag that is more sideways than the page's own pan, from where
 * the thumb stands: a touch or a swipe over the control changes nothing, and a drag that the system takes away puts
 * back what was there. The element needs `touch-action: pan-y`.
 */
export function useSideways(props: {
  readonly at: number;
  readonly onMove: (at: number) => void;
  /** A pointer takes hold of the thumb. */
  readonly onHold: () => void;
  /** A finger that has moved the thumb lets go. */
  readonly onTouched: () => void;
  /** The system takes the pointer away: what `onHold` saw has to come back. */
  readonly onCancel: () => void;
}): {
  readonly onPointerDown: (e: PointerEvent<HTMLElement>) => void;
  readonly onPointerMove: (e: PointerEvent<HTMLElement>) => void;
  readonly onPointerUp: (e: PointerEvent<HTMLElement>) => void;
  readonly onPointerCancel: (e: PointerEvent<HTMLElement>) => void;
} {
  const hold = useRef<Hold | null>(null);
  const place = (e: PointerEvent<HTMLElement>): number => {
    const box = e.currentTarget.getBoundingClientRect();
    return within((e.clientX - box.left) / box.width);
  };
  const onPointerDown = useStable((e: PointerEvent<HTMLElement>): void => {
    if (e.button !== 0 || hold.current) return;
    const box = e.currentTarget.getBoundingClientRect();
    const isMouse = e.pointerType === 'mouse';
    hold.current = {
      pointer: e.pointerId,
      x: e.clientX,
      y: e.clientY,
      from: props.at,
      onThumb: Math.abs(e.clientX - box.left - props.at * box.width) <= HOLD,
      began: isMouse ? e.clientX : null,
    };
    if (!isMouse) return;
    // Otherwise the browser would select text, and take the focus from the control.
    e.preventDefault();
    props.onHold();
    e.currentTarget.setPointerCapture(e.pointerId);
    props.onMove(place(e));
  });
  const onPointerMove = useStable((e: PointerEvent<HTMLElement>): void => {
    const h = hold.current;
    if (h?.pointer !== e.pointerId) return;
    if (e.pointerType === 'mouse') {
      props.onMove(place(e));
      return;
    }
    const dx = Math.abs(e.clientX - h.x);
    if (h.began === null) {
      if (dx < (h.onThumb ? WANDER / 2 : WANDER) || dx <= Math.abs(e.clientY - h.y)) return;
      h.began = e.clientX;
      props.onHold();
      e.currentTarget.setPointerCapture(e.pointerId);
    }
    props.onMove(within(h.from + (e.clientX - h.began) / e.currentTarget.getBoundingClientRect().width));
  });
  const onPointerUp = useStable((e: PointerEvent<HTMLElement>): void => {
    const h = hold.current;
    if (h?.pointer !== e.pointerId) return;
    hold.current = null;
    if (e.pointerType !== 'mouse' && h.began !== null) props.onTouched();
  });
  const onPointerCancel = useStable((e: PointerEvent<HTMLElement>): void => {
    const h = hold.current;
    if (h?.pointer !== e.pointerId) return;
    hold.current = null;
    if (h.began !== null) props.onCancel();
  });
  return { onPointerDown, onPointerMove, onPointerUp, onPointerCancel };
}
