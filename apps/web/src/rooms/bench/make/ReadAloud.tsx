import { Button } from 'antd';
import { useEffect } from 'react';
import { type RunStep } from '@kleur/core/day';
import { lineText } from '@kleur/core/sheet';

/** The step by ear, where the device can speak. */
export function ReadAloud({ step }: { readonly step: RunStep }) {
  // Nothing goes on speaking of a step that is over.
  useEffect(
    () => () => {
      if ('speechSynthesis' in window) window.speechSynthesis.cancel();
    },
    [],
  );
  if (!('speechSynthesis' in window)) return null;
  const read = (): void => {
    window.speechSynthesis.cancel();
    const text = [step.title, ...step.lines.map(lineText)].join('. ');
    window.speechSynthesis.speak(new SpeechSynthesisUtterance(text));
  };
  return <Button onClick={read}>Read aloud</Button>;
}
