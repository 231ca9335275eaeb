import { DeleteOutlined, PlusOutlined } from '../../../shared/ui/icons.tsx';
import { Button, Select } from 'antd';
import {
  BODY_TECHNIQUES,
  OMBRE_MOST,
  type Technique,
  techniqueById,
  together,
  TOP_TECHNIQUES,
} from '@kleur/core/palette';
import { type DesignLayer, PLAN_LIMITS, removeDesignLayer, setDesignLayer } from '@kleur/core/plan';
import { newId } from '../../../data/newId.ts';
import { useAppDispatch } from '../../../data/store.ts';
import { Past } from '../Past.tsx';
import { edits } from '../state/edits.ts';
import { useEdit } from '../state/useEdit.ts';
import { usePlan } from '../state/useDerived.ts';
import styles from './DesignPanel.module.css';

const optionsOf = (techniques: readonly Technique[]) =>
  techniques.map((t) => ({ value: t.id, label: t.name }));

/** How the colours come together: in the mould, in layers of their own, and on the top. */
export function DesignPanel({ count }: { readonly count: number }) {
  const { idea, pots } = usePlan();
  const { design } = idea;
  const dispatch = useAppDispatch();
  const edit = useEdit();
  const body = together(design.body);
  const free = pots.filter((p) => p.place === 'mould' && !design.layers.some((l) => l.pots.includes(p.id)));
  const inBody = pots.length > 0 ? free.length : count;
  return (
    <section aria-label="Techniques" className={styles.techniques}>
      <h2>Techniques</h2>
      <div className="field">
        <label className="field-label" htmlFor="techniques-body">
          In the mould, one after another
        </label>
        <Select
          id="techniques-body"
          mode="multiple"
          aria-label="Techniques in the mould"
          value={[...design.body]}
          maxCount={PLAN_LIMITS.techniques}
          placeholder="How the colours come together"
          onChange={(next: string[]) => {
            dispatch(edits.designSet({ body: next }));
          }}
          options={optionsOf(BODY_TECHNIQUES)}
          style={{ width: '100%' }}
        />
      </div>
      {body && <Demands technique={body} count={inBody} ombre={design.body.includes('ombre')} />}
      {design.layers.map((layer, i) => (
        <LayerRow key={layer.id} layer={layer} number={i + 1} />
      ))}
      {pots.length > 2 && design.layers.length < PLAN_LIMITS.layers && free.length > 1 && (
        <Button
          size="small"
          icon={<PlusOutlined />}
          onClick={() => {
            const first = free.slice(0, 2).map((p) => p.id);
            edit((p) => setDesignLayer(p, { id: newId(), technique: 'in-the-pot', pots: first }));
          }}
        >
          A layer of its own
        </Button>
      )}
      <div className="field">
        <label className="field-label" htmlFor="technique-top">
          On the top
        </label>
        <Select
          id="technique-top"
          aria-label="Technique of the top"
          value={design.top}
          allowClear
          placeholder="left as it is"
          onChange={(v: string | undefined) => {
            dispatch(edits.designSet({ top: v ?? null }));
          }}
          options={optionsOf(TOP_TECHNIQUES)}
          style={{ width: '100%' }}
        />
      </div>
      {[...design.body, ...(design.top === null ? [] : [design.top])].map((id) => (
        <Past key={id} of="technique" refId={id} name={techniqueById(id)?.name ?? id} />
      ))}
    </section>
  );
}

function Demands({
  technique,
  count,
  ombre,
}: {
  readonly technique: Technique;
  readonly count: number;
  readonly ombre: boolean;
}) {
  const [fewest, most] = technique.pots;
  return (
    <p className="soft small figure">
      Touching colours need ΔE {technique.apart}
      {technique.apartL > 0 && ` and ${technique.apartL} in L*`}
      {ombre && `, even, and at most ${OMBRE_MOST}`}; {fewest} to {most} pots.
      {count > 0 && (count < fewest || count > most) && <b> There are {count}.</b>}
    </p>
  );
}

/** A layer that is worked in a technique of its own, from pots that are poured together. */
function LayerRow({ layer, number }: { readonly layer: DesignLayer; readonly number: number }) {
  const { pots } = usePlan();
  const edit = useEdit();
  const technique = together([layer.technique]);
  const set = (change: Partial<DesignLayer>): void => {
    edit((p) => setDesignLayer(p, { ...layer, ...change }));
  };
  return (
    <div className="field" role="group" aria-label={`Layer ${number} of its own`}>
      <div className="row is-level">
        <span className="field-label grow">A layer of its own</span>
        <Button
          type="text"
          size="small"
          icon={<DeleteOutlined />}
          aria-label={`Remove layer ${number} of its own`}
          onClick={() => {
            edit((p) => removeDesignLayer(p, layer.id));
          }}
        />
      </div>
      <Select
        aria-label={`Technique of layer ${number}`}
        value={layer.technique}
        onChange={(next) => {
          set({ technique: next });
        }}
        options={optionsOf(BODY_TECHNIQUES)}
        style={{ width: '100%' }}
      />
      <Select
        mode="multiple"
        aria-label={`Pots of layer ${number}`}
        value={[...layer.pots]}
        placeholder="which pots"
        onChange={(next: string[]) => {
          set({ pots: next });
        }}
        options={pots.filter((p) => p.place === 'mould').map((p) => ({ value: p.id, label: p.name }))}
        style={{ width: '100%' }}
      />
      {technique && (
        <Demands technique={technique} count={layer.pots.length} ombre={layer.technique === 'ombre'} />
      )}
    </div>
  );
}
