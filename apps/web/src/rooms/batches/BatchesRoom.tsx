import { PlusOutlined } from '../../shared/ui/icons.tsx';
import { Button, Dropdown, Pagination, Select } from 'antd';
import { lazy, Suspense, useState } from 'react';
import { useNavigate } from 'react-router';
import { BATCH_STATES, type BatchState, type BatchSummary, type PaletteWire } from '@kleur/contract';
import { emptyPlan, setLearntBase, setPalette } from '@kleur/core/plan';
import { failureOf } from '../../data/api.ts';
import {
  useBatchesQuery,
  useCopyBatchMutation,
  useCreateBatchMutation,
  useDeleteBatchMutation,
  useOpenExampleMutation,
  useRestoreBatchMutation,
} from '../../data/batches.ts';
import { useLazyLearntBaseQuery } from '../../data/learntBase.ts';
import { usePalettesQuery } from '../../data/palettes.ts';
import { useAddress } from '../../shared/hooks/useAddress.ts';
import { useSettings } from '../../shared/hooks/useSettings.ts';
import { useUndoNotice } from '../../shared/hooks/useUndoNotice.tsx';
import { ListRoom } from '../../shared/ui/ListRoom.tsx';
import { useLedgerQuery } from '../../data/ledger.ts';
import { BatchCard } from './BatchCard.tsx';
import { DueNotice } from './DueNotice.tsx';
import { LEDGER_KEYS, ledgerQueryOf } from './ledgerQuery.ts';
import { UnsentList } from './UnsentList.tsx';
import { stateName } from '../../shared/ui/stateName.ts';
import { useNotices } from '../../shared/hooks/useNotices.ts';

const LedgerFilters = lazy(() => import('./LedgerFilters.tsx'));

/** So many stand side by side at most. */
const MOST_COMPARED = 4;

