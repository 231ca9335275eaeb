import { Button, Input, Select } from 'antd';
import { type ReactNode, useState } from 'react';
import { type LogEntry, nextCupLabel, TEST_CUP, testCupsOf, TRACES, TROUBLES } from '@kleur/core/day';
import { PLAN_LIMITS } from '@kleur/core/plan';
import { type NewEntry } from '../../../data/benchLog.ts';
import { newId } from '../../../data/newId.ts';
import { usePrinter } from '../../../shared/hooks/useSettings.ts';
import { VolumeField } from '../../../shared/ui/Quantity.tsx';
import styles from './make.module.css';
import { type ReadFrom } from './TakeReading.tsx';
import { MassAct } from './MassAct.tsx';
import { TestCupWords } from '../TestCupWords.tsx';
import { type MadePot } from './useMade.ts';

type Say = (entry: Omit<NewEntry, 'potId'>) => void;

/** A question at the pot with its answers, each one touch. */
function Acts({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <section aria-label={title}>
      <h3>{title}</h3>
      <div className={styles.taps}>{children}</div>
    </section>
  );
}

/** One touch that says one thing. */
function Tap({
  label,
  onTap,
  on = false,
  disabled = false,
}: {
  readonly label: string;
  readonly onTap: () => void;
  readonly on?: boolean;
  readonly disabled?: boolean;
}) {
  return (
    <Button
      type={on ? 'primary' : 'default'}
      aria-pressed={on || undefined}
      disabled={disabled}
      onClick={onTap}
    >
      {label}
    </Button>
  );
}

const SIZES = [
  ['About half', 0.5],
  ['About ¾', 0.75],
  ['As planned', 1],
  ['A quarter more', 1.25],
] as const;

/** Marks stand on jugs every so many ml. */
const MARKS = { small: 25, large: 50 } as const;
const SMALL_JUG = 250;

/** Marks of a jug next to what is planned, ml. */
function marksNear(planned: number): number[] {
  const step = planned < SMALL_JUG ? MARKS.small : MARKS.large;
  const middle = Math.round(planned / step) * step;
  return [middle - step, middle, middle + step].filter((ml) => ml > 0);
}

/**
 * How much batter the pot really holds: against its plan, weighed, or by the marks of its jug.
 * @param planned ml
 */
export function SizeActs({ planned, onSay }: { readonly planned: number; readonly onSay: Say }) {
  const print = usePrinter();
  const [volume, setVolume] = useState<number | null>(null);
  const bySay = (value: number): void => {
    onSay({ kind: 'sized', by: 'millilitres', value });
  };
  return (
    <Acts title="How much batter is in it">
      {SIZES.map(([label, value]) => (
        <Tap
          key={label}
          label={label}
          onTap={() => {
            onSay({ kind: 'sized', by: 'fraction', value });
          }}
        />
      ))}
      <MassAct
        label="Weighed"
        act="It weighs this"
        onSay={(value, from) => {
          onSay({ kind: 'sized', by: 'grams', value, ...from });
        }}
      />
      {marksNear(planned).map((ml) => (
        <Tap
          key={ml}
          label={`Mark ${print.volume(ml)}`}
          onTap={() => {
            bySay(ml);
          }}
        />
      ))}
      <VolumeField
        label="Mark of the jug"
        hideLabel
        width={150}
        value={volume}
        min={0}
        max={PLAN_LIMITS.mass.max}
        placeholder="other mark"
        onCommit={setVolume}
        onClear={() => {
          setVolume(null);
        }}
      />
      <Tap
        label="Up to this mark"
        disabled={volume === null}
        onTap={() => {
          bySay(volume!);
          setVolume(null);
        }}
      />
    </Acts>
  );
}

const SHARES = [
  ['A quarter', 0.25],
  ['Half', 0.5],
  ['All of it', 1],
] as const;
const NEW = 'new';
const SPARE = 'spare';

/** What went wrong in it. */
export function TroubleActs({ onSay }: { readonly onSay: Say }) {
  return (
    <Acts title="Did it go wrong">
      {TROUBLES.map((label, value) => (
        <Tap
          key={label}
          label={`${label.charAt(0).toUpperCase()}${label.slice(1)}`}
          onTap={() => {
            onSay({ kind: 'trouble', value });
          }}
        />
      ))}
    </Acts>
  );
}

/** Notes that are made again and again. */
const CHIPS = [
  'Brighter than planned',
  'Duller than planned',
  'Specks',
  'Air bubbles',
  'Smells strong',
  'Stirred too long',
];

