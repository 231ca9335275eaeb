import { Button, Input } from 'antd';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { type MaterialWire } from '@kleur/contract';
import { READING_LIMITS, TEST_BAR_LIMITS } from '@kleur/core/evidence';
import { CURED_HOURS, HOURS_PER_DAY } from '@kleur/core/pigment';
import { failureOf } from '../../data/api.ts';
import { useAddBarsMutation } from '../../data/book.ts';
import { useMaterialsQuery } from '../../data/materials.ts';
import { useNotices } from '../../shared/hooks/useNotices.ts';
import { PhotoDesk } from '../../shared/photo/PhotoDesk.tsx';
import { usePhoto } from '../../shared/photo/usePhoto.ts';
import { DayField } from '../../shared/ui/DayField.tsx';
import { DeleteOutlined } from '../../shared/ui/icons.tsx';
import { NumberField } from '../../shared/ui/NumberField.tsx';
import { BaseChoice } from './BaseChoice.tsx';
import {
  type BarOils,
  barWrite,
  doseProblem,
  emptyRow,
  newBarId,
  type ToldBar,
  uncolouredQuestion,
} from './barForm.ts';
import styles from './book.module.css';
import { DoseRows } from './DoseRows.tsx';
import { GelledChoice } from './GelledChoice.tsx';
import { usePrinter } from '../../shared/hooks/useSettings.ts';
import { useDays } from '../../shared/hooks/useDays.ts';

/** A photo of more bars would show too little of each. */
const MOST_BARS = 48;

const emptyBar = (): ToldBar => ({ id: newBarId(), name: '', rows: [emptyRow()], gelled: true, lot: '' });

/** The next bar of a ladder: the same colourants, other doses. */
const like = (bar: ToldBar): ToldBar => ({
  ...bar,
  id: newBarId(),
  rows: bar.rows.map((r, i) => ({ ...emptyRow(r.materialId), dose: i === 0 ? null : r.dose })),
});