/** All batches, shown by the colours of their bars. Search, state and page live in the address. */
export function BatchesRoom() {
  const [params, set] = useAddress();
  const q = params.get('q') ?? '';
  const state = (params.get('state') ?? '') as BatchState | '';
  const page = Math.max(1, Number(params.get('page') ?? 1) || 1);
  const asked = ledgerQueryOf(params);
  const plain = useBatchesQuery(
    { page, q, state },
    // What is logged or recorded in a batch can put it on hold.
    { skip: asked !== null, refetchOnMountOrArgChange: true },
  );
  const ledger = useLedgerQuery(asked ?? { page: 1 }, { skip: asked === null });
  const { data, error, isFetching, refetch } = asked ? ledger : plain;
  const [wantsFilters, setWantsFilters] = useState(asked !== null);
  const [compared, setCompared] = useState<readonly string[] | null>(null);
  const [create] = useCreateBatchMutation();
  const [copy] = useCopyBatchMutation();
  const [example] = useOpenExampleMutation();
  const [remove] = useDeleteBatchMutation();
  const [restore] = useRestoreBatchMutation();
  const { message } = useNotices();
  const tellDeleted = useUndoNotice();
  const { studio } = useSettings();
  const navigate = useNavigate();

  const attempt = async <T,>(work: Promise<T>): Promise<T | undefined> => {
    try {
      return await work;
    } catch (e) {
      message.error(failureOf(e).message);
      return undefined;
    }
  };

  const startNew = (): void => void navigate('/batches/new');
  const openExample = async (): Promise<void> => {
    const made = await attempt(example().unwrap());
    if (made) void navigate(`/batches/${made.id}`);
  };
  const duplicate = async (batch: BatchSummary): Promise<void> => {
    const made = await attempt(copy(batch.id).unwrap());
    if (made) message.success(`“${made.name}” is in the list.`);
  };
  const removeWithUndo = async (batch: BatchSummary): Promise<void> => {
    if (!(await attempt(remove(batch.id).unwrap()))) return;
    tellDeleted({
      key: `deleted-${batch.id}`,
      title: `“${batch.name}” was deleted`,
      undo: () => void attempt(restore(batch.id).unwrap()),
    });
  };

  const { data: palettes = [] } = usePalettesQuery();
  const [askBase] = useLazyLearntBaseQuery();
  const createFrom = async (palette: PaletteWire): Promise<void> => {
    const learnt = (await askBase(undefined, true)).data?.learnt ?? null;
    const plan = setPalette(
      setLearntBase(emptyPlan(), learnt),
      palette.colours.map((c, i) => ({ id: `colour-${i + 1}`, name: c.name, lab: c.lab })),
    );
    const made = await attempt(create({ name: palette.name, state: 'idea', madeOn: null, plan }).unwrap());
    if (made) void navigate(`/batches/${made.id}/idea`);
  };

  const newButton = (
    <Button type="primary" icon={<PlusOutlined />} onClick={startNew}>
      New batch
    </Button>
  );
  const exampleButton = <Button onClick={() => void openExample()}>Open an example</Button>;
  const filtered = q !== '' || state !== '' || asked !== null;
  const nearestOf = new Map((asked ? (ledger.data?.items ?? []) : []).map((b) => [b.id, b.nearest]));

  return (
    <ListRoom
      title="Batches"
      about={
        <>
          {studio}
          <DueNotice />
        </>
      }
      search={{
        label: 'Search batches by name',
        placeholder: 'Search',
        width: 200,
        value: q,
        onChange: (text) => {
          set({ q: text, page: '' });
        },
      }}
      onNew={startNew}
      notice={
        <>
          <UnsentList />
          {wantsFilters && (
            <Suspense fallback={<p role="status">Opening…</p>}>
              <LedgerFilters params={params} onChange={set} />
            </Suspense>
          )}
          {compared !== null && (
            <p role="status" className="row">
              Mark two to four batches.
              <Button
                type="primary"
                disabled={compared.length < 2}
                onClick={() => void navigate(`/batches/compare?ids=${compared.join()}`)}
              >
                Compare {compared.length}
              </Button>
              <Button
                onClick={() => {
                  setCompared(null);
                }}
              >
                Leave it
              </Button>
            </p>
          )}
        </>
      }
      tools={
        <>
          <Select
            aria-label="State"
            value={state}
            onChange={(v) => {
              set({ state: v, page: '' });
            }}
            style={{ width: 140 }}
            options={[
              { value: '', label: 'Every state' },
              ...BATCH_STATES.map((s) => ({ value: s, label: stateName[s] })),
            ]}
          />
          <Button
            aria-expanded={wantsFilters}
            onClick={() => {
              setWantsFilters(!wantsFilters);
            }}
          >
            Filters
          </Button>
          <Button
            onClick={() => {
              setCompared([]);
            }}
          >
            Compare
          </Button>
          {newButton}
          {exampleButton}
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
        </>
      }
      failure={
        error && !data
          ? { title: 'The batches could not be loaded', error, retry: () => void refetch() }
          : null
      }
      nothingYet={
        data?.items.length === 0 && !filtered
          ? {
              title: 'No batch yet',
              action: (
                <div className="empty-acts">
                  {newButton}
                  {exampleButton}
                </div>
              ),
              advice:
                'Choose oils, a mould and colours, and see each pot fresh, at the cut and cured before you pour.',
            }
          : null
      }
      nothingFits={
        data?.items.length === 0
          ? {
              title: 'No batch fits',
              advice: asked ? 'Nothing matches these filters.' : 'Nothing matches this name and state.',
              showAll: () => {
                set(Object.fromEntries(['q', 'state', 'page', ...LEDGER_KEYS].map((k) => [k, ''])));
              },
            }
          : null
      }
    >
      <ul className="cards" aria-busy={isFetching} aria-label="Batches">
        {data?.items.map((batch) => (
          <li key={batch.id}>
            <BatchCard
              batch={batch}
              nearest={nearestOf.get(batch.id) ?? null}
              marked={compared === null ? null : compared.includes(batch.id)}
              onMark={(isMarked) => {
                setCompared((before) =>
                  isMarked
                    ? [...(before ?? []), batch.id].slice(-MOST_COMPARED)
                    : (before ?? []).filter((id) => id !== batch.id),
                );
              }}
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
            set({ page: String(p) });
          }}
        />
      )}
    </ListRoom>
  );
}
