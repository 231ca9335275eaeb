import { usePrinter } from '../../shared/hooks/useSettings.ts';
import { App, Button, Checkbox, Input, Modal, Segmented, Select } from 'antd';
import { useState } from 'react';
import { type Settings } from '@kleur/contract';
import {
  DOSE_UNITS,
  FILL_RANGE,
  SCALE_DIVISIONS,
  SPOON_FILLS,
  type SpoonFill,
  spoonName,
  SPOONS,
  type SpoonSystem,
} from '@kleur/core/units';
import { failureOf } from '../../data/api.ts';
import { useResetDemoMutation } from '../../data/demo.ts';
import { useSaveSettingsMutation, useSettingsQuery } from '../../data/settings.ts';
import { EmptyState } from '../../shared/ui/EmptyState.tsx';
import { NumberField } from '../../shared/ui/NumberField.tsx';
import { UnitFields } from '../../shared/ui/UnitFields.tsx';
import { unitName } from '../../shared/ui/unitName.ts';

const spoonSystems: readonly { readonly value: SpoonSystem; readonly label: string }[] = [
  { value: 'us', label: 'US, tsp 4.93 ml, tbsp 14.8 ml' },
  { value: 'metric', label: 'Metric, tsp 5 ml, tbsp 15 ml' },
  { value: 'australian', label: 'Australian, tsp 5 ml, tbsp 20 ml' },
];

/** Habits: saved at once, one at a time. They change what is shown and rounded, never what a plan holds. */
export function SettingsRoom() {
  const print = usePrinter();
  const { data, error, refetch } = useSettingsQuery();
  const [save] = useSaveSettingsMutation();
  const { message } = App.useApp();
  const [studio, setStudio] = useState<string | null>(null);
  if (!data) {
    return error ? (
      <EmptyState
        role="alert"
        title="The settings could not be loaded"
        action={<Button onClick={() => void refetch()}>Try again</Button>}
      >
        {failureOf(error).message}
      </EmptyState>
    ) : (
      <p className="loading">Opening…</p>
    );
  }
  const { version, ...settings } = data;
  const { measuring } = settings;
  const set = async (change: Partial<Settings>): Promise<void> => {
    try {
      await save({ version, settings: { ...settings, ...change } }).unwrap();
    } catch (e) {
      void message.error(failureOf(e).message);
      void refetch();
    }
  };
  const setMeasuring = (change: Partial<Settings['measuring']>): void => {
    void set({ measuring: { ...measuring, ...change } });
  };

  return (
    <>
      <header className="room-head">
        <h1>Settings</h1>
      </header>
      <div className="settings">
        <section>
          <h2>Studio</h2>
          <div className="field" style={{ maxWidth: 360 }}>
            <label className="field-label" htmlFor="studio">
              Name on printed sheets
            </label>
            <Input
              id="studio"
              maxLength={80}
              value={studio ?? settings.studio}
              onChange={(e) => {
                setStudio(e.target.value);
              }}
              onBlur={() => {
                if (studio !== null && studio !== settings.studio) void set({ studio });
                setStudio(null);
              }}
            />
          </div>
        </section>
        <section>
          <h2>Measuring powders</h2>
          <div className="setting">
            <span>By</span>
            <Segmented<'scale' | 'spoons'>
              aria-label="Measure powders by"
              value={measuring.by}
              onChange={(by) => {
                setMeasuring({ by });
              }}
              options={[
                { value: 'scale', label: 'Scale' },
                { value: 'spoons', label: 'Spoons', disabled: measuring.ownedSpoons.length === 0 },
              ]}
            />
          </div>
          <div className="setting">
            <span>Scale shows</span>
            <Segmented
              aria-label="Smallest division of the scale"
              value={measuring.scaleDivision}
              onChange={(scaleDivision) => {
                setMeasuring({ scaleDivision });
              }}
              options={SCALE_DIVISIONS.map((d) => ({ value: d, label: `${print.number(d, 2)} g` }))}
            />
          </div>
          <div className="setting">
            <span>Spoons</span>
            <Select
              aria-label="Spoon system"
              value={measuring.spoons}
              onChange={(spoons) => {
                setMeasuring({ spoons });
              }}
              options={spoonSystems as never}
              style={{ width: 280 }}
            />
          </div>
          <div className="setting">
            <span>Spoons you own</span>
            <Checkbox.Group
              value={[...measuring.ownedSpoons]}
              onChange={(ownedSpoons) => {
                const by = ownedSpoons.length === 0 ? 'scale' : measuring.by;
                setMeasuring({ ownedSpoons: SPOONS.filter((s) => ownedSpoons.includes(s)), by });
              }}
              options={SPOONS.map((s) => ({ value: s, label: spoonName(s) }))}
            />
          </div>
          <div className="setting">
            <span>Spoons are filled</span>
            <Segmented<SpoonFill>
              aria-label="How full spoons are"
              value={measuring.filled}
              onChange={(filled) => {
                setMeasuring({ filled });
              }}
              options={SPOON_FILLS.map((f) => ({ value: f, label: f }))}
            />
            {measuring.filled !== 'level' && (
              <NumberField
                key={measuring.filled}
                label={`A ${measuring.filled} spoon holds, in level ones`}
                hideLabel
                width={120}
                value={measuring[measuring.filled]}
                digits={2}
                {...FILL_RANGE}
                step={0.1}
                suffix="× level"
                onCommit={(v) => {
                  setMeasuring({ [measuring.filled]: v });
                }}
              />
            )}
          </div>
          {measuring.filled !== 'level' && (
            <p className="soft small">
              Weigh ten of yours and ten level ones of the same powder: the one over the other.
            </p>
          )}
        </section>
        <section>
          <h2>Units</h2>
          <div className="setting">
            <span>Doses in</span>
            <Select
              aria-label="Dose unit"
              value={settings.doseUnit}
              onChange={(doseUnit) => void set({ doseUnit })}
              options={DOSE_UNITS.map((u) => ({ value: u, label: unitName[u] }))}
              style={{ width: 180 }}
            />
          </div>
          <UnitFields />
        </section>
        <section>
          <h2>Gel</h2>
          <div className="setting">
            <span>Batches open with</span>
            <Segmented
              aria-label="Gel when a batch opens"
              value={settings.gel}
              onChange={(gel) => void set({ gel })}
              options={[
                { value: 0, label: 'No gel' },
                { value: 0.5, label: 'Half' },
                { value: 1, label: 'Full gel' },
              ]}
            />
          </div>
        </section>
        <DemoSection />
      </div>
    </>
  );
}

function DemoSection() {
  const [asking, setAsking] = useState(false);
  const [reset, { isLoading }] = useResetDemoMutation();
  const { message } = App.useApp();
  const run = async (): Promise<void> => {
    try {
      await reset().unwrap();
      setAsking(false);
      void message.success('The demo is back as it was.');
    } catch (e) {
      void message.error(failureOf(e).message);
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
        <p>All batches, shelf items and settings of this workspace are replaced. This cannot be undone.</p>
      </Modal>
    </section>
  );
}
