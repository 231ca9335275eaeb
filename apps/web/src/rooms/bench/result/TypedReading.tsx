import { Button, Drawer, Input, Select } from 'antd';
import { useId, useState } from 'react';
import { colourWords, type LabD65, screenColourFromLabD65 } from '@kleur/core/colour';
import { colourFromText, type Face, facesOf, HOW_DOUBT, type ReadHow } from '@kleur/core/evidence';
import { type Plan } from '@kleur/core/plan';
import { ColourPicker } from '../../../shared/ui/ColourPicker.tsx';
import { FaceAndDay } from './FaceAndDay.tsx';
import { type NewReading, useKeepReadings } from './useKeepReadings.ts';
import styles from './result.module.css';
import { useDays } from '../../../shared/hooks/useDays.ts';

interface Found {
  readonly lab: LabD65;
  readonly how: ReadHow;
  readonly doubt: number;
}

/** One colour of one face, typed or picked. */
export function TypedReading(props: {
  readonly batchId: string;
  readonly plan: Plan;
  readonly potId: string | null;
  readonly face: Face;
  readonly onClose: () => void;
}) {
  const days = useDays();
  const { batchId, plan, onClose } = props;
  const pots = plan.pots.filter((p) => facesOf(plan, p.id).length > 0 && !p.id.includes('/'));
  const [potId, setPotId] = useState(props.potId ?? pots[0]?.id ?? '');
  const faces = facesOf(plan, potId);
  const [wantedFace, setFace] = useState<Face>(props.face);
  const face = faces.includes(wantedFace) ? wantedFace : (faces[0] ?? 'cut');
  const [on, setOn] = useState(days.today);
  const [text, setText] = useState('');
  const [note, setNote] = useState('');
  const [gelled, setGelled] = useState<'batch' | 'yes' | 'no'>('batch');
  const { keep, problem, setProblem, busy } = useKeepReadings(batchId);
  const fieldId = useId();
  const noteId = useId();

  const typed = colourFromText(text);
  const found: Found | null = typed && { ...typed, doubt: HOW_DOUBT[typed.how] };
  const hex = found ? screenColourFromLabD65(found.lab).hex : null;

  const save = async (): Promise<void> => {
    if (!found) {
      setProblem('Type a colour as L*, a*, b* (such as 52 24 31) or as hex (such as #b06a49).');
      return;
    }
    const own = gelled === 'batch' ? {} : { gelled: gelled === 'yes' };
    const reading: NewReading = { potId, face, on, note, file: '', ...found, ...own };
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
        <span className={styles.field}>
          <span>This piece</span>
          <Select
            aria-label="This piece"
            value={gelled}
            onChange={setGelled}
            options={[
              { value: 'batch', label: 'went with the batch' },
              { value: 'yes', label: 'gelled by itself, as a cup in the oven' },
              { value: 'no', label: 'did not gel, as a cup kept cool' },
            ]}
          />
        </span>
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
