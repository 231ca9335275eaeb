import { CheckOutlined } from '../../shared/ui/icons.tsx';
import { Button } from 'antd';
import { lazy, memo, Suspense, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { type CheckLevel } from '@kleur/core/checks';
import { useKeys } from '../../shared/hooks/useKeys.ts';
import { KEYS } from '../../shared/keys.ts';
import { LevelMark } from '../../shared/ui/Levels.tsx';
import { CHECK_LEVELS } from './checkLevels.ts';
import { placeOf } from './checkPlace.ts';
import { useChecks, usePlanFrame } from './state/useDerived.ts';

// Loaded when it is first opened, and not kept up before.
const AllChecks = lazy(() => import('./AllChecks.tsx'));

/** Puts the focus on a finding once its step has opened. */
function focusCheck(sentence: string, tries = 20): void {
  const found = [...document.querySelectorAll<HTMLElement>('main .check')].find((el) =>
    el.textContent.includes(sentence),
  );
  if (found) {
    found.tabIndex = -1;
    found.focus();
  } else if (tries > 0) setTimeout(focusCheck, 50, sentence, tries - 1);
}

/** How many findings there are, and the way to all of them. */
export const ChecksDrawer = memo(function ChecksDrawer() {
  const checks = useChecks();
  const [open, setOpen] = useState(false);
  const [seen, setSeen] = useState(false);
  const plan = usePlanFrame();
  const navigate = useNavigate();
  const at = useRef(-1);
  const show = (): void => {
    setSeen(true);
    setOpen(true);
  };
  const next = (): void => {
    const inOrder = CHECK_LEVELS.flatMap((level) => checks.filter((c) => c.level === level));
    if (inOrder.length === 0) return;
    at.current = (at.current + 1) % inOrder.length;
    const check = inOrder[at.current]!;
    const { path, search } = placeOf(plan, check);
    setOpen(false);
    void navigate({ pathname: path, search });
    focusCheck(check.sentence);
  };
  useKeys({ [KEYS.checks.key]: show, [KEYS.nextFinding.key]: next });
  const count = (level: CheckLevel): number => checks.filter((c) => c.level === level).length;
  return (
    <>
      <ChecksButton stops={count('stop')} warns={count('warn')} tips={count('tip')} onOpen={show} />
      {seen && (
        <Suspense>
          <AllChecks
            open={open}
            onClose={() => {
              setOpen(false);
            }}
          />
        </Suspense>
      )}
    </>
  );
});

const counted = (n: number, what: string): string => `${n} ${what}${n === 1 ? '' : 's'}`;

const ChecksButton = memo(
  function ChecksButton(props: {
    readonly stops: number;
    readonly warns: number;
    readonly tips: number;
    readonly onOpen: () => void;
  }) {
    const { stops, warns, tips } = props;
    const counts = { stop: stops, warn: warns, tip: tips };
    return (
      <Button
        className="checks-button"
        aria-label={`All checks: ${counted(stops, 'stop')}, ${counted(warns, 'warning')}, ${counted(tips, 'tip')}`}
        onClick={props.onOpen}
      >
        Checks
        {stops + warns + tips === 0 && <CheckOutlined />}
        {CHECK_LEVELS.map((level) =>
          counts[level] > 0 ? <LevelMark key={level} level={level} count={counts[level]} /> : null,
        )}
      </Button>
    );
  },
  // Opening does the same whichever render it comes from.
  (a, b) => a.stops === b.stops && a.warns === b.warns && a.tips === b.tips,
);