/** Batter that went from this pot into another one, a new one or a spare mould. */
export function TakeActs({
  pot,
  pots,
  onSay,
}: {
  readonly pot: MadePot;
  readonly pots: readonly MadePot[];
  readonly onSay: Say;
}) {
  const [into, setInto] = useState(NEW);
  const [name, setName] = useState('');
  const others = pots.filter((p) => p.id !== pot.id);
  const target = into === NEW || into === SPARE || others.some((p) => p.id === into) ? into : NEW;
  const take = (by: 'fraction' | 'grams', value: number, from: ReadFrom = {}): void => {
    if (target === SPARE) onSay({ kind: 'spared', by, value, ...from });
    else if (target === NEW) {
      onSay({
        kind: 'took',
        by,
        value,
        target: newId(),
        text: name.trim() === '' ? `From ${pot.name}` : name.trim(),
        ...from,
      });
      setName('');
    } else onSay({ kind: 'took', by, value, target, ...from });
  };
  return (
    <Acts title="Taken from it">
      <Select
        aria-label="Into"
        value={target}
        onChange={setInto}
        options={[
          { value: NEW, label: 'into a new pot' },
          ...others.map((p) => ({ value: p.id, label: `into ${p.name}` })),
          { value: SPARE, label: 'into a spare mould' },
        ]}
        style={{ minWidth: 180 }}
      />
      {target === NEW && (
        <Input
          aria-label="Name of the new pot"
          placeholder="its name"
          maxLength={PLAN_LIMITS.name}
          value={name}
          style={{ width: 150 }}
          onChange={(e) => {
            setName(e.target.value);
          }}
        />
      )}
      {SHARES.map(([label, value]) => (
        <Tap
          key={label}
          label={label}
          onTap={() => {
            take('fraction', value);
          }}
        />
      ))}
      <MassAct
        label="Taken"
        act="This much"
        onSay={(value, from) => {
          take('grams', value, from);
        }}
      />
    </Acts>
  );
}

/** One touch keeps a cup of this batter for the swatch book; what to write on it, and when to read it. */
export function TestCupActs({
  pot,
  log,
  onSay,
}: {
  readonly pot: MadePot;
  readonly log: readonly LogEntry[];
  readonly onSay: Say;
}) {
  const print = usePrinter();
  const cups = testCupsOf(log).filter((c) => c.of === pot.id);
  return (
    <Acts title="For the swatch book">
      <Tap
        label={`Keep a cup of ${print.mass(TEST_CUP)}`}
        onTap={() => {
          onSay({ kind: 'spared', by: 'grams', value: TEST_CUP, text: nextCupLabel(log, pot.id, pot.name) });
        }}
      />
      {cups.length === 0 ? (
        <span className="soft">
          A scrape of the jug in a cavity does. It tells what this colour really is.
        </span>
      ) : (
        <ul className={styles.testCups} role="status">
          {cups.map((cup) => (
            <li key={cup.potId}>
              <TestCupWords cup={cup} />
            </li>
          ))}
        </ul>
      )}
    </Acts>
  );
}

const SCENTS = [
  ['All of it', 1],
  ['Most', 0.75],
  ['A little', 0.25],
  ['None', 0],
] as const;

export function ScentActs({ said, onSay }: { readonly said: number | null; readonly onSay: Say }) {
  return (
    <Acts title="Scent that went in">
      {SCENTS.map(([label, value]) => (
        <Tap
          key={label}
          label={label}
          on={said === value}
          onTap={() => {
            onSay({ kind: 'scented', by: 'fraction', value });
          }}
        />
      ))}
    </Acts>
  );
}

export function ThicknessActs({ said, onSay }: { readonly said: number | null; readonly onSay: Say }) {
  return (
    <Acts title="How thick it is">
      {TRACES.map((trace, value) => (
        <Tap
          key={trace}
          label={trace}
          on={said === value}
          onTap={() => {
            onSay({ kind: 'thickness', value });
          }}
        />
      ))}
    </Acts>
  );
}

export function NoteActs({ onSay }: { readonly onSay: Say }) {
  const [text, setText] = useState('');
  const say = (): void => {
    if (text.trim() === '') return;
    onSay({ kind: 'noted', text: text.trim() });
    setText('');
  };
  return (
    <Acts title="Note">
      {CHIPS.map((chip) => (
        <Tap
          key={chip}
          label={chip}
          onTap={() => {
            onSay({ kind: 'noted', text: chip });
          }}
        />
      ))}
      <Input
        aria-label="Note on this pot"
        maxLength={500}
        value={text}
        style={{ flex: 1, minWidth: 200 }}
        onChange={(e) => {
          setText(e.target.value);
        }}
        onPressEnter={say}
      />
      <Button disabled={text.trim() === ''} onClick={say}>
        Write it down
      </Button>
    </Acts>
  );
}
