import { Button, Drawer, Input, Select } from 'antd';
import { useId, useState } from 'react';
import { useNavigate } from 'react-router';
import { defaultCurve, isColourant, MATERIAL_KINDS, type MaterialKind } from '@kleur/core/material';
import { failureOf } from '../../data/api.ts';
import { useCreateMaterialMutation } from '../../data/materials.ts';
import { ColourPicker } from '../../shared/ui/ColourPicker.tsx';
import { kindName } from '../../shared/ui/kindName.ts';
import { blankMaterial } from '../../shared/blankMaterial.ts';
import styles from './book.module.css';
import { percent } from './bookOf.ts';

const MOST_NAME = 80;
const START_COLOUR = '#9a7f6a';
const KINDS = MATERIAL_KINDS.filter(isColourant);

/** A colourant that nobody knows yet: a name, a kind and a rough colour are enough to begin with. */
export function NewColourant({ onClose }: { readonly onClose: () => void }) {
  const navigate = useNavigate();
  const [name, setName] = useState('');
  const [kind, setKind] = useState<MaterialKind>('mica');
  const [colour, setColour] = useState(START_COLOUR);
  const [problem, setProblem] = useState('');
  const [create, { isLoading }] = useCreateMaterialMutation();
  const nameId = useId();
  const keep = async (): Promise<void> => {
    if (name.trim() === '') {
      setProblem('Give it a name.');
      return;
    }
    try {
      const made = await create({ ...blankMaterial(kind), name: name.trim(), colour }).unwrap();
      await navigate(`/book/${encodeURIComponent(made.id)}`);
      onClose();
    } catch (error) {
      setProblem(failureOf(error).message);
    }
  };
  return (
    <Drawer
      open
      size={420}
      title="A new colourant"
      mask={false}
      onClose={onClose}
      footer={
        <Button type="primary" loading={isLoading} onClick={() => void keep()}>
          Put it on the shelf
        </Button>
      }
    >
      <div className={styles.barForm}>
        <div>
          <label htmlFor={nameId} className="field-label">
            Name
          </label>
          <Input
            id={nameId}
            autoFocus
            maxLength={MOST_NAME}
            value={name}
            onChange={(e) => {
              setName(e.target.value);
              setProblem('');
            }}
            onPressEnter={() => void keep()}
          />
        </div>
        <div className={styles.trialField}>
          <span className="field-label">Kind</span>
          <Select<MaterialKind>
            aria-label="Kind"
            value={kind}
            onChange={setKind}
            options={KINDS.map((k) => ({ value: k, label: kindName[k] }))}
          />
        </div>
        <div>
          <span className="field-label">Its colour in gelled soap, roughly</span>
          <div className={styles.doseRow}>
            <ColourPicker value={colour} label="Pick the colour" onPick={setColour} />
          </div>
        </div>
        <p className="soft small">
          It begins as a guess: strength ± {percent(defaultCurve(kind).spread)}. Three bars make a usable
          curve of it: a pale one, a middle one, and one with white.
        </p>
        {problem !== '' && (
          <p className="field-problem" role="alert">
            {problem}
          </p>
        )}
      </div>
    </Drawer>
  );
}
