import { Button, Drawer, Popconfirm, Select, Switch } from 'antd';
import { useState } from 'react';
import { type MaterialWire, type MaterialWrite, type ProblemField } from '@kleur/contract';
import { cautionText, MATERIAL_KINDS, type MaterialKind, type ShelfFace } from '@kleur/core/material';
import { PLAN_LIMITS } from '@kleur/core/plan';
import { failureOf } from '../../data/api.ts';
import {
  useCreateMaterialMutation,
  useDeleteMaterialMutation,
  useSaveMaterialMutation,
} from '../../data/materials.ts';
import { kindName } from '../../shared/ui/kindName.ts';
import { NumberField } from '../../shared/ui/NumberField.tsx';
import { TextField } from '../../shared/ui/TextField.tsx';
import { AboutFields } from './AboutFields.tsx';
import { DoseFields } from './DoseFields.tsx';
import { FaceStrip } from './FaceStrip.tsx';
import { OilFields, ScentFields } from './KindFields.tsx';
import { blankMaterial, writeOf } from './materialWrite.ts';
import { StockFields } from './StockFields.tsx';

/** Reads and edits one item, or makes a new one (material null). */
export function MaterialEditor(props: {
  readonly material: MaterialWire | null;
  readonly face: ShelfFace | null;
  readonly onClose: () => void;
  readonly onDeleted: (material: MaterialWire) => void;
}) {
  const { material, face } = props;
  const [write, setWrite] = useState<MaterialWrite>(() =>
    material ? writeOf(material) : blankMaterial('mica'),
  );
  const [fields, setFields] = useState<readonly ProblemField[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  const [create, creating] = useCreateMaterialMutation();
  const [save, saving] = useSaveMaterialMutation();
  const [remove] = useDeleteMaterialMutation();

  const set = (change: Partial<MaterialWrite>): void => {
    setWrite((w) => ({ ...w, ...change }));
    setFields([]);
    setProblem(null);
  };
  const errorAt = (path: string): string | undefined => fields.find((f) => f.path === path)?.message;
  const changeKind = (kind: MaterialKind): void => {
    const blank = blankMaterial(kind);
    set({
      kind,
      colour: blank.colour,
      window: blank.window,
      carriers: blank.carriers,
      bulkDensity: blank.bulkDensity,
      oil: blank.oil,
      scent: blank.scent,
    });
  };

  const submit = async (): Promise<void> => {
    if (write.name.trim() === '') {
      setFields([{ path: 'name', message: 'A name is needed' }]);
      return;
    }
    try {
      if (material) await save({ id: material.id, version: material.version, material: write }).unwrap();
      else await create(write).unwrap();
      props.onClose();
    } catch (e) {
      const failure = failureOf(e);
      setFields(failure.fields);
      setProblem(
        failure.code === 'stale-version'
          ? 'This item was changed elsewhere. Close and open it again to see the change; what you typed is still here.'
          : failure.message,
      );
    }
  };
  const takeOff = async (): Promise<void> => {
    if (!material) return;
    try {
      await remove(material.id).unwrap();
      props.onDeleted(material);
      props.onClose();
    } catch (e) {
      setProblem(failureOf(e).message);
    }
  };

  return (
    <Drawer
      open
      size={480}
      title={material ? material.name : 'New item'}
      onClose={props.onClose}
      footer={
        <div className="row">
          <Button
            type="primary"
            loading={creating.isLoading || saving.isLoading}
            onClick={() => void submit()}
          >
            {material ? 'Save' : 'Add to the shelf'}
          </Button>
          <Button onClick={props.onClose}>Cancel</Button>
          <span className="spring" />
          {material && (
            <Popconfirm
              title="Take it off the shelf? Plans keep their copy."
              okText="Take off"
              onConfirm={() => void takeOff()}
            >
              <Button danger>Take off the shelf</Button>
            </Popconfirm>
          )}
        </div>
      }
    >
      <div className="editor">
        {problem && (
          <p className="field-problem" role="alert">
            {problem}
          </p>
        )}
        {face && (
          <>
            <FaceStrip face={face} name={write.name} big />
            <p className="soft small">
              {face.shows === 'doses' ? 'g/kg oils, ' : ''}cured in a near-white base: gelled above, ungelled
              below. A shelf default until tested.
            </p>
          </>
        )}
        {write.behaviour && material && <p>{write.behaviour}</p>}
        {write.cautions.length > 0 && (
          <ul className="cautions">
            {write.cautions.map((c) => (
              <li key={c}>{cautionText[c]}</li>
            ))}
          </ul>
        )}
        <TextField
          label="Name"
          value={write.name}
          maxLength={PLAN_LIMITS.name}
          error={errorAt('name')}
          onChange={(name) => {
            set({ name });
          }}
        />
        <div className="row">
          <div className="field grow">
            <span className="field-label">Kind</span>
            <Select
              aria-label="Kind of item"
              value={write.kind}
              disabled={material !== null}
              onChange={changeKind}
              options={MATERIAL_KINDS.map((k) => ({ value: k, label: kindName[k] }))}
            />
          </div>
          <div className="field">
            <label className="field-label" htmlFor="material-stock">
              In stock
            </label>
            <Switch
              id="material-stock"
              checked={write.inStock}
              onChange={(inStock) => {
                set({ inStock });
              }}
            />
          </div>
          <NumberField
            label="Price per gram"
            width={130}
            value={write.pricePerGram}
            digits={4}
            min={0}
            max={10_000}
            onCommit={(pricePerGram) => {
              set({ pricePerGram });
            }}
            onClear={() => {
              set({ pricePerGram: null });
            }}
          />
        </div>
        <DoseFields write={write} set={set} errorAt={errorAt} />
        <StockFields write={write} set={set} />
        {write.oil && (
          <OilFields
            oil={write.oil}
            onChange={(oil) => {
              set({ oil });
            }}
          />
        )}
        {write.scent && (
          <ScentFields
            scent={write.scent}
            onChange={(scent) => {
              set({ scent });
            }}
          />
        )}
        <AboutFields write={write} set={set} />
      </div>
    </Drawer>
  );
}
