import { PlusOutlined, SearchOutlined } from '@ant-design/icons';
import { App, Button, Dropdown, Input, type InputRef, Pagination, Select } from 'antd';
import { useRef } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { BATCH_STATES, type BatchState, type BatchSummary, type PaletteWire } from '@kleur/contract';
import { emptyPlan, setPalette } from '@kleur/core/plan';
import { failureOf } from '../../data/api.ts';
import {
  useBatchesQuery,
  useCopyBatchMutation,
  useCreateBatchMutation,
  useDeleteBatchMutation,
  useRestoreBatchMutation,
} from '../../data/batches.ts';
import { usePalettesQuery } from '../../data/palettes.ts';
import { useKeys } from '../../shared/hooks/useKeys.ts';
import { useSettings } from '../../shared/hooks/useSettings.ts';
import { useUndoNotice } from '../../shared/hooks/useUndoNotice.tsx';
import { EmptyState } from '../../shared/ui/EmptyState.tsx';
import { BatchCard } from './BatchCard.tsx';
import { stateName } from '../../shared/ui/stateName.ts';

/** All batches, shown by the colours of their bars. Search, state and page live in the address. */
export function BatchesRoom() {
  const [params, setParams] = useSearchParams();
  const q = params.get('q') ?? '';
  const state = (params.get('state') ?? '') as BatchState | '';
  const page = Math.max(1, Number(params.get('page') ?? 1) || 1);
  const { data, error, isFetching, refetch } = useBatchesQuery({ page, q, state });
  const [create] = useCreateBatchMutation();
  const [copy] = useCopyBatchMutation();
  const [remove] = useDeleteBatchMutation();
  const [restore] = useRestoreBatchMutation();
  const { message } = App.useApp();
  const tellDeleted = useUndoNotice();
  const { studio } = useSettings();
  const navigate = useNavigate();
  const search = useRef<InputRef>(null);

  const set = (key: string, value: string): void => {
    setParams(
      (old) => {
        const next = new URLSearchParams(old);
        if (value) next.set(key, value);
        else next.delete(key);
        if (key !== 'page') next.delete('page');
        return next;
      },
      { replace: key === 'q' },
    );
  };

  const attempt = async <T,>(work: Promise<T>): Promise<T | undefined> => {
    try {
      return await work;
    } catch (e) {
      void message.error(failureOf(e).message);
      return undefined;
    }
  };

  const createNew = async (): Promise<void> => {
    const made = await attempt(
      create({ name: 'Untitled batch', state: 'idea', madeOn: null, plan: emptyPlan() }).unwrap(),
    );
    if (made) void navigate(`/batches/${made.id}/base`);
  };
  const duplicate = async (batch: BatchSummary): Promise<void> => {
    const made = await attempt(copy(batch.id).unwrap());
    if (made) void message.success(`“${made.name}” is in the list.`);
  };
  const removeWithUndo = async (batch: BatchSummary): Promise<void> => {
    if (!(await attempt(remove(batch.id).unwrap()))) return;
    tellDeleted({
      key: `deleted-${batch.id}`,
      title: `“${batch.name}” was deleted`,
      undo: () => void attempt(restore(batch.id).unwrap()),
    });
  };

  useKeys({
    n: () => void createNew(),
    '/': () => search.current?.focus(),
  });

  const { data: palettes = [] } = usePalettesQuery();
  const createFrom = async (palette: PaletteWire): Promise<void> => {
    const plan = setPalette(
      emptyPlan(),
      palette.colours.map((c, i) => ({ id: `colour-${i + 1}`, name: c.name, lab: c.lab })),
    );
    const made = await attempt(create({ name: palette.name, state: 'idea', madeOn: null, plan }).unwrap());
    if (made) void navigate(`/batches/${made.id}/idea`);
  };

  const newButton = (
    <Button type="primary" icon={<PlusOutlined />} onClick={() => void createNew()}>
      New batch
    </Button>
  );
  const filtered = q !== '' || state !== '';

  return (
    <>
      <header className="room-head">
        <div>
          <h1>Batches</h1>
          {studio && <span className="soft">{studio}</span>}
        </div>
        <div className="room-tools">
          <Input
            ref={search}
            aria-label="Search batches by name"
            placeholder="Search"
            prefix={<SearchOutlined />}
            allowClear
            maxLength={80}
            value={q}
            onChange={(e) => {
              set('q', e.target.value);
            }}
            style={{ width: 200 }}
          />
          <Select
            aria-label="State"
            value={state}
            onChange={(v) => {
              set('state', v);
            }}
            style={{ width: 140 }}
            options={[
              { value: '', label: 'Every state' },
              ...BATCH_STATES.map((s) => ({ value: s, label: stateName[s] })),
            ]}
          />
          {newButton}
          {palettes.length > 0 && (
            <Dropdown
              trigger={['click']}
              menu={{
                items: palettes.map((p) => ({ key: p.id, label: p.name })),
                onClick: ({ key }) => {
                  const palette = palettes.find((p) => p.id === key);
                  if (palette) void createFrom(palette);
                },
              }}
            >
              <Button>From a palette</Button>
            </Dropdown>
          )}
        </div>
      </header>
      {error && !data ? (
        <EmptyState
          role="alert"
          title="The batches could not be loaded"
          action={<Button onClick={() => void refetch()}>Try again</Button>}
        >
          {failureOf(error).message}
        </EmptyState>
      ) : data?.items.length === 0 ? (
        filtered ? (
          <EmptyState
            role="status"
            title="No batch fits"
            action={
              <Button
                onClick={() => {
                  setParams({});
                }}
              >
                Show all
              </Button>
            }
          >
            Nothing matches this name and state.
          </EmptyState>
        ) : (
          <EmptyState title="No batch yet" action={newButton}>
            Start with the oils, add pots and colours, and see each pot fresh, at the cut and cured before you
            pour.
          </EmptyState>
        )
      ) : (
        <>
          <ul className="cards" aria-busy={isFetching} aria-label="Batches">
            {data?.items.map((batch) => (
              <li key={batch.id}>
                <BatchCard
                  batch={batch}
                  onCopy={() => void duplicate(batch)}
                  onDelete={() => void removeWithUndo(batch)}
                />
              </li>
            ))}
          </ul>
          {data && data.total > data.pageSize && (
            <Pagination
              className="pages"
              current={data.page}
              pageSize={data.pageSize}
              total={data.total}
              showSizeChanger={false}
              showTotal={(total) => `${total} batches`}
              onChange={(p) => {
                set('page', String(p));
              }}
            />
          )}
        </>
      )}
    </>
  );
}
