import { Button, Popover } from 'antd';
import { lazy, Suspense } from 'react';
import { useSettings } from '../../shared/hooks/useSettings.ts';

const UnitPanel = lazy(() => import('./UnitPanel.tsx').then((m) => ({ default: m.UnitPanel })));

/** The units of everything on the screen, changed in place. What is stored stays as it is. */
export function UnitSwitch() {
  const { units } = useSettings();
  return (
    <Popover
      trigger="click"
      title="Units"
      content={
        <Suspense fallback={<p role="status">Opening…</p>}>
          <UnitPanel />
        </Suspense>
      }
      destroyOnHidden
    >
      <Button type="text" aria-label="Units" title="Units">
        {units.mass} · {units.length} · °{units.temperature}
      </Button>
    </Popover>
  );
}
