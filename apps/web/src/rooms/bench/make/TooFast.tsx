import { Button } from 'antd';
import { useState } from 'react';
import { type RunStep } from '@kleur/core/day';
import styles from './make.module.css';

/** The batter races: one touch, one instruction. What was agreed on beforehand stands in the step that decides. */
export function TooFast({ steps }: { readonly steps: readonly RunStep[] }) {
  const [open, setOpen] = useState(false);
  const agreed = steps.find((s) => s.kind === 'decide')?.lines.at(-1);
  return (
    <span className={styles.tooFast}>
      <Button
        aria-expanded={open}
        onClick={() => {
          setOpen(!open);
        }}
      >
        Too fast
      </Button>
      {open && (
        <p role="alert">
          Stop blending, stir by hand.{' '}
          {agreed ? `${agreed.what}.` : 'Pour now, in plain layers: the thickest pot first.'}
        </p>
      )}
    </span>
  );
}
