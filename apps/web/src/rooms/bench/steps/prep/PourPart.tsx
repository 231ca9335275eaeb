import { Button, Checkbox, Segmented } from 'antd';
import { useMemo, useState } from 'react';
import { flowOf } from '@kleur/core/balance';
import { type Move, newMove, PLAN_LIMITS, setPour } from '@kleur/core/plan';
import { type SheetLine } from '@kleur/core/sheet';
import { partsOf, pourScript, timelineOf, workOrder } from '@kleur/core/work';
import { newId } from '../../../../data/newId.ts';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { LevelMark } from '../../../../shared/ui/Levels.tsx';
import { SortableList } from '../../../../shared/ui/SortableList.tsx';
import { PotSwatch } from '../../PotSwatch.tsx';
import { usePlan } from '../../state/useDerived.ts';
import { useEdit } from '../../state/useEdit.ts';
import { MoveFields } from './MoveFields.tsx';
import styles from './PourPart.module.css';
import { useSheet } from './useSheet.ts';

type Way = 'written' | 'own' | 'free';
const WAYS: readonly { readonly value: Way; readonly label: string }[] = [
  { value: 'written', label: 'as the techniques go' },
  { value: 'own', label: 'by my own script' },
  { value: 'free', label: 'free' },
];

/** The pour move by move: what comes from which jug, where to and how, and what the scale shows after it. */
export function PourPart() {
  const plan = usePlan();
  const edit = useEdit();
  const sheet = useSheet();
  const [open, setOpen] = useState<string | null>(null);
  const moves = useMemo(() => {
    const order = workOrder(plan).order;
    return pourScript(plan, flowOf(plan), timelineOf(plan, { order }).pours).flatMap((s) => s.moves);
  }, [plan]);
  const { pour } = plan.work;
  const way: Way = pour.free ? 'free' : pour.moves ? 'own' : 'written';
  const set = (change: Parameters<typeof setPour>[1]): void => {
    edit((p) => setPour(p, change), 'pour');
  };
  if (plan.pots.length === 0) return <p className="soft">No pots yet: nothing to pour.</p>;
  // The sheet has a line for each move, in the same order.
  const lines = sheet.sections
    .filter((s) => s.id === 'pour')
    .flatMap((s) => s.groups.flatMap((g) => g.lines))
    .filter((l) => /^(pour|move):/.test(l.id) && l.id !== 'pour:design');
  const rows = moves.map((move, i) => ({ move, line: lines[i] }));
  const change = (id: string, with_: Partial<Move>): void => {
    set({ moves: (pour.moves ?? moves).map((m) => (m.id === id ? { ...m, ...with_ } : m)) });
  };
  const add = (kind: Move['kind']): void => {
    const id = newId();
    const potId = kind === 'pour' ? plan.pots[0]!.id : null;
    set({
      moves: [
        ...(pour.moves ?? []),
        newMove({ id, kind, potId, ...(kind === 'prop' ? { side: 'long' } : {}) }),
      ],
    });
    setOpen(id);
  };
  const isMine = (id: string): boolean => pour.moves?.some((m) => m.id === id) ?? false;
  return (
    <section aria-label="Pour script">
      <div className={styles.ways}>
        <span id="pour-way">Pour</span>
        <Segmented<Way>
          aria-labelledby="pour-way"
          value={way}
          options={[...WAYS]}
          onChange={(next) => {
            // One's own script starts with what stands there.
            if (next === 'own')
              set({ free: false, moves: pour.moves ?? moves.map((m) => ({ ...m, id: newId() })) });
            else set(next === 'free' ? { free: true } : { free: false, moves: null });
          }}
        />
        <Checkbox
          checked={pour.scrapes}
          onChange={(e) => {
            set({ scrapes: e.target.checked });
          }}
        >
          Last scrape of each jug into a numbered cavity
        </Checkbox>
      </div>
      {way === 'own' && <Problems moves={pour.moves ?? []} />}
      {way === 'own' ? (
        <>
          <SortableList
            label="Moves of the pour"
            items={rows
              .filter((r) => isMine(r.move.id))
              .map(({ move, line }) => ({
                id: move.id,
                label: line ? `${line.amount} ${line.what}` : move.kind,
                shown: (
                  <MoveRow
                    move={move}
                    line={line}
                    onOpen={() => {
                      setOpen(open === move.id ? null : move.id);
                    }}
                    isOpen={open === move.id}
                  />
                ),
                ...(open === move.id
                  ? {
                      below: (
                        <MoveFields
                          move={move}
                          onChange={(c) => {
                            change(move.id, c);
                          }}
                        />
                      ),
                    }
                  : {}),
              }))}
            onOrder={(ids) => {
              set({ moves: ids.map((id) => pour.moves!.find((m) => m.id === id)!) });
            }}
            onRemove={(id) => {
              set({ moves: pour.moves!.filter((m) => m.id !== id) });
            }}
          />
          <ul className={styles.rows}>
            {rows
              .filter((r) => !isMine(r.move.id))
              .map(({ move, line }) => (
                <li key={move.id}>
                  <MoveRow move={move} line={line} />
                </li>
              ))}
          </ul>
          {(pour.moves?.length ?? 0) < PLAN_LIMITS.moves && (
            <div className={styles.adds}>
              <Button
                onClick={() => {
                  add('pour');
                }}
              >
                Add a pour
              </Button>
              <Button
                onClick={() => {
                  add('stroke');
                }}
              >
                Add a stroke
              </Button>
              <Button
                onClick={() => {
                  add('prop');
                }}
              >
                Raise the mould
              </Button>
              <Button
                onClick={() => {
                  add('wait');
                }}
              >
                Wait for a sign
              </Button>
            </div>
          )}
        </>
      ) : (
        <ol className={styles.rows} aria-label="Moves of the pour">
          {rows.map(({ move, line }) => (
            <li key={move.id}>
              <MoveRow move={move} line={line} />
            </li>
          ))}
        </ol>
      )}
      <p className="soft small">
        The scale stands under the mould and is not tared: beside each pour is what it shows after it, the
        mould and embeds not counted. Embeds, powder lines and the top stand on the weigh sheet.
      </p>
    </section>
  );
}

