import { Button, Checkbox, ColorPicker, Drawer, Input, Popconfirm, Select, Switch } from 'antd';
import { useState } from 'react';
import { type MaterialWire, type MaterialWrite, type ProblemField } from '@kleur/contract';
import {
  type CarrierMedium,
  CARRIER_MEDIA,
  cautionText,
  CAUTIONS,
  CLAIMS,
  MATERIAL_KINDS,
  type MaterialKind,
  mediumName,
  PLAN_LIMITS,
  type ShelfFace,
} from '@kleur/core';
import {
  failureOf,
  useCreateMaterialMutation,
  useDeleteMaterialMutation,
  useSaveMaterialMutation,
} from '../../app/api.ts';
import { kindName } from '../../shared/ui/kindName.ts';
import { NumberField } from '../../shared/ui/NumberField.tsx';
import { FaceStrip } from './FaceStrip.tsx';
import { OilFields, ScentFields } from './KindFields.tsx';
import { blankMaterial, writeOf } from './materialWrite.ts';

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

  const { window, carriers } = write;
  const carrier = carriers[0];
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
        <div className="field">
          <label className="field-label" htmlFor="material-name">
            Name
          </label>
          <Input
            id="material-name"
            value={write.name}
            maxLength={PLAN_LIMITS.name}
            status={errorAt('name') ? 'error' : ''}
            aria-invalid={errorAt('name') ? true : undefined}
            onChange={(e) => {
              set({ name: e.target.value });
            }}
          />
          {errorAt('name') && (
            <div className="field-problem" role="alert">
              {errorAt('name')}
            </div>
          )}
        </div>
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
        {window && (
          <>
            <div className="row">
              <NumberField
                label="Faint"
                width={110}
                value={window.faint}
                digits={3}
                min={0}
                max={1000}
                suffix="g/kg"
                error={errorAt('window.faint')}
                onCommit={(faint) => {
                  set({ window: { ...window, faint } });
                }}
                onClear={() => {
                  set({ window: { ...window, faint: null } });
                }}
              />
              <NumberField
                label="Typical"
                width={110}
                value={window.typical}
                digits={3}
                min={0.001}
                max={1000}
                suffix="g/kg"
                onCommit={(typical) => {
                  set({ window: { ...window, typical } });
                }}
              />
              <NumberField
                label="Ceiling"
                width={110}
                value={window.ceiling}
                digits={3}
                min={0.001}
                max={1000}
                suffix="g/kg"
                error={errorAt('window.ceiling')}
                onCommit={(ceiling) => {
                  set({ window: { ...window, ceiling } });
                }}
              />
              {write.colour !== null && (
                <div className="field">
                  <span className="field-label">Colour</span>
                  <ColorPicker
                    value={write.colour}
                    disabledAlpha
                    showText
                    onChangeComplete={(c) => {
                      set({ colour: c.toHexString().slice(0, 7) });
                    }}
                  />
                </div>
              )}
            </div>
            {write.colour !== null && (
              <p className="soft small">
                The colour is what the typical dose gives, gelled and cured in a near-white base. A default
                curve is built from it.
              </p>
            )}
            <div className="row">
              <div className="field grow">
                <span className="field-label">Carrier</span>
                <Select<CarrierMedium>
                  aria-label="Carrier"
                  value={carrier?.medium}
                  onChange={(medium) => {
                    set({
                      carriers: [
                        { medium, ratio: carrier?.ratio ?? 0 },
                        ...carriers.slice(1).filter((c) => c.medium !== medium),
                      ],
                    });
                  }}
                  options={CARRIER_MEDIA.map((medium) => ({ value: medium, label: mediumName[medium] }))}
                />
              </div>
              <NumberField
                label="Liquid to one powder"
                width={130}
                value={carrier?.ratio ?? 0}
                digits={1}
                {...PLAN_LIMITS.carrierRatio}
                suffix=": 1"
                onCommit={(ratio) => {
                  set({ carriers: [{ medium: carrier?.medium ?? 'oil', ratio }, ...carriers.slice(1)] });
                }}
              />
              <NumberField
                label="Bulk density"
                width={120}
                value={write.bulkDensity}
                min={0.01}
                max={5}
                suffix="g/ml"
                onCommit={(bulkDensity) => {
                  set({ bulkDensity });
                }}
                onClear={() => {
                  set({ bulkDensity: null });
                }}
              />
            </div>
          </>
        )}
        <div className="row">
          <NumberField
            label="On the shelf"
            width={130}
            value={write.stock}
            digits={1}
            min={0}
            max={1_000_000}
            suffix="g"
            onCommit={(stock) => {
              set({ stock, inStock: stock > 0 || write.inStock });
            }}
            onClear={() => {
              set({ stock: null });
            }}
          />
          <div className="field grow">
            <label className="field-label" htmlFor="material-lot">
              Lot
            </label>
            <Input
              id="material-lot"
              value={write.lot}
              maxLength={60}
              onChange={(e) => {
                // Another lot has not been read yet.
                set({ lot: e.target.value, lotTested: false });
              }}
            />
          </div>
          <Checkbox
            checked={write.lotTested}
            disabled={write.lot === ''}
            onChange={(e) => {
              set({ lotTested: e.target.checked });
            }}
          >
            A bar of it has been read
          </Checkbox>
          {write.kind === 'additive' && (
            <NumberField
              label="Takes up lye"
              width={150}
              value={write.lyeDemand}
              digits={3}
              min={0}
              max={2}
              suffix="g NaOH/g"
              onCommit={(lyeDemand) => {
                set({ lyeDemand });
              }}
            />
          )}
        </div>
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
        <div className="field">
          <span className="field-label">Claims</span>
          <Select
            aria-label="Claims of this item"
            mode="multiple"
            value={[...write.claims]}
            onChange={(claims) => {
              set({ claims });
            }}
            options={CLAIMS.map((c) => ({ value: c, label: c }))}
          />
        </div>
        <div className="field">
          <span className="field-label">Cautions</span>
          <Select
            aria-label="Cautions"
            mode="multiple"
            value={[...write.cautions]}
            onChange={(cautions) => {
              set({ cautions });
            }}
            options={CAUTIONS.map((c) => ({ value: c, label: c.replaceAll('-', ' ') }))}
          />
        </div>
        <div className="field">
          <label className="field-label" htmlFor="material-behaviour">
            How it behaves
          </label>
          <Input.TextArea
            id="material-behaviour"
            value={write.behaviour}
            maxLength={400}
            autoSize={{ minRows: 2, maxRows: 5 }}
            onChange={(e) => {
              set({ behaviour: e.target.value });
            }}
          />
        </div>
        <div className="row">
          <div className="field grow">
            <label className="field-label" htmlFor="material-ci">
              Colour index
            </label>
            <Input
              id="material-ci"
              value={write.colourIndex}
              maxLength={80}
              onChange={(e) => {
                set({ colourIndex: e.target.value });
              }}
            />
          </div>
          <div className="field grow">
            <label className="field-label" htmlFor="material-source">
              Where the figures come from
            </label>
            <Input
              id="material-source"
              value={write.source}
              maxLength={200}
              onChange={(e) => {
                set({ source: e.target.value });
              }}
            />
          </div>
        </div>
      </div>
    </Drawer>
  );
}
