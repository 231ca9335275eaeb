import { Button, Input } from 'antd';
import { useId, useState } from 'react';
import { type CardColours } from '@kleur/contract';
import { type LabD65 } from '@kleur/core/colour';
import { colourFromText } from '@kleur/core/evidence';
import { failureOf } from '../../data/api.ts';
import { settingsApi } from '../../data/settings.ts';
import { useAppDispatch } from '../../data/store.ts';
import { usePrinter, useSettings } from '../hooks/useSettings.ts';
import styles from './photo.module.css';

const PATCHES = [
  ['white', 'White'],
  ['grey', 'Grey'],
  ['black', 'Black'],
] as const;

/** The card that the maker owns: the known colour of each of its patches, kept in the settings. */
export function CardColoursFields() {
  const { card } = useSettings();
  const print = usePrinter();
  const [open, setOpen] = useState(false);
  const text = (lab: LabD65 | null): string =>
    lab ? lab.map((v) => print.number(v, 1).replace('−', '-')).join(' ') : 'none';
  return (
    <div>
      <p className="soft small">
        Your card: {PATCHES.map(([key, name]) => `${name.toLowerCase()} ${text(card[key])}`).join(', ')} (L*
        a* b*).{' '}
        <Button
          type="link"
          size="small"
          aria-expanded={open}
          onClick={() => {
            setOpen(!open);
          }}
        >
          {open ? 'Done' : 'Change'}
        </Button>
      </p>
      {open && (
        <>
          {PATCHES.map(([key, name]) => (
            <PatchField key={key} name={name} of={key} card={card} text={text(card[key])} />
          ))}
          <p className="soft small">
            As stated by its maker, or read once. Office paper is brightened and bluish, about 94 2 −9: taken
            for white it makes bars read too yellow.
          </p>
        </>
      )}
    </div>
  );
}

function PatchField(props: {
  readonly name: string;
  readonly of: keyof CardColours;
  readonly card: CardColours;
  readonly text: string;
}) {
  const { name, of, card } = props;
  const id = useId();
  const dispatch = useAppDispatch();
  const [text, setText] = useState(props.text);
  const [problem, setProblem] = useState('');
  const save = async (): Promise<void> => {
    const isNone = of !== 'white' && ['', 'none'].includes(text.trim().toLowerCase());
    const typed = colourFromText(text);
    if (!isNone && !typed) {
      setProblem('Written as L*, a*, b*, such as 95 0 1, or as hex.');
      return;
    }
    setProblem('');
    try {
      const settings = await dispatch(
        settingsApi.endpoints.settings.initiate(undefined, { subscribe: false }),
      ).unwrap();
      const { version, ...rest } = settings;
      const next = { ...card, [of]: isNone ? null : typed!.lab };
      await dispatch(
        settingsApi.endpoints.saveSettings.initiate({ version, settings: { ...rest, card: next } }),
      ).unwrap();
    } catch (error) {
      setProblem(failureOf(error).message);
    }
  };
  return (
    <div className={styles.field}>
      <label htmlFor={id}>{name}</label>
      <Input
        id={id}
        value={text}
        status={problem ? 'error' : undefined}
        onChange={(e) => {
          setText(e.target.value);
        }}
        onBlur={() => void save()}
        onPressEnter={() => void save()}
      />
      {problem && (
        <span className="field-problem" role="alert">
          {problem}
        </span>
      )}
    </div>
  );
}
