import { Button, Checkbox, Form, Input, Modal, Segmented, Select } from 'antd';
import { useState } from 'react';
import { type Settings } from '@kleur/contract';
import {
  DOSE_UNITS,
  FILL_RANGE,
  SCALE_DIVISIONS,
  type Spoon,
  SPOON_FILLS,
  spoonName,
  SPOONS,
} from '@kleur/core/units';
import { failureOf } from '../../data/api.ts';
import { useSettingsQuery } from '../../data/settings.ts';
import { useResetDemoMutation } from '../../data/demo.ts';
import { NumberItem } from '../../shared/form/NumberItem.tsx';
import { usePrinter } from '../../shared/hooks/useSettings.ts';
import { MeasureFields } from '../../shared/settings/MeasureFields.tsx';
import { SettingsForm } from '../../shared/settings/SettingsForm.tsx';
import { UnitFields } from '../../shared/settings/UnitFields.tsx';
import { unitName } from '../../shared/ui/unitName.ts';
import { PlaceFields } from './PlaceFields.tsx';
import { AccessSection } from './AccessSection.tsx';
import { TabletSection } from './TabletSection.tsx';
import { CopiesSection } from './CopiesSection.tsx';
import styles from './SettingsRoom.module.css';
import { useNotices } from '../../shared/hooks/useNotices.ts';

/** Habits: saved at once. They change what is shown and rounded, never what a plan holds. */
export function SettingsRoom() {
  const { isLoading } = useSettingsQuery();
  return (
    <div className={styles.room}>
      <title>Settings · Kleur</title>
      <h1>Settings</h1>
      <SettingsForm name="settings">
        <section>
          <h2>Studio</h2>
          <Form.Item name="studio" label="Name on printed sheets">
            <Input maxLength={80} style={{ maxWidth: 360 }} />
          </Form.Item>
        </section>
        <section>
          <h2>Measuring powders</h2>
          <MeasureFields />
          <SpoonFields />
        </section>
        <section>
          <h2>Units</h2>
          <Form.Item name="doseUnit" label="Doses in">
            <Select
              aria-label="Dose unit"
              options={DOSE_UNITS.map((u) => ({ value: u, label: unitName[u] }))}
              style={{ width: 180 }}
            />
          </Form.Item>
          <UnitFields />
        </section>
        <section>
          <h2>Days and instruments</h2>
          <PlaceFields />
        </section>
      </SettingsForm>
      {/* After the form, which would push them down. */}
      {!isLoading && (
        <>
          <AccessSection />
          <TabletSection />
          <CopiesSection />
          <DemoSection />
        </>
      )}
    </div>
  );
}

/** The scale and the spoons at hand. */
function SpoonFields() {
  const print = usePrinter();
  const form = Form.useFormInstance<Settings>();
  const filled = Form.useWatch<Settings['measuring']['filled'] | undefined>(['measuring', 'filled'], form);
  return (
    <>
      <Form.Item name={['measuring', 'scaleDivision']} label="Scale shows">
        <Segmented
          aria-label="Smallest division of the scale"
          options={SCALE_DIVISIONS.map((d) => ({ value: d, label: `${print.number(d, 2)} g` }))}
        />
      </Form.Item>
      <Form.Item
        name={['measuring', 'ownedSpoons']}
        label="Spoons you own"
        getValueFromEvent={(chosen: readonly Spoon[]) => {
          // Without a spoon there is only the scale.
          if (chosen.length === 0) form.setFieldValue(['measuring', 'by'], 'scale');
          return SPOONS.filter((s) => chosen.includes(s));
        }}
      >
        <Checkbox.Group options={SPOONS.map((s) => ({ value: s, label: spoonName(s) }))} />
      </Form.Item>
      <Form.Item name={['measuring', 'filled']} label="Spoons are filled">
        <Segmented
          aria-label="How full spoons are"
          options={SPOON_FILLS.map((f) => ({ value: f, label: f }))}
        />
      </Form.Item>
      {filled !== undefined && filled !== 'level' && (
        <>
          <NumberItem
            key={filled}
            name={['measuring', filled]}
            label={`A ${filled} one holds`}
            width={320}
            digits={2}
            {...FILL_RANGE}
            step={0.1}
            suffix="level ones"
          />
          <p className="soft small">
            Weigh ten of yours and ten level ones of the same powder: the one over the other.
          </p>
        </>
      )}
    </>
  );
}

function DemoSection() {
  const [asking, setAsking] = useState(false);
  const [reset, { isLoading }] = useResetDemoMutation();
  const { message } = useNotices();
  const run = async (): Promise<void> => {
    try {
      await reset().unwrap();
      setAsking(false);
      message.success('The demo data was reset.');
    } catch (e) {
      message.error(failureOf(e).message);
    }
  };
  return (
    <section>
      <h2>Demo data</h2>
      <p className="soft">
        Replaces every batch, the whole shelf and these settings with the made-up studio.
      </p>
      <Button
        danger
        onClick={() => {
          setAsking(true);
        }}
      >
        Reset to the demo…
      </Button>
      <Modal
        open={asking}
        title="Replace everything with the demo?"
        okText="Replace everything"
        okButtonProps={{ danger: true }}
        confirmLoading={isLoading}
        onOk={() => void run()}
        onCancel={() => {
          setAsking(false);
        }}
      >
        <p>
          All batches, shelf items and settings of this workspace are replaced. They are copied first, see
          Copies.
        </p>
      </Modal>
    </section>
  );
}
