import { MeasureFields } from '../../shared/settings/MeasureFields.tsx';
import { SettingsForm } from '../../shared/settings/SettingsForm.tsx';
import { UnitFields } from '../../shared/settings/UnitFields.tsx';

/** Units and spoons, where they are looked at. */
export function UnitPanel() {
  return (
    <div style={{ width: 400 }}>
      <SettingsForm name="units">
        <UnitFields />
        <MeasureFields />
      </SettingsForm>
    </div>
  );
}
