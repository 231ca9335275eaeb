import { Button, Drawer, Input, Select } from 'antd';
import dayjs from 'dayjs';
import { useId, useState } from 'react';
import { colourWords, type LabD65, screenColourFromLabD65 } from '@kleur/core/colour';
import { type ColourReader, ReaderError, type ReaderProblem } from '@kleur/core/device';
import { colourFromText, type Face, facesOf, HOW_DOUBT, type ReadHow } from '@kleur/core/evidence';
import { type Plan } from '@kleur/core/plan';
import { ColourPicker } from '../../../shared/ui/ColourPicker.tsx';
import { FaceAndDay } from './FaceAndDay.tsx';
import { type NewReading, useKeepReadings } from './useKeepReadings.ts';
import styles from './result.module.css';

const READER_TEXT: Readonly<Record<ReaderProblem, string>> = {
  'not-calibrated': 'Lay the reader on its white tile first, and calibrate it.',
  'battery-low': 'The battery of the reader is too low to measure by. Charge it.',
  'not-on-surface': 'The reader lies on nothing it can measure. Lay it flat on the bar.',
};

interface Found {
  readonly lab: LabD65;
  readonly how: ReadHow;
  readonly doubt: number;
}

/** One colour of one face: typed, picked, or taken from a colour reader. */
export function TypedReading(props: {
  readonly batchId: string;
  readonly plan: Plan;
  readonly potId: string | null;
  readonly face: Face;
  /** Of the pot and face chosen. */
  readonly reader: (potId: string, face: Face) => ColourReader;
  readonly onClose: () => void;
}) {
  const { batchId, plan, reader, onClose } = props;
  const pots = plan.pots.filter((p) => facesOf(plan, p.id).length > 0 && !p.id.includes('/'));
  const [potId, setPotId] = useState(props.potId ?? pots[0]?.id ?? '');
  const faces = facesOf(plan, potId);
  const [wantedFace, setFace] = useState<Face>(props.face);
  const face = faces.includes(wantedFace) ? wantedFace : (faces[0] ?? 'cut');
  const [on, setOn] = useState(() => dayjs().format('YYYY-MM-DD'));
  const [text, setText] = useState('');
  const [note, setNote] = useState('');
  const [measured, setMeasured] = useState<Found | null>(null);
  const { keep, problem, setProblem, busy } = useKeepReadings(batchId);
  const fieldId = useId();
  const noteId = useId();

  const typed = colourFromText(text);
  const found: Found | null =
    text.trim() === '' ? measured : typed && { ...typed, doubt: HOW_DOUBT[typed.how] };
  const hex = found ? screenColourFromLabD65(found.lab).hex : null;

  const measure = async (): Promise<void> => {
    setProblem('');
    try {
      const device = reader(potId, face);
      await device.calibrate();
      const { lab, spread } = await device.measure();
      setText('');
      setMeasured({ lab, how: 'reader', doubt: Math.max(HOW_DOUBT.reader, spread) });
    } catch (error) {
      setProblem(error instanceof ReaderError ? READER_TEXT[error.problem] : 'The reader does not answer.');
    }
  };
  const save = async (): Promise<void> => {
    if (!found) {
      setProblem('Type a colour as L*, a*, b* (such as 52 24 31) or as hex (such as #b06a49).');
      return;
    }
    const reading: NewReading = { potId, face, on, note, file: '', ...found };
    if (await keep([reading])) onClose();
  };

  return (
    <Drawer
      open
      size={460}
      title="A reading"
      mask={false}
      onClose={onClose}
      footer={
        <Button type="primary" loading={busy} onClick={() => void save()}>
          Keep this reading
        </Button>
      }
    >
      <div className={styles.form}>
        <span className={styles.field}>
          <span>Pot</span>
          <Select
            aria-label="Pot"
            value={potId}
            onChange={setPotId}
            options={pots.map((p) => ({ value: p.id, label: p.name }))}
          />
        </span>
        <FaceAndDay faces={faces} face={face} onFace={setFace} dayLabel="Seen on" day={on} onDay={setOn} />
        <div className={styles.field}>
          <label htmlFor={fieldId}>Colour</label>
          <span className={styles.row}>
            <Input
              id={fieldId}
              value={text}
              placeholder="52 24 31 or #b06a49"
              status={text.trim() !== '' && !typed ? 'error' : undefined}
              onChange={(e) => {
                setText(e.target.value);
                setProblem('');
              }}
              onPressEnter={() => void save()}
            />
            <ColourPicker value={hex} label="Pick the colour" onPick={setText} />
          </span>
          <span className="soft small">
            L*, a*, b* for daylight (D65), gloss excluded, or hex as a screen shows it.
          </span>
        </div>
        <div className={styles.row}>
          <Button onClick={() => void measure()}>Measure with the colour reader (simulated)</Button>
        </div>
        {found && hex && (
          <p className={styles.found} role="status">
            <i className={styles.chip} style={{ background: hex }} /> {colourWords(found.lab)}{' '}
            <span className="figure">{hex}</span> ± {found.doubt.toFixed(1)}
          </p>
        )}
        <div className={styles.field}>
          <label htmlFor={noteId}>Remark</label>
          <Input
            id={noteId}
            value={note}
            maxLength={500}
            onChange={(e) => {
              setNote(e.target.value);
            }}
          />
        </div>
        {problem !== '' && (
          <p className="field-problem" role="alert">
            {problem}
          </p>
        )}
      </div>
    </Drawer>
  );
}
