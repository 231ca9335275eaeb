import { Button, Popover } from 'antd';
import { UnitFields } from '../../shared/ui/UnitFields.tsx';
import { useSettings } from '../../shared/hooks/useSettings.ts';

/** The units of everything on the screen, changed in place. What is stored stays as it is. */
export function UnitSwitch() {
  const { units } = useSettings();
  return (
    <Popover trigger="click" title="Units" content={<UnitFields spoons />} destroyOnHidden>
      <Button type="text" aria-label="Units" title="Units">
        {units.mass} · {units.length} · °{units.temperature}
      </Button>
    </Popover>
  );
}