/** Bars that no batch knows of, many of them in one photo with a card. */
export function PhotoPage() {
  const clock = useDays();
  const print = usePrinter();
  const { data: shelf = [] } = useMaterialsQuery();
  const [bars, setBars] = useState<readonly ToldBar[]>(() => [emptyBar()]);
  const [on, setOn] = useState(clock.today);
  const [days, setDays] = useState(CURED_HOURS / HOURS_PER_DAY);
  const [oils, setOils] = useState<BarOils>([]);
  const [vanillin, setVanillin] = useState(0);
  const [problem, setProblem] = useState('');
  const photo = usePhoto(bars.map((b) => b.id));
  const [add, { isLoading }] = useAddBarsMutation();
  const { message } = useNotices();
  const navigate = useNavigate();
  const nameOf = (bar: ToldBar, i: number): string => {
    const said = bar.rows.flatMap((r) => {
      const material = shelf.find((m) => m.id === r.materialId);
      return material ? [`${material.name}${r.dose === null ? '' : ` ${r.dose}`}`] : [];
    });
    return said.join(' + ') || `Bar ${i + 1}, without colour`;
  };
  const read = bars.flatMap((bar) => {
    const seen = photo.barOf(bar.id);
    return seen?.ok ? [{ bar, seen }] : [];
  });
  const wrong = read.find(({ bar }) => doseProblem(bar.rows) !== '');
  const keep = async (): Promise<void> => {
    if (wrong) {
      setProblem(`Bar ${bars.indexOf(wrong.bar) + 1}: ${doseProblem(wrong.bar.rows)}`);
      return;
    }
    try {
      const hours = days * HOURS_PER_DAY;
      const question = read
        .map(({ bar, seen }) => uncolouredQuestion(bar.rows, { lab: seen.lab, hours }, shelf, print))
        .find((q) => q !== '');
      if (question && problem !== question) {
        setProblem(question);
        return;
      }
      const writes = read.map(({ bar, seen: { lab, doubt } }) =>
        barWrite(bar, { on, hours, oils, vanillin, lab, how: 'photo', doubt }, shelf),
      );
      await add({ bars: writes }).unwrap();
      message.success(
        writes.length === 1 ? 'One bar is in the book.' : `${writes.length} bars are in the book.`,
      );
      void navigate('/book');
    } catch (error) {
      setProblem(failureOf(error).message);
    }
  };
  const left = bars.length - read.length;
  return (
    <div className={styles.book}>
      <title>Bars in a photo · Swatch book · Kleur</title>
      <header className={styles.head}>
        <Link to="/book">Swatch book</Link>
        <h1>Bars in a photo</h1>
        <span className="spring" />
        <Button type="primary" loading={isLoading} disabled={read.length === 0} onClick={() => void keep()}>
          {read.length === 1 ? 'Keep one bar' : `Keep ${read.length} bars`}
        </Button>
      </header>
      <p className="soft">
        Bars of one age side by side, with a card: a test, or the bars of a shelf. Those of a batch are read
        under its Result.
        {photo.picture && left > 0 && ` ${left === 1 ? 'One bar is' : `${left} bars are`} not read yet.`}
      </p>
      <PhotoDesk
        photo={photo}
        problem={problem}
        onOpen={() => {
          setProblem('');
        }}
        bars={bars.map((bar, i) => ({ id: bar.id, name: nameOf(bar, i), problem: doseProblem(bar.rows) }))}
      >
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
        <span className={styles.trialField}>
          <span className="field-label">Taken on</span>
          <DayField
            label="Taken on"
            value={on}
            onPick={(day) => {
              if (day) setOn(day);
            }}
          />
        </span>
      </PhotoDesk>
      <h2>What is in them, g/kg oils</h2>
      <div className={styles.trialForm}>
        <BaseChoice oils={oils} onChange={setOils} />
        <NumberField
          label="Vanillin of their scent"
          width={150}
          value={vanillin}
          digits={2}
          {...TEST_BAR_LIMITS.vanillin}
          suffix="g/kg"
          onCommit={setVanillin}
        />
      </div>
      <ol className={styles.photoBars}>
        {bars.map((bar, i) => (
          <BarFields
            key={bar.id}
            number={i + 1}
            bar={bar}
            shelf={shelf}
            onChange={(changed) => {
              setProblem('');
              setBars(bars.map((b) => (b.id === bar.id ? changed : b)));
            }}
            onRemove={
              bars.length > 1
                ? () => {
                    setBars(bars.filter((b) => b.id !== bar.id));
                  }
                : null
            }
          />
        ))}
      </ol>
      <Button
        disabled={bars.length >= MOST_BARS}
        onClick={() => {
          setBars([...bars, like(bars.at(-1)!)]);
        }}
      >
        Another bar
      </Button>
    </div>
  );
}

function BarFields(props: {
  readonly number: number;
  readonly bar: ToldBar;
  readonly shelf: readonly MaterialWire[];
  readonly onChange: (bar: ToldBar) => void;
  /** Null for the only one. */
  readonly onRemove: (() => void) | null;
}) {
  const { number, bar, shelf, onChange, onRemove } = props;
  return (
    <li aria-label={`Bar ${number}`}>
      <div className={styles.acts}>
        <strong>Bar {number}</strong>
        <span className="spring" />
        {onRemove && (
          <Button
            type="text"
            aria-label={`Take bar ${number} away`}
            icon={<DeleteOutlined />}
            onClick={onRemove}
          />
        )}
      </div>
      <DoseRows
        rows={bar.rows}
        shelf={shelf}
        onChange={(rows) => {
          onChange({ ...bar, rows });
        }}
      />
      <div className={styles.acts}>
        <GelledChoice
          label={`Whether bar ${number} gelled`}
          gelled={bar.gelled}
          onChange={(gelled) => {
            onChange({ ...bar, gelled });
          }}
        />
        <Input
          aria-label={`Lot of bar ${number}`}
          className={styles.lotField}
          placeholder="Lot"
          maxLength={READING_LIMITS.lot}
          value={bar.lot}
          onChange={(e) => {
            onChange({ ...bar, lot: e.target.value });
          }}
        />
      </div>
    </li>
  );
}
