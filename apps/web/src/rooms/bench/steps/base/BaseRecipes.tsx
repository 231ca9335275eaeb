import { DeleteOutlined, FolderOpenOutlined } from '../../../../shared/ui/icons.tsx';
import { Button, Input, Popover } from 'antd';
import { useState } from 'react';
import { type RecipeWire } from '@kleur/contract';
import { materialOf, PLAN_LIMITS, useRecipe as takeRecipe } from '@kleur/core/plan';
import { failureOf } from '../../../../data/api.ts';
import {
  useCreateRecipeMutation,
  useDeleteRecipeMutation,
  useRecipesQuery,
  useRestoreRecipeMutation,
} from '../../../../data/saved.ts';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { useUndoNotice } from '../../../../shared/hooks/useUndoNotice.tsx';
import { newId } from '../../../../data/newId.ts';
import { usePlan } from '../../state/useDerived.ts';
import { useEdit } from '../../state/useEdit.ts';
import { useNotices } from '../../../../shared/hooks/useNotices.ts';

/** Saved bases: take one over, or save this one. */
export function BaseRecipes() {
  const [open, setOpen] = useState(false);
  return (
    <Popover
      trigger="click"
      open={open}
      onOpenChange={setOpen}
      placement="bottomRight"
      title="Saved bases"
      destroyOnHidden
      content={
        <RecipeMenu
          onDone={() => {
            setOpen(false);
          }}
        />
      }
    >
      <Button icon={<FolderOpenOutlined />}>Saved bases</Button>
    </Popover>
  );
}

function RecipeMenu({ onDone }: { readonly onDone: () => void }) {
  const plan = usePlan();
  const { data = [], error } = useRecipesQuery();
  const [create, creating] = useCreateRecipeMutation();
  const [remove] = useDeleteRecipeMutation();
  const [restore] = useRestoreRecipeMutation();
  const { message } = useNotices();
  const notice = useUndoNotice();
  const print = usePrinter();
  const edit = useEdit();
  const [name, setName] = useState('');

  const keep = async (): Promise<void> => {
    const { oils, superfat, lye, liquid, temperature } = plan.base;
    try {
      await create({
        name: name.trim(),
        superfat,
        lye,
        liquid,
        temperature,
        oils: oils.map((o) => ({ material: materialOf(plan, o.materialId), percent: o.percent })),
      }).unwrap();
      setName('');
      message.success('Saved.');
    } catch (e) {
      message.error(failureOf(e).message);
    }
  };
  const drop = async (recipe: RecipeWire): Promise<void> => {
    try {
      await remove(recipe.id).unwrap();
      notice({ key: recipe.id, title: `“${recipe.name}” removed`, undo: () => void restore(recipe.id) });
    } catch (e) {
      message.error(failureOf(e).message);
    }
  };
  return (
    <div className="kept">
      {error && <p role="alert">{failureOf(error).message}</p>}
      {data.length === 0 && !error && <p className="soft">None yet. Save this one to use it again.</p>}
      <ul>
        {data.map((r) => (
          <li key={r.id} className="kept-row">
            <button
              type="button"
              className="kept-use"
              onClick={() => {
                edit((p) => takeRecipe(p, r, () => newId()));
                onDone();
              }}
            >
              <b>{r.name}</b>
              <span className="soft small">
                {r.oils.map((o) => `${o.material.name} ${print.number(o.percent, 0)} %`).join(', ')}
              </span>
            </button>
            <Button
              type="text"
              icon={<DeleteOutlined />}
              aria-label={`Remove the saved base ${r.name}`}
              onClick={() => void drop(r)}
            />
          </li>
        ))}
      </ul>
      <div className="row">
        <Input
          aria-label="Name for this base"
          placeholder="Name for this base"
          maxLength={PLAN_LIMITS.name}
          value={name}
          onChange={(e) => {
            setName(e.target.value);
          }}
        />
        <Button
          loading={creating.isLoading}
          disabled={name.trim() === '' || plan.base.oils.length === 0}
          onClick={() => void keep()}
        >
          Save this base
        </Button>
      </div>
    </div>
  );
}
