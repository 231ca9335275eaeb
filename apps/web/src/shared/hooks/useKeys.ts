import { useEffect, useRef } from 'react';
import { areLetterKeysOn, KEYS } from '../keys.ts';

export type KeyMap = Readonly<Record<string, (event: KeyboardEvent) => void>>;

const typing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable ||
    target.tagName === 'TEXTAREA' ||
    target.tagName === 'SELECT' ||
    (target instanceof HTMLInputElement && !['range', 'checkbox', 'radio'].includes(target.type)));

/** Undo and redo inside a text that is still being written are the text's own. */
export const OWN_UNDO = { 'data-own-undo': '' } as const;

const hasOwnUndo = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && 'ownUndo' in target.dataset;

/** On what must be answered before anything else: no page-wide key reaches past it. */
export const HOLDS_KEYS = { 'data-holds-keys': '' } as const;

const isHeld = (): boolean => document.querySelector('[data-holds-keys]') !== null;

/**
 * Page-wide keys, by `event.key`, with `mod+` for Ctrl or Cmd and `shift+` before a letter. Plain keys are left
 * alone while text is typed.
 */
export function useKeys(map: KeyMap): void {
  const current = useRef(map);
  useEffect(() => {
    current.current = map;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const mod = event.ctrlKey || event.metaKey;
      if (event.altKey || (!mod && typing(event.target)) || (mod && hasOwnUndo(event.target))) return;
      // “?” stays, since it leads to the switch.
      if (!mod && event.key.length === 1 && event.key !== KEYS.help.key && !areLetterKeysOn()) return;
      const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
      const handler = current.current[`${mod ? 'mod+' : ''}${mod && event.shiftKey ? 'shift+' : ''}${key}`];
      if (!handler) return;
      // The browser must not take it for its own either: Ctrl Z would undo what was typed last, wherever that was.
      event.preventDefault();
      if (!isHeld()) handler(event);
    };
    window.addEventListener('keydown', onKey);
    return () => {
      window.removeEventListener('keydown', onKey);
    };
  }, []);
}
