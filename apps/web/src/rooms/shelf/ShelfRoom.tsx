import { PlusOutlined } from '../../shared/ui/icons.tsx';
import { Button, Checkbox, Select } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { type MaterialWire } from '@kleur/contract';
import { CLAIMS, type Claim, MATERIAL_KINDS, type MaterialKind, type ShelfFace } from '@kleur/core/material';
import { failureOf } from '../../data/api.ts';
import {
  useMaterialsQuery,
  useRestoreMaterialMutation,
  useSaveMaterialMutation,
} from '../../data/materials.ts';
import { useAddress } from '../../shared/hooks/useAddress.ts';
import { useUndoNotice } from '../../shared/hooks/useUndoNotice.tsx';
import { ListRoom } from '../../shared/ui/ListRoom.tsx';
import { kindName } from '../../shared/ui/kindName.ts';
import { colourWorker } from '../../workers/client.ts';
import { writeOf } from './materialWrite.ts';
import { MaterialEditor } from './MaterialEditor.tsx';
import { OwnedDrawer } from './OwnedDrawer.tsx';
import { ShelfRow } from './ShelfRow.tsx';
import { useNotices } from '../../shared/hooks/useNotices.ts';

const NEW = 'new';

/** Everything that can go into a batch, with what it looks like in soap. Filters live in the address. */
export function ShelfRoom() {
  const [params, set] = useAddress();
  const q = params.get('q') ?? '';
  const kind = (params.get('kind') ?? '') as MaterialKind | '';
  const claims = params.getAll('claim') as Claim[];
  const stockOnly = params.get('stock') === '1';
  const item = params.get('item');
  const { data, error, refetch } = useMaterialsQuery();
  const faces = useFaces(data);
  const [save] = useSaveMaterialMutation();
  const [restore] = useRestoreMaterialMutation();
  const { message } = useNotices();
  const tellDeleted = useUndoNotice();

  const openNew = (): void => {
    set({ item: NEW });
  };

  const toggleStock = async (m: MaterialWire): Promise<void> => {
    try {
      await save({ id: m.id, version: m.version, material: { ...writeOf(m), inStock: !m.inStock } }).unwrap();
    } catch (e) {
      message.error(failureOf(e).message);
    }
  };
  const offerUndo = (m: MaterialWire): void => {
    tellDeleted({
      key: `deleted-${m.id}`,
      title: `“${m.name}” was taken off the shelf`,
      description: 'Plans that use it keep their copy.',
      undo: () => {
        restore(m.id)
          .unwrap()
          .catch((e: unknown) => message.error(failureOf(e).message));
      },
    });
  };

  const needle = q.trim().toLowerCase();
  const shown = (data ?? []).filter(
    (m) =>
      (!kind || m.kind === kind) &&
      (!stockOnly || m.inStock) &&
      claims.every((c) => m.claims.includes(c)) &&
      (!needle || `${m.name} ${m.colourIndex} ${m.behaviour}`.toLowerCase().includes(needle)),
  );
  const groups = MATERIAL_KINDS.map((k) => [k, shown.filter((m) => m.kind === k)] as const).filter(
    ([, items]) => items.length > 0,
  );

  return (
    <>
      <ListRoom
        title="Shelf"
        about={
          data && `${shown.length} of ${data.length} · colours from the model, cured, gelled above ungelled`
        }
        search={{
          label: 'Search the shelf',
          placeholder: 'Name, colour index, behaviour',
          width: 230,
          value: q,
          onChange: (text) => {
            set({ q: text });
          },
        }}
        onNew={openNew}
        tools={
          <>
            <Select
              aria-label="Kind"
              value={kind}
              onChange={(v) => {
                set({ kind: v });
              }}
              style={{ width: 160 }}
              options={[
                { value: '', label: 'Every kind' },
                ...MATERIAL_KINDS.map((k) => ({ value: k, label: kindName[k] })),
              ]}
            />
            <Select
              aria-label="Claims"
              mode="multiple"
              placeholder="Claims"
              maxTagCount="responsive"
              value={claims}
              onChange={(v) => {
                set({ claim: v });
              }}
              style={{ width: 150 }}
              options={CLAIMS.map((c) => ({ value: c, label: c }))}
            />
            <Checkbox
              checked={stockOnly}
              onChange={(e) => {
                set({ stock: e.target.checked ? '1' : '' });
              }}
            >
              In stock
            </Checkbox>
            <Button
              onClick={() => {
                set({ own: '1' });
              }}
            >
              What I own
            </Button>
            <Button type="primary" icon={<PlusOutlined />} onClick={openNew}>
              New item
            </Button>
          </>
        }
        failure={
          error && !data
            ? { title: 'The shelf could not be loaded', error, retry: () => void refetch() }
            : null
        }
        nothingFits={
          data && shown.length === 0
            ? {
                title: 'Nothing on the shelf fits',
                advice: 'Try fewer filters, or add an item of your own.',
                showAll: () => {
                  set({ q: '', kind: '', claim: '', stock: '' });
                },
              }
            : null
        }
      >
        {groups.map(([k, items]) => (
          <section key={k} aria-label={kindName[k]} className="shelf-board">
            <div className="shelf-head">
              <h2>{kindName[k]}</h2>
              <span className="soft small">
                {k === 'oil' ? 'saponification' : k === 'scent' ? 'limit' : 'faint · typical · ceiling'} · in
                stock
              </span>
            </div>
            <ul className="shelf-rows">
              {items.map((m) => (
                <ShelfRow
                  key={m.id}
                  material={m}
                  face={faces.get(m.id) ?? null}
                  onOpen={() => {
                    set({ item: m.id });
                  }}
                  onStock={() => void toggleStock(m)}
                />
              ))}
            </ul>
          </section>
        ))}
      </ListRoom>
      {params.get('own') === '1' && data && (
        <OwnedDrawer
          materials={data}
          onClose={() => {
            set({ own: '' });
          }}
        />
      )}
      {item && data && (
        <MaterialEditor
          key={item}
          material={data.find((m) => m.id === item) ?? null}
          face={faces.get(item) ?? null}
          onClose={() => {
            set({ item: '' });
          }}
          onDeleted={offerUndo}
        />
      )}
    </>
  );
}

/** Faces from the worker, by material id; kept while a changed shelf is being worked out. */
function useFaces(materials: readonly MaterialWire[] | undefined): ReadonlyMap<string, ShelfFace> {
  const [faces, setFaces] = useState<ReadonlyMap<string, ShelfFace>>(new Map());
  const list = useMemo(() => materials ?? [], [materials]);
  useEffect(() => {
    let current = true;
    void colourWorker()
      .faces(list)
      .then((answer) => {
        if (!current) return;
        setFaces(new Map(answer.flatMap((face, i) => (face ? [[list[i]!.id, face] as const] : []))));
      });
    return () => {
      current = false;
    };
  }, [list]);
  return faces;
}
