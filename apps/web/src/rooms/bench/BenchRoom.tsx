import { RedoOutlined, UndoOutlined } from '@ant-design/icons';
import { Button, Input, Select } from 'antd';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { NavLink, Outlet, useLocation, useNavigate, useParams, useSearchParams } from 'react-router';
import { BATCH_STATES } from '@kleur/contract';
import { bareComposition, potComposition } from '@kleur/core/balance';
import { type Composition } from '@kleur/core/pigment';
import { PLAN_LIMITS } from '@kleur/core/plan';
import { api, failureOf } from '../../app/api.ts';
import { useAppDispatch, useAppSelector } from '../../app/hooks.ts';
import { store } from '../../app/store.ts';
import { useKeys } from '../../shared/hooks/useKeys.ts';
import { useSettings } from '../../shared/hooks/useSettings.ts';
import { EmptyState } from '../../shared/ui/EmptyState.tsx';
import { stateName } from '../../shared/ui/stateName.ts';
import { colourWorker } from '../../workers/client.ts';
import { flush } from './autosave.ts';
import { BenchContext } from './BenchContext.ts';
import { bench } from './benchSlice.ts';
import { newId } from '../../shared/newId.ts';
import { BenchStrip } from './BenchStrip.tsx';
import { ConflictDialog } from './ConflictDialog.tsx';
import { unsavedDraft } from './drafts.ts';
import { BARE, LiveColours } from './liveColours.ts';
import { ChecksDrawer } from './ChecksDrawer.tsx';
import { SaveSign } from './SaveSign.tsx';
import { TimeStrip } from './TimeStrip.tsx';
import { UnitSwitch } from './UnitSwitch.tsx';
import { useDocument } from './useDerived.ts';
import { nextPotName } from './potNames.ts';

const steps = [
  { path: 'idea', label: 'Idea' },
  { path: 'base', label: 'Base' },
  { path: 'pots', label: 'Pots' },
  { path: 'prep', label: 'Prep' },
];

/** Loads the batch of the address and closes it again, sending what is unsaved. */
export function BenchRoom() {
  const { id = '' } = useParams();
  const dispatch = useAppDispatch();
  const openId = useAppSelector((s) => s.bench.id);
  const [problem, setProblem] = useState<{ id: string; message: string } | null>(null);
  const [attempt, setAttempt] = useState(0);

  useEffect(() => {
    let current = true;
    dispatch(api.endpoints.batch.initiate(id, { forceRefetch: true, subscribe: false }))
      .unwrap()
      .then((document) => {
        if (!current) return;
        const draft = unsavedDraft(id, document);
        setProblem(null);
        dispatch(
          bench.opened(
            draft
              ? { document, draft: draft.batch, conflict: draft.baseVersion !== document.version }
              : { document },
          ),
        );
      })
      .catch((e: unknown) => {
        if (current) setProblem({ id, message: failureOf(e).message });
      });
    return () => {
      current = false;
      const { bench: leaving } = store.getState();
      if (leaving.id === id) {
        void flush(leaving, dispatch);
        dispatch(bench.closed());
      }
    };
  }, [id, attempt, dispatch]);

  if (problem?.id === id) {
    return (
      <EmptyState
        role="alert"
        title="This batch could not be opened"
        action={
          <Button
            onClick={() => {
              setAttempt((n) => n + 1);
            }}
          >
            Try again
          </Button>
        }
      >
        {problem.message}
      </EmptyState>
    );
  }
  // Keyed, so that time, gel and selection start anew with each batch.
  return openId === id ? <OpenBatch key={id} /> : <p className="loading">Opening…</p>;
}

