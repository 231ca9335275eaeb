import { type RecordWire } from '@kleur/contract';
import { emptyRecord } from '@kleur/core/record';
import { recordApi, recordSaves } from './record.ts';
import { makeStore } from './store.ts';

/** A server with one record, which refuses what grew from an older version; `down` breaks the next requests. */
function serverWith(record: RecordWire) {
  const state = { wire: record, puts: 0, down: 0 };
  const answer = (body: unknown, status = 200): Response =>
    new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } });
  globalThis.fetch = async (input) => {
    const request = input as Request;
    if (state.down > 0) {
      state.down -= 1;
      throw new TypeError('no network');
    }
    if (request.method === 'GET') return answer(state.wire);
    state.puts += 1;
    const sent = (await request.json()) as RecordWire;
    if (sent.version !== state.wire.version)
      return answer({ code: 'stale-version', message: 'changed elsewhere', fields: [] }, 409);
    state.wire = { record: sent.record, version: sent.version + 1 };
    return answer(state.wire);
  };
  return state;
}

const shownIn = (store: ReturnType<typeof makeStore>): RecordWire['record'] | undefined =>
  recordApi.endpoints.record.select('b')(store.getState()).data?.record;

it('shows a change at once and keeps what another device has saved meanwhile', async () => {
  const server = serverWith({ record: emptyRecord, version: 0 });
  const store = makeStore();
  await store.dispatch(recordApi.endpoints.record.initiate('b'));
  server.wire = { record: { ...emptyRecord, scent: 'weak' }, version: 5 };
  const saved = recordSaves('b', store).edit((r) => ({ ...r, gel: { how: 'full', rim: 0 } }));
  expect(shownIn(store)?.gel).toEqual({ how: 'full', rim: 0 });
  await saved;
  expect(server.wire).toEqual({
    record: { ...emptyRecord, scent: 'weak', gel: { how: 'full', rim: 0 } },
    version: 6,
  });
  expect(shownIn(store)?.scent).toBe('weak');
});

it('keeps showing what could not be sent, and sends it with the next change', async () => {
  const server = serverWith({ record: emptyRecord, version: 2 });
  const store = makeStore();
  const saves = recordSaves('b2', store);
  await store.dispatch(recordApi.endpoints.record.initiate('b2'));
  server.down = 1;
  await expect(saves.edit((r) => ({ ...r, scent: 'changed' }))).rejects.toMatchObject({
    code: 'unreachable',
  });
  expect(server.puts).toBe(0);
  await saves.edit((r) => ({ ...r, gel: { how: 'none', rim: 0 } }));
  expect(server.wire.record).toMatchObject({ scent: 'changed', gel: { how: 'none' } });
  expect(server.puts).toBe(1);
});
