import { Button, Drawer, Input } from 'antd';
import { useId, useState } from 'react';
import { type MaterialWire } from '@kleur/contract';
import { colourWords, screenColourFromLabD65 } from '@kleur/core/colour';
import {
  colourFromText,
  HOW_DOUBT,
  READING_LIMITS,
  TEST_BAR_LIMITS,
  type TestBar,
} from '@kleur/core/evidence';
import { CURED_HOURS, HOURS_PER_DAY } from '@kleur/core/pigment';
import { failureOf } from '../../data/api.ts';
import { useAddBarsMutation, useCorrectBarMutation } from '../../data/book.ts';
import { usePrinter } from '../../shared/hooks/useSettings.ts';
import { BarEffect } from '../../shared/ui/BarEffect.tsx';
import { ColourPicker } from '../../shared/ui/ColourPicker.tsx';
import { NumberField } from '../../shared/ui/NumberField.tsx';
import { BaseChoice } from './BaseChoice.tsx';
import {
  type BarOils,
  barWrite,
  doseProblem,
  type DoseRow,
  emptyRow,
  newBarId,
  rowsOf,
  uncolouredQuestion,
} from './barForm.ts';
import styles from './book.module.css';
import { DoseRows } from './DoseRows.tsx';
import { GelledChoice } from './GelledChoice.tsx';
import { GlossSwitch } from './GlossSwitch.tsx';
import { TextField } from './TextField.tsx';
import { useDays } from '../../shared/hooks/useDays.ts';

/** A bar that no batch knows of, by hand: what is in it, how old it is, and its colour. */
export function AddBar(props: {
  readonly shelf: readonly MaterialWire[];
  /** The colourant that it is of; null for any. */
  readonly of: string | null;
  /** The bar that is corrected; null for a new one. */
  readonly bar?: TestBar | null;
  /** @param kept the id of the bar that was kept */
  readonly onClose: (kept?: string) => void;
}) {
  const clock = useDays();
  const { shelf, of, bar: kept = null, onClose } = props;
  const print = usePrinter();
  const [id] = useState(() => kept?.id ?? newBarId());
  const [name, setName] = useState(kept?.name ?? '');
  const [rows, setRows] = useState<readonly DoseRow[]>(() => (kept ? rowsOf(kept) : [emptyRow(of)]));
  const [days, setDays] = useState((kept?.hours ?? CURED_HOURS) / HOURS_PER_DAY);
  const [gelled, setGelled] = useState(kept ? kept.gel > 0.5 : true);
  const [oils, setOils] = useState<BarOils>(kept?.oils ?? []);
  const [vanillin, setVanillin] = useState(kept?.vanillin ?? 0);
  const [first] = useState(() => (kept ? kept.lab.map((v) => v.toFixed(2)).join(' ') : ''));
  const [text, setText] = useState(first);
  const [instrument, setInstrument] = useState(kept?.instrument ?? '');
  const [hasGloss, setHasGloss] = useState(kept?.hasGloss ?? false);
  const [lot, setLot] = useState(kept?.lot ?? '');
  const [asked, setAsked] = useState(false);
  const [problem, setProblem] = useState('');
  const [add, { isLoading: isAdding }] = useAddBarsMutation();
  const [correct, { isLoading: isCorrecting }] = useCorrectBarMutation();
  const fieldId = useId();
  // A colour that nobody typed anew stays as it was read, with its spectrum.
  const isSame = kept !== null && text === first;
  const typed = isSame ? { lab: kept.lab, how: kept.how } : colourFromText(text);
  const hex = typed ? screenColourFromLabD65(typed.lab).hex : null;
  const isMeasured = typed?.how === 'lab' || typed?.how === 'reader';
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
    const question = uncolouredQuestion(rows, { lab: typed.lab, hours: days * HOURS_PER_DAY }, shelf, print);
    if (question !== '' && !asked) {
      setProblem(question);
      setAsked(true);
      return;
    }
    const bar = barWrite(
      { id, name, rows, gelled, lot },
      {
        on: kept?.on ?? clock.today(),
        hours: days * HOURS_PER_DAY,
        oils,
        vanillin,
        ...typed,
        doubt: isSame ? kept.doubt : HOW_DOUBT[typed.how],
        ...(isSame && kept.spectrum && { spectrum: kept.spectrum }),
        ...(isSame && kept.simulated && { simulated: true }),
        ...(kept && { note: kept.note }),
        // What a screen shows was read with nothing.
        ...(isMeasured && instrument.trim() !== '' && { instrument: instrument.trim() }),
        ...(isMeasured && hasGloss && { hasGloss }),
      },
      shelf,
    );
    try {
      if (kept) await correct(bar).unwrap();
      else await add({ bars: [bar] }).unwrap();
      onClose(id);
    } catch (error) {
      setProblem(failureOf(error).message);
    }
  };
  return (
    <Drawer
      open
      size={480}
      title={kept ? kept.name : 'A bar of your own'}
      mask={false}
      onClose={() => {
        onClose();
      }}
      footer={
        <Button type="primary" loading={isAdding || isCorrecting} onClick={() => void keep()}>
          {kept ? 'Save changes' : 'Keep this bar'}
        </Button>
      }
    >
      <div className={styles.barForm}>
        {kept && !kept.simulated && <BarEffect readingId={kept.id} />}
        {kept?.simulated && <p className="soft">Simulated reading: Kleur does not learn from it.</p>}
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
