import { Button, Modal } from 'antd';
import { type ReactNode, useEffect, useState } from 'react';
import { failureOf } from '../../data/api.ts';
import { useBatchQuery } from '../../data/batches.ts';
import { keepUnsentAsNew, restoreUnsent } from '../../data/batchSaves.ts';
import { useAppDispatch } from '../../data/store.ts';
import { useDays } from '../../shared/hooks/useDays.ts';
import { HOLDS_KEYS } from '../../shared/hooks/useKeys.ts';
import { DifferenceTable } from './DifferenceTable.tsx';
import { bench } from './state/benchSlice.ts';
import { useBenchState, useDocument } from './state/useDerived.ts';

/** How often the dialog looks at what the other version is now, ms. */
const LOOK_MS = 3000;

/** The batch was changed or deleted elsewhere. Nothing is merged in secret: the maker says what stays, and nothing is lost. */
export default function HeldDialog({ id, onLeave }: HeldProps) {
  const status = useBenchState((b) => b.saving.status);
  return status === 'conflict' ? (
    <Changed id={id} onLeave={onLeave} />
  ) : (
    <Deleted id={id} onLeave={onLeave} />
  );
}

interface HeldProps {
  readonly id: string;
  /** Leads elsewhere, which is barred to everything else. */
  readonly onLeave: (to: string) => Promise<void> | void;
}

/** What both have in common: no way past it but a choice. */
function Choice(props: {
  readonly title: string;
  readonly about: ReactNode;
  readonly onLeave: HeldProps['onLeave'];
  readonly choices: (run: Run) => ReactNode;
}) {
  const [problem, setProblem] = useState<string | null>(null);
  const run: Run = (work) => () => {
    setProblem(null);
    work()
      .then((to) => (to === undefined ? undefined : props.onLeave(to)))
      .catch((e: unknown) => {
        setProblem(failureOf(e).message);
      });
  };
  return (
    <Modal open title={props.title} closable={false} keyboard={false} footer={null} width={680}>
      {props.about}
      <div className="choices" {...HOLDS_KEYS}>
        {props.choices(run)}
      </div>
      {problem && (
        <p className="field-problem" role="alert">
          {problem}
        </p>
      )}
    </Modal>
  );
}

/** Makes a handler of a choice that may fail, and that may lead elsewhere. */
type Run = (work: () => Promise<string | undefined>) => () => void;

function Changed({ id, onLeave }: HeldProps) {
  const mine = useDocument();
  const dispatch = useAppDispatch();
  const days = useDays();
  const { data: theirs, error } = useBatchQuery(id, {
    refetchOnMountOrArgChange: true,
    pollingInterval: LOOK_MS,
  });
  const isGone = error !== undefined && failureOf(error).code === 'not-found';
  useEffect(() => {
    if (isGone) dispatch(bench.deletedElsewhere());
  }, [isGone, dispatch]);

  return (
    <Choice
      onLeave={onLeave}
      title="This batch was changed elsewhere"
      about={
        <>
          <p>
            {theirs
              ? `Another tab or device saved “${theirs.name}” on ${days.moment(theirs.updatedAt)}, after you opened it here.`
              : `Another tab or device saved “${mine.name}” after you opened it here.`}{' '}
            Your changes are still on this screen. What should happen?
          </p>
          {theirs ? (
            <DifferenceTable mine={mine} theirs={theirs} />
          ) : (
            <p className="soft" role="status">
              {error ? failureOf(error).message : 'Looking at the other version…'}
            </p>
          )}
        </>
      }
      choices={(run) => (
        <>
          <Button
            type="primary"
            autoFocus
            onClick={run(async () => `/batches/${await keepUnsentAsNew(id, mine)}`)}
          >
            Keep both: save mine as a new batch
          </Button>
          <Button
            disabled={!theirs}
            onClick={run(() => {
              if (theirs) dispatch(bench.theirsTaken(theirs));
              return Promise.resolve(undefined);
            })}
          >
            Use the other version (Undo brings mine back)
          </Button>
          <Button
            disabled={!theirs}
            onClick={run(() => {
              if (theirs) dispatch(bench.mineKept(theirs.version));
              return Promise.resolve(undefined);
            })}
          >
            Keep mine and replace the other version
          </Button>
        </>
      )}
    />
  );
}

function Deleted({ id, onLeave }: HeldProps) {
  const mine = useDocument();
  const dispatch = useAppDispatch();
  return (
    <Choice
      onLeave={onLeave}
      title="This batch was deleted elsewhere"
      about={
        <p>Another tab or device deleted “{mine.name}”. It is still on this screen, with your changes.</p>
      }
      choices={(run) => (
        <>
          <Button
            type="primary"
            autoFocus
            onClick={run(async () => {
              await restoreUnsent(id);
              dispatch(bench.restored());
              return undefined;
            })}
          >
            Restore it
          </Button>
          <Button onClick={run(async () => `/batches/${await keepUnsentAsNew(id, mine)}`)}>
            Save it as a new batch
          </Button>
          <Button
            onClick={run(() => {
              dispatch(bench.unsentGivenUp());
              return Promise.resolve('/batches');
            })}
          >
            Leave it deleted
          </Button>
        </>
      )}
    />
  );
}