function OpenBatch() {
  const { name, state, madeOn, plan } = useDocument();
  const canUndo = useAppSelector((s) => s.bench.past.length > 0);
  const canRedo = useAppSelector((s) => s.bench.future.length > 0);
  const dirty = useAppSelector((s) => s.bench.present !== s.bench.saved);
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const location = useLocation();
  const { gel } = useSettings();
  const [params, setParams] = useSearchParams();
  const [live] = useState(() => new LiveColours((c, s) => colourWorker().predict(c, s)));
  const [nameText, setNameText] = useState<string | null>(null);

  const compositions = useMemo(
    () =>
      new Map<string, Composition>([
        [BARE, bareComposition(plan)],
        ...plan.pots.map((p) => [p.id, potComposition(plan, p)] as const),
      ]),
    [plan],
  );
  useEffect(() => {
    live.setCompositions(compositions);
  }, [live, compositions]);

  useEffect(() => {
    if (!dirty) return;
    const warn = (event: BeforeUnloadEvent): void => {
      event.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    return () => {
      window.removeEventListener('beforeunload', warn);
    };
  }, [dirty]);

  const wanted = params.get('pot');
  const selectedId = plan.pots.some((p) => p.id === wanted) ? wanted : (plan.pots[0]?.id ?? null);
  const select = useCallback(
    (potId: string) => {
      setParams(
        (before) => {
          before.set('pot', potId);
          return before;
        },
        { replace: true },
      );
    },
    [setParams],
  );
  const context = useMemo(() => ({ live, selectedId, select }), [live, selectedId, select]);

  const go = (path: string): void => {
    void navigate({ pathname: path, search: location.search });
  };
  const addPot = (): void => {
    if (plan.pots.length >= PLAN_LIMITS.pots) return;
    const id = newId();
    dispatch(bench.potAdded({ id, name: nextPotName(plan.pots) }));
    void navigate({ pathname: 'pots', search: `?pot=${id}` });
  };
  const undo = (): void => {
    dispatch(bench.undone());
  };
  const redo = (): void => {
    dispatch(bench.redone());
  };
  useKeys({
    ...Object.fromEntries(
      steps.map((s, i) => [
        String(i + 1),
        () => {
          go(s.path);
        },
      ]),
    ),
    p: addPot,
    'mod+z': undo,
    'mod+shift+z': redo,
    'mod+y': redo,
  });

  const nameProblem = nameText !== null && nameText.trim() === '' ? 'A batch needs a name' : null;
  return (
    <BenchContext value={context}>
      <header className="bench-head">
        <Input
          className="batch-name"
          variant="borderless"
          aria-label="Name of the batch"
          aria-invalid={nameProblem ? true : undefined}
          status={nameProblem ? 'error' : ''}
          title={nameProblem ?? undefined}
          maxLength={PLAN_LIMITS.name}
          value={nameText ?? name}
          onChange={(e) => {
            setNameText(e.target.value);
            if (e.target.value.trim() !== '') dispatch(bench.headChanged({ name: e.target.value }));
          }}
          onBlur={() => {
            setNameText(null);
          }}
        />
        <Select
          aria-label="State of the batch"
          value={state}
          onChange={(v) => {
            dispatch(bench.headChanged({ state: v }));
          }}
          options={BATCH_STATES.map((s) => ({ value: s, label: stateName[s] }))}
          style={{ width: 116 }}
        />
        <Input
          type="date"
          aria-label="Day of making"
          value={madeOn ?? ''}
          onChange={(e) => {
            dispatch(bench.headChanged({ madeOn: e.target.value || null }));
          }}
          style={{ width: 146 }}
        />
        <span className="spring" />
        <SaveSign />
        <Button
          icon={<UndoOutlined />}
          disabled={!canUndo}
          onClick={undo}
          aria-label="Undo"
          title="Undo (Ctrl Z)"
        />
        <Button
          icon={<RedoOutlined />}
          disabled={!canRedo}
          onClick={redo}
          aria-label="Redo"
          title="Redo (Ctrl Shift Z)"
        />
      </header>
      <div className="bench-top">
        <BenchStrip onAdd={addPot} />
        <TimeStrip plan={plan} startGel={gel} />
      </div>
      <nav className="steps" aria-label="Steps">
        {steps.map((s, i) => (
          <NavLink key={s.path} to={{ pathname: s.path, search: location.search }} className="step">
            <kbd>{i + 1}</kbd>
            {s.label}
          </NavLink>
        ))}
        <span className="spring" />
        <UnitSwitch />
        <ChecksDrawer />
      </nav>
      <div className="step-body">
        <Outlet />
      </div>
      <ConflictDialog />
    </BenchContext>
  );
}