/** Pots of which the script pours more than they bring, or leaves some. */
function Problems({ moves }: { readonly moves: readonly Move[] }) {
  const plan = usePlan();
  const print = usePrinter();
  const off = plan.pots
    .filter((p) => p.place === 'mould')
    .map((pot) => ({ pot, part: partsOf(moves, pot.id) }))
    .filter(({ part }) => Math.abs(part - 1) > 0.004);
  return off.map(({ pot, part }) => (
    <p key={pot.id} role={part > 1 ? 'alert' : undefined}>
      <LevelMark level={part > 1 ? 'warn' : 'tip'} />{' '}
      {part > 1
        ? `${pot.name}: ${print.percent(part * 100, 0)} of it are poured; there is no more than all of it.`
        : `${pot.name}: ${print.percent((1 - part) * 100, 0)} of it are in no move and are poured at the end.`}
    </p>
  ));
}

function MoveRow(props: {
  readonly move: Move;
  readonly line: SheetLine | undefined;
  /** Nothing can be changed without it. */
  readonly onOpen?: () => void;
  readonly isOpen?: boolean;
}) {
  const { move, line, onOpen, isOpen = false } = props;
  if (!line) return null;
  return (
    <div className={styles.row}>
      {move.potId === null ? (
        <span className={styles.hand} aria-hidden />
      ) : (
        <PotSwatch potId={move.potId} stage="fresh" label={line.what} className={styles.swatch} />
      )}
      <b className={`figure ${styles.amount}`}>{line.amount}</b>
      <span>
        {line.what}
        {line.note !== '' && <span className="soft small"> {line.note}</span>}
      </span>
      <span className={`figure soft ${styles.running}`}>
        {line.running !== '' && `scale ${line.running}`}
      </span>
      {onOpen && (
        <Button
          size="small"
          aria-expanded={isOpen}
          aria-label={`Change: ${line.amount} ${line.what}`}
          onClick={onOpen}
        >
          {isOpen ? 'Close' : 'Change'}
        </Button>
      )}
    </div>
  );
}
