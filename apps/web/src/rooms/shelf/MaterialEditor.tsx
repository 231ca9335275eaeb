import { Button, Drawer, Form, Input, Popconfirm, Select, Switch } from 'antd';
import { useState } from 'react';
import { type MaterialWire, type MaterialWrite } from '@kleur/contract';
import {
  cautionText,
  factsOfKind,
  MATERIAL_KINDS,
  type MaterialKind,
  type ShelfFace,
} from '@kleur/core/material';
import { PLAN_LIMITS } from '@kleur/core/plan';
import { failureOf } from '../../data/api.ts';
import {
  useCreateMaterialMutation,
  useDeleteMaterialMutation,
  useSaveMaterialMutation,
} from '../../data/materials.ts';
import { NumberItem } from '../../shared/form/NumberItem.tsx';
import { showServerErrors } from '../../shared/form/serverErrors.ts';
import { kindName } from '../../shared/ui/kindName.ts';
import { AboutFields } from './AboutFields.tsx';
import { AllergenItem, DoseFields } from './DoseFields.tsx';
import { FaceStrip } from './FaceStrip.tsx';
import { LooksFields } from './LooksFields.tsx';
import { useEntryFace } from './useEntryFace.ts';
import { OilFields, ScentFields } from './KindFields.tsx';
import { entryOf, type MaterialEntry, writeFrom, writeOf } from './materialWrite.ts';
import { blankMaterial } from '../../shared/blankMaterial.ts';
import { StockFields } from './StockFields.tsx';

/** Reads and edits one item, or makes a new one (material null). */
export function MaterialEditor(props: {
  readonly material: MaterialWire | null;
  readonly face: ShelfFace | null;
  readonly onClose: () => void;
  readonly onDeleted: (material: MaterialWire) => void;
}) {
  const { material, face } = props;
  const [form] = Form.useForm<MaterialEntry>();
  const [first] = useState<MaterialEntry>(() =>
    entryOf(material ? writeOf(material) : blankMaterial('mica')),
  );
  // Empty until the fields are there.
  const watched = Form.useWatch([], { form, preserve: true }) as Partial<MaterialEntry> | undefined;
  const entry: MaterialEntry = { ...first, ...watched };
  const shown = useEntryFace(entry, material) ?? { face, course: null };
  const [problem, setProblem] = useState<string | null>(null);
  const [create, creating] = useCreateMaterialMutation();
  const [save, saving] = useSaveMaterialMutation();
  const [remove] = useDeleteMaterialMutation();

  const changeKind = (kind: MaterialKind): void => {
    const { colour, looks, window, carriers, bulkDensity, oil, scent } = entryOf(blankMaterial(kind));
    form.setFieldsValue({ ...factsOfKind(kind), colour, looks, window, carriers, bulkDensity, oil, scent });
  };

  const submit = async (): Promise<void> => {
    setProblem(null);
    // Fields of a kind that are not shown are part of the item all the same.
    const write: MaterialWrite = writeFrom(form.getFieldsValue(true) as MaterialEntry);
    try {
      if (material) await save({ id: material.id, version: material.version, material: write }).unwrap();
      else await create(write).unwrap();
      props.onClose();
    } catch (e) {
      const failure = failureOf(e);
      const elsewhere = showServerErrors(form, failure.fields);
      setProblem(
        failure.code === 'stale-version'
          ? 'This item was changed elsewhere. Close and open it again to see the change; what you typed is still here.'
          : [failure.message, ...elsewhere.map((f) => `${f.path}: ${f.message}`)].join(' '),
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
            onClick={() => {
              form.submit();
            }}
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
      <Form<MaterialEntry>
        form={form}
        name="material"
        layout="vertical"
        className="editor"
        initialValues={first}
        requiredMark={false}
        scrollToFirstError={{ block: 'nearest', focus: true }}
        onFinish={() => void submit()}
        onValuesChange={({ stock }: Partial<MaterialEntry>) => {
          setProblem(null);
          if (stock) form.setFieldValue('inStock', true);
        }}
      >
        {problem && (
          <p className="field-problem" role="alert">
            {problem}
          </p>
        )}
        {shown.face && (
          <>
            <FaceStrip face={shown.face} name={entry.name} big />
            <p className="soft small">
              {shown.face.shows === 'doses' ? 'g/kg oils, ' : ''}cured in a near-white base: gelled above,
              ungelled below. A shelf default until tested.
            </p>
          </>
        )}
        {entry.behaviour && material && <p>{entry.behaviour}</p>}
        {entry.cautions.length > 0 && (
          <ul className="cautions">
            {entry.cautions.map((c) => (
              <li key={c}>{cautionText[c]}</li>
            ))}
          </ul>
        )}
        <Form.Item
          name="name"
          label="Name"
          rules={[{ required: true, whitespace: true, message: 'A name is needed' }]}
        >
          <Input maxLength={PLAN_LIMITS.name} />
        </Form.Item>
        <div className="row">
          <Form.Item name="kind" label="Kind" className="grow">
            <Select
              aria-label="Kind of item"
              disabled={material !== null}
              onChange={changeKind}
              options={MATERIAL_KINDS.map((k) => ({ value: k, label: kindName[k] }))}
            />
          </Form.Item>
          <Form.Item name="inStock" label="In stock" valuePropName="checked">
            <Switch />
          </Form.Item>
          <NumberItem
            name="pricePerGram"
            label="Price per gram"
            width={130}
            digits={4}
            min={0}
            max={10_000}
            optional
          />
        </div>
        {entry.window && <DoseFields colour={entry.colour} />}
        {entry.window && entry.colour !== null && (
          <LooksFields colour={entry.colour} looks={entry.looks} course={shown.course} />
        )}
        <AllergenItem />
        <StockFields kind={entry.kind} lots={entry.lots} />
        {entry.oil && <OilFields />}
        {entry.scent && <ScentFields />}
        <AboutFields />
      </Form>
    </Drawer>
  );
}
