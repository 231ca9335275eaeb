import { Input } from 'antd';
import { useState } from 'react';
import { ColourPicker } from '../../../shared/ui/ColourPicker.tsx';
import styles from './start.module.css';
import { hexOfText, type WantedColour } from './wantedColour.ts';

/** The colours of the pots, each picked or typed. */
export function ColourCells(props: {
  readonly colours: readonly WantedColour[];
  readonly onChange: (index: number, colour: WantedColour) => void;
}) {
  return (
    <ul className={styles.colours} aria-label="Colours of the pots">
      {props.colours.map((colour, i) => (
        <ColourCell
          key={i}
          index={i}
          colour={colour}
          onChange={(c) => {
            props.onChange(i, c);
          }}
        />
      ))}
    </ul>
  );
}

function ColourCell(props: {
  readonly index: number;
  readonly colour: WantedColour;
  readonly onChange: (colour: WantedColour) => void;
}) {
  const { index, colour, onChange } = props;
  const [draft, setDraft] = useState<string | null>(null);
  const text = draft ?? colour.text;
  const unknown = hexOfText(text) === null;
  const id = `start-colour-${index}`;
  return (
    <li className={styles.colour}>
      <ColourPicker
        value={colour.hex}
        label={`Pot ${index + 1}: pick its colour`}
        className={styles.swatch}
        style={{ background: colour.hex }}
        onPick={(hex) => {
          setDraft(null);
          onChange({ hex, text: hex });
        }}
      />
      <label className="sr-only" htmlFor={id}>
        Pot {index + 1}, its colour in words or hex
      </label>
      <Input
        id={id}
        variant="borderless"
        value={text}
        maxLength={40}
        status={unknown ? 'error' : ''}
        aria-invalid={unknown || undefined}
        aria-describedby={unknown ? `${id}-problem` : undefined}
        onFocus={(e) => {
          e.target.select();
        }}
        onChange={(e) => {
          setDraft(e.target.value);
          const hex = hexOfText(e.target.value);
          if (hex) onChange({ hex, text: e.target.value });
        }}
        onBlur={() => {
          setDraft(null);
        }}
      />
      {unknown && (
        <p id={`${id}-problem`} className="field-problem" role="alert">
          Words such as “dark teal”, or a hex
        </p>
      )}
    </li>
  );
}
