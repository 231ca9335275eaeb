import { CheckOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { lazy, memo, Suspense, useState } from 'react';
import { type CheckLevel } from '@kleur/core/checks';
import { LevelMark } from '../../shared/ui/Levels.tsx';
import { CHECK_LEVELS } from './checkLevels.ts';
import { useChecks } from './state/useDerived.ts';

// Loaded when it is first opened, and not kept up before.
const AllChecks = lazy(() => import('./AllChecks.tsx'));

/** How many findings there are, and the way to all of them. */
export const ChecksDrawer = memo(function ChecksDrawer() {
  const checks = useChecks();
  const [open, setOpen] = useState(false);
  const [seen, setSeen] = useState(false);
  const count = (level: CheckLevel): number => checks.filter((c) => c.level === level).length;
  return (
    <>
      <ChecksButton
        stops={count('stop')}
        warns={count('warn')}
        tips={count('tip')}
        onOpen={() => {
          setSeen(true);
          setOpen(true);
        }}
      />
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
        aria-label={`All checks: ${stops} stops, ${warns} warnings, ${tips} tips`}
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
