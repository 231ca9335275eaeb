import { Button } from 'antd';
import { lazy, memo, Suspense, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import {
  NavLink,
  Outlet,
  useBlocker,
  useLoaderData,
  useLocation,
  useNavigate,
  useParams,
  useRevalidator,
  useSearchParams,
} from 'react-router';

import { bareComposition, potComposition, skinStage } from '@kleur/core/balance';
import { type Composition } from '@kleur/core/pigment';
import { PLAN_LIMITS } from '@kleur/core/plan';
import { useStore } from 'react-redux';

import { batchSaves, setOnBench } from '../../data/batchSaves.ts';
import { useAppDispatch } from '../../data/store.ts';
import { HOLDS_KEYS, useKeys } from '../../shared/hooks/useKeys.ts';
import { KEYS } from '../../shared/keys.ts';
import { newId } from '../../data/newId.ts';
import { EmptyState } from '../../shared/ui/EmptyState.tsx';
import { colourWorker } from '../../workers/client.ts';
import { BenchContext } from './BenchContext.ts';
import { type Loaded } from './benchLoader.ts';
import { BenchHead } from './BenchHead.tsx';
import { BenchTop } from './BenchTop.tsx';
import { ChecksDrawer } from './ChecksDrawer.tsx';
import { ColourNews } from './ColourNews.tsx';
import { nextPotName } from './potNames.ts';
import './state/autosave.ts';
import { bench, isHeld, presentOf, selectBench } from './state/benchSlice.ts';

import { edits } from './state/edits.ts';
import { watchElsewhere } from './state/elsewhere.ts';
import './state/following.ts';
import { LiveChecks } from './state/liveChecks.ts';
import { BARE, LiveColours } from './state/liveColours.ts';
import {
  useBenchState,
  useChecksQuestion,
  useHead,
  usePlan,
  usePlanGel,
  usePotIds,
} from './state/useDerived.ts';
import { type Step, steps } from './steps.ts';
import { TodoLine } from './TodoLine.tsx';
import { UnitSwitch } from './UnitSwitch.tsx';
import { useNotices } from '../../shared/hooks/useNotices.ts';

const GoneBatch = lazy(() => import('./GoneBatch.tsx'));
const HeldDialog = lazy(() => import('./HeldDialog.tsx'));

/** Opens what was loaded, and closes it again when the room is left, sending what is unsaved. */
export function BenchRoom() {
  const loaded = useLoaderData<Loaded>();
  const { id = '' } = useParams();
  const { revalidate } = useRevalidator();
  const dispatch = useAppDispatch();
  const store = useStore();
  const openId = useBenchState((s) => s.id);
  const { message } = useNotices();

  useEffect(() => {
    if ('problem' in loaded) return;
    const { document } = loaded;
    dispatch(bench.opened(loaded));
    if (document.leftOut !== undefined) {
      message.warning(
        `${document.leftOut} entries of this batch cannot be read and are left out here. They stay stored until you change something.`,
        10,
      );
    }
    setOnBench(document.id);
    return () => {
      setOnBench(null);
      const leaving = selectBench(store.getState());
      if (leaving.id !== document.id) return;
      void batchSaves.flush(document.id);
      dispatch(bench.closed());
    };
  }, [loaded, dispatch, store, message]);

  if ('problem' in loaded) {
    if (loaded.isGone && loaded.unsent) {
      return (
        <Suspense fallback={null}>
          <GoneBatch id={id} name={loaded.unsent.document.name} />
        </Suspense>
      );
    }
    return (
      <EmptyState
        role="alert"
        title="This batch could not be opened"
        action={<Button onClick={() => void revalidate()}>Try again</Button>}
      >
        {loaded.problem}
        {loaded.unsent && ' What you changed is safe in this browser and is sent when the server is back.'}
      </EmptyState>
    );
  }
  // Keyed, so that time, gel and selection start anew with each batch.
  return openId === id ? <OpenBatch key={id} id={id} /> : <p className="loading">Opening…</p>;
}

function OpenBatch({ id }: { readonly id: string }) {
  const first = useChecksQuestion();
  // The feed keeps them up; here only the beginning counts.
  const [checks] = useState(() => new LiveChecks(first));
  return <OpenBench id={id} checks={checks} />;
}

const OpenBench = memo(function OpenBench(props: { readonly id: string; readonly checks: LiveChecks }) {
  const { id, checks } = props;
  const potIds = usePotIds();
  const dispatch = useAppDispatch();
  const store = useStore();
  const navigate = useNavigate();
  const gel = usePlanGel();
  const [params, setParams] = useSearchParams();
  const making = useLocation().pathname.endsWith('/make');
  const [live] = useState(() => new LiveColours((c, s) => colourWorker().predict(c, s)));

  const wanted = params.get('pot');
  const selectedId = wanted !== null && potIds.includes(wanted) ? wanted : (potIds[0] ?? null);
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
  const [locked, setLocked] = useState(false);
  const context = useMemo(
    () => ({ live, checks, selectedId, select, locked, setLocked }),
    [live, checks, selectedId, select, locked],
  );

  const addPot = useCallback((): void => {
    const pots = presentOf(selectBench(store.getState()))?.plan.pots ?? [];
    if (pots.length >= PLAN_LIMITS.pots) return;
    const id = newId();
    dispatch(edits.potAdded({ id, name: nextPotName(pots) }));
    void navigate({ pathname: 'pots', search: `?pot=${id}` });
  }, [dispatch, navigate, store]);
  useKeys({ [KEYS.newPot.key]: addPot });

  return (
    <BenchContext value={context}>
      <LiveFeed live={live} />
      <ChecksFeed checks={checks} />
      <LeaveGuard />
      <Elsewhere id={id} />
      <BenchHead />
      <BenchTop quiet={making} onAdd={addPot} startGel={gel} />
      <BenchTitle />
      <ColourNews />
      <StepsOfBatch making={making} />
      <Held id={id} />
    </BenchContext>
  );
});

/** The title of the window: the batch, its step and the application. */
function BenchTitle() {
  const { name } = useHead();
  const { pathname } = useLocation();
  const step = steps.find((s) => pathname.endsWith(`/${s.path}`));
  return <title>{[name, step?.label, 'Kleur'].filter(Boolean).join(' · ')}</title>;
}

/** Bars every way out while the maker has to choose, and asks. */
function Held({ id }: { readonly id: string }) {
  const held = useBenchState(isHeld);
  const leaving = useRef(false);
  const navigate = useNavigate();
  const blocker = useBlocker(() => held && !leaving.current);
  useEffect(() => {
    if (blocker.state === 'blocked') blocker.reset();
  }, [blocker]);
  const leave = (to: string): void | Promise<void> => {
    leaving.current = true;
    return navigate(to);
  };
  return (
    held && (
      <Suspense fallback={<span {...HOLDS_KEYS} />}>
        <HeldDialog id={id} onLeave={leave} />
      </Suspense>
    )
  );
}

/** Keeps the colours up with the plan. */
function LiveFeed({ live }: { readonly live: LiveColours }) {
  const plan = usePlan();
  useEffect(() => {
    live.setCompositions(
      new Map<string, Composition>([
        [BARE, bareComposition(plan)],
        ...plan.pots.map((p) => [p.id, potComposition(plan, p)] as const),
      ]),
      (stage) => skinStage(plan, stage),
    );
  }, [live, plan]);
  return null;
}

/** Keeps the checks up with the plan, the shelf and the maker's habits. */
function ChecksFeed({ checks }: { readonly checks: LiveChecks }) {
  const question = useChecksQuestion();
  useEffect(() => {
    checks.ask(question);
  }, [checks, question]);
  useEffect(
    () => () => {
      checks.stop();
    },
    [checks],
  );
  return null;
}

/** Follows what other tabs and devices save of the batch, and says so. */
function Elsewhere({ id }: { readonly id: string }) {
  const store = useStore();
  const { message } = useNotices();
  useEffect(
    () =>
      watchElsewhere(id, store, () => {
        message.info('This batch was changed elsewhere. You see its newest version.');
      }),
    [id, store, message],
  );
  return null;
}

/** Asks before the page goes while anything is unsaved. */
function LeaveGuard() {
  const dirty = useBenchState((s) => presentOf(s) !== s.saved);
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
  return null;
}

/** After this long at rest the other steps are fetched, ms: the first load is over by then. */
const FETCH_AFTER = 3000;

/** Fetches a step before it is opened. What cannot be had now is asked for again when it is. */
function fetchAhead({ load }: Step): void {
  if (navigator.onLine) load().catch(() => undefined);
}

/**
 * The steps and the one that is open. Router and step are drawn together, later than the address changes: until then
 * what is about to go takes no touch and no key any more.
 */
const StepsOfBatch = memo(function StepsOfBatch({ making }: { readonly making: boolean }) {
  const { pathname } = useLocation();
  const [leaving, setLeaving] = useState<string | null>(null);
  const body = useRef<HTMLDivElement>(null);
  const step = steps.find((s) => pathname.endsWith(`/${s.path}`));
  const isLeaving = leaving === pathname;
  const leave = useCallback((from: string): void => {
    const field = document.activeElement;
    // What is being typed is committed before its field goes.
    if (field instanceof HTMLElement && body.current?.contains(field)) field.blur();
    setLeaving(from);
  }, []);
  // The focus that went with the old step goes to the new one.
  const shown = useRef(pathname);
  useEffect(() => {
    if (shown.current === pathname) return;
    shown.current = pathname;
    if (document.activeElement === document.body) body.current?.focus({ preventScroll: true });
  }, [pathname]);
  return (
    <>
      <StepNav onLeave={leave} />
      {!making && <TodoLine />}
      <div
        ref={body}
        className="step-body"
        data-step={step?.path}
        role="group"
        aria-label={step?.label}
        tabIndex={-1}
        inert={isLeaving}
      >
        <Outlet />
      </div>
    </>
  );
});

const StepNav = memo(function StepNav({ onLeave }: { readonly onLeave: (from: string) => void }) {
  useEffect(() => {
    const timer = setTimeout(() => {
      steps.forEach(fetchAhead);
    }, FETCH_AFTER);
    return () => {
      clearTimeout(timer);
    };
  }, []);
  const navigate = useNavigate();
  const { search, pathname } = useLocation();
  const held = useBenchState(isHeld);
  const isShown = (path: string): boolean => pathname.endsWith(`/${path}`);
  const goTo = (to: string): void => {
    if (!held && !isShown(to)) onLeave(pathname);
  };
  useKeys(
    Object.fromEntries(
      steps.map(({ path }, i) => [
        String(i + 1),
        () => {
          goTo(path);
          void navigate({ pathname: path, search });
        },
      ]),
    ),
  );
  return (
    <nav className="steps" aria-label="Steps">
      {steps.map((step, i) => (
        <NavLink
          key={step.path}
          to={{ pathname: step.path, search }}
          className={() => (isShown(step.path) ? 'step active' : 'step')}
          onClick={(e) => {
            // With a key held it opens elsewhere, and this page stays.
            if (!e.metaKey && !e.ctrlKey && !e.shiftKey) goTo(step.path);
          }}
          onPointerEnter={() => {
            fetchAhead(step);
          }}
          onFocus={() => {
            fetchAhead(step);
          }}
        >
          <kbd>{i + 1}</kbd>
          {step.label}
        </NavLink>
      ))}
      <span className="spring" />
      <UnitSwitch />
      <ChecksDrawer />
    </nav>
  );
});
