import { Button, Drawer, Input } from 'antd';
import dayjs from 'dayjs';
import { useId, useState } from 'react';
import { type MaterialWire } from '@kleur/contract';
import { colourWords, screenColourFromLabD65 } from '@kleur/core/colour';
import { colourFromText, HOW_DOUBT, READING_LIMITS, TEST_BAR_LIMITS } from '@kleur/core/evidence';
import { CURED_HOURS, HOURS_PER_DAY } from '@kleur/core/pigment';
import { failureOf } from '../../data/api.ts';
import { useAddBarsMutation } from '../../data/book.ts';
import { ColourPicker } from '../../shared/ui/ColourPicker.tsx';
import { NumberField } from '../../shared/ui/NumberField.tsx';
import { BaseChoice } from './BaseChoice.tsx';
import { type BarOils, barWrite, doseProblem, type DoseRow, emptyRow, newBarId } from './barForm.ts';
import styles from './book.module.css';
import { DoseRows } from './DoseRows.tsx';
import { GelledChoice } from './GelledChoice.tsx';
import { GlossSwitch } from './GlossSwitch.tsx';
import { TextField } from './TextField.tsx';

/** A bar that no batch knows of, by hand: what is in it, how old it is, and its colour. */
export function AddBar(props: {
  readonly shelf: readonly MaterialWire[];
  /** The colourant that it is of; null for any. */
  readonly of: string | null;
  /** @param kept the id of the bar that was kept */
  readonly onClose: (kept?: string) => void;
}) {
  const { shelf, of, onClose } = props;
  const [id] = useState(newBarId);
  const [name, setName] = useState('');
  const [rows, setRows] = useState<readonly DoseRow[]>([emptyRow(of)]);
  const [days, setDays] = useState(CURED_HOURS / HOURS_PER_DAY);
  const [gelled, setGelled] = useState(true);
  const [oils, setOils] = useState<BarOils>([]);
  const [vanillin, setVanillin] = useState(0);
  const [text, setText] = useState('');
  const [instrument, setInstrument] = useState('');
  const [hasGloss, setHasGloss] = useState(false);
  const [lot, setLot] = useState('');
  const [problem, setProblem] = useState('');
  const [add, { isLoading }] = useAddBarsMutation();
  const fieldId = useId();
  const typed = colourFromText(text);
  const hex = typed ? screenColourFromLabD65(typed.lab).hex : null;
  const isMeasured = typed?.how === 'lab';
  const keep = async (): Promise<void> => {
    if (!typed) {
      setProblem('Type a colour as L*, a*, b* (such as 52 24 31) or as hex (such as #b06a49).');
      return;
    }
    const wrong = doseProblem(rows);
    if (wrong !== '') {
      setProblem(wrong);
      return;
    }
    const bar = barWrite(
      { id, name, rows, gelled, lot },
      {
        on: dayjs().format('YYYY-MM-DD'),
        hours: days * HOURS_PER_DAY,
        oils,
        vanillin,
        ...typed,
        doubt: HOW_DOUBT[typed.how],
        // What a screen shows was read with nothing.
        ...(isMeasured && instrument.trim() !== '' && { instrument: instrument.trim() }),
        ...(isMeasured && hasGloss && { hasGloss }),
      },
      shelf,
    );
    try {
      await add({ bars: [bar] }).unwrap();
      onClose(id);
    } catch (error) {
      setProblem(failureOf(error).message);
    }
  };
  return (
    <Drawer
      open
      size={480}
      title="A bar of your own"
      mask={false}
      onClose={() => {
        onClose();
      }}
      footer={
        <Button type="primary" loading={isLoading} onClick={() => void keep()}>
          Keep this bar
        </Button>
      }
    >
      <div className={styles.barForm}>
        <TextField
          label="Name"
          name="Name of the bar"
          maxLength={TEST_BAR_LIMITS.name}
          placeholder="what stands on it"
          value={name}
          onChange={setName}
        />
        <div>
          <span className="field-label">What is in it, g/kg oils</span>
          <DoseRows rows={rows} shelf={shelf} onChange={setRows} />
        </div>
        <BaseChoice oils={oils} onChange={setOils} />
        <div className={styles.doseRow}>
          <NumberField
            label="Age"
            width={120}
            value={days}
            digits={1}
            min={0}
            max={READING_LIMITS.hours.max / HOURS_PER_DAY}
            suffix="days"
            onCommit={setDays}
          />
          <NumberField
            label="Vanillin of its scent"
            width={150}
            value={vanillin}
            digits={2}
            {...TEST_BAR_LIMITS.vanillin}
            suffix="g/kg"
            onCommit={setVanillin}
          />
        </div>
        <GelledChoice label="Whether it gelled" gelled={gelled} onChange={setGelled} />
        <div>
          <label htmlFor={fieldId} className="field-label">
            Colour
          </label>
          <div className={styles.doseRow}>
            <Input
              id={fieldId}
              value={text}
              placeholder="52 24 31 or #b06a49"
              status={text.trim() !== '' && !typed ? 'error' : undefined}
              onChange={(e) => {
                setText(e.target.value);
                setProblem('');
              }}
            />
            <ColourPicker value={hex} label="Pick the colour" onPick={setText} />
          </div>
          <span className="soft small">L*, a*, b* for daylight (D65), or hex.</span>
          {typed && hex && (
            <p role="status">
              <i className={styles.chip} style={{ background: hex }} /> {colourWords(typed.lab)}
            </p>
          )}
        </div>
        {isMeasured && (
          <>
            <TextField
              label="Instrument"
              maxLength={READING_LIMITS.instrument}
              value={instrument}
              onChange={setInstrument}
            />
            <GlossSwitch checked={hasGloss} onChange={setHasGloss} />
          </>
        )}
        <TextField label="Lot" maxLength={READING_LIMITS.lot} value={lot} onChange={setLot} />
        {problem !== '' && (
          <p className="field-problem" role="alert">
            {problem}
          </p>
        )}
      </div>
    </Drawer>
  );
}
