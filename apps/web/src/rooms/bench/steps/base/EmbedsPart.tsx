import { PlusOutlined } from '../../../../shared/ui/icons.tsx';
import { Button } from 'antd';
import { type Check } from '@kleur/core/checks';
import { addEmbed, type Embed, PLAN_LIMITS } from '@kleur/core/plan';
import { newId } from '../../../../data/newId.ts';
import { CheckList } from '../../CheckList.tsx';
import { usePlan } from '../../state/useDerived.ts';
import { useEdit } from '../../state/useEdit.ts';
import { EmbedCard } from './EmbedCard.tsx';
import { PowderLines } from './PowderLines.tsx';

const newEmbed = (): Embed => ({
  id: newId(),
  name: 'Embed',
  base: 'melt-white',
  shape: 'round-rod',
  width: 20,
  height: 20,
  length: 20,
  perBar: 1,
  pieces: null,
  gramsEach: null,
  onTop: false,
  rests: null,
  parts: [{ id: newId(), parts: 1, doses: [] }],
  dusting: null,
});

/** Small soaps in or on the bar, and what is sieved between layers. */
export function EmbedsPart({ checks }: { readonly checks: readonly Check[] }) {
  const plan = usePlan();
  const edit = useEdit();
  return (
    <div className="two">
      <section aria-label="Embeds">
        <div className="section-head">
          <h2>Embeds</h2>
          {plan.embeds.length < PLAN_LIMITS.embeds && (
            <Button
              icon={<PlusOutlined />}
              onClick={() => {
                edit((p) => addEmbed(p, newEmbed()));
              }}
            >
              Embed
            </Button>
          )}
        </div>
        {plan.embeds.length === 0 && (
          <p className="soft">
            None. Rods, shapes or beads made beforehand: the room they take is taken off the batter.
          </p>
        )}
        <ul className="doses">
          {plan.embeds.map((e) => (
            <EmbedCard key={e.id} embed={e} />
          ))}
        </ul>
      </section>
      <aside>
        <PowderLines />
        <CheckList checks={checks} label="Checks on the embeds" />
      </aside>
    </div>
  );
}
