import { Checkbox, Drawer } from 'antd';
import { type MaterialWire } from '@kleur/contract';
import { MATERIAL_KINDS } from '@kleur/core/material';
import { failureOf } from '../../data/api.ts';
import { useSaveMaterialsMutation } from '../../data/materials.ts';
import { kindName } from '../../shared/ui/kindName.ts';
import { writeOf } from './materialWrite.ts';
import styles from './OwnedDrawer.module.css';
import { useNotices } from '../../shared/hooks/useNotices.ts';

/** The whole shelf by kind, to tick what is owned: one by one, or a whole kind at once. */
export function OwnedDrawer(props: {
  readonly materials: readonly MaterialWire[];
  readonly onClose: () => void;
}) {
  const [save, saving] = useSaveMaterialsMutation();
  const { message } = useNotices();
  const own = async (items: readonly MaterialWire[], inStock: boolean): Promise<void> => {
    try {
      await save(
        items
          .filter((m) => m.inStock !== inStock)
          .map((m) => ({ id: m.id, version: m.version, material: { ...writeOf(m), inStock } })),
      ).unwrap();
    } catch (e) {
      message.error(failureOf(e).message);
    }
  };
  return (
    <Drawer open size={860} title="What I own" onClose={props.onClose}>
      <p className="soft">
        Recipes are made from what is ticked. While no colour is, they are made from the whole shelf.
      </p>
      <div aria-busy={saving.isLoading} inert={saving.isLoading}>
        {MATERIAL_KINDS.map((kind) => {
          const items = props.materials.filter((m) => m.kind === kind);
          const owned = items.filter((m) => m.inStock).length;
          if (items.length === 0) return null;
          return (
            <section key={kind} aria-label={kindName[kind]} className={styles.kind}>
              <Checkbox
                checked={owned === items.length}
                indeterminate={owned > 0 && owned < items.length}
                onChange={(e) => void own(items, e.target.checked)}
              >
                <b>{kindName[kind]}</b>{' '}
                <span className="soft">
                  {owned} of {items.length}
                </span>
              </Checkbox>
              <ul className={styles.items}>
                {items.map((m) => (
                  <li key={m.id}>
                    <Checkbox checked={m.inStock} onChange={(e) => void own([m], e.target.checked)}>
                      {m.colour && <i className="chip" style={{ background: m.colour }} aria-hidden />}{' '}
                      {m.name}
                    </Checkbox>
                  </li>
                ))}
              </ul>
            </section>
          );
        })}
      </div>
    </Drawer>
  );
}
