import { type Check } from '@kleur/core/checks';
import { CheckList } from '../../CheckList.tsx';
import { usePlan } from '../../state/useDerived.ts';
import { MouldList } from './MouldList.tsx';
import { FillPanel } from './FillPanel.tsx';
import { SolvePanel } from './SolvePanel.tsx';
import { Cutting } from './Cutting.tsx';

/** Moulds, how full they get, the bars they give, and oils worked out from either. */
export function MouldPart({ checks }: { readonly checks: readonly Check[] }) {
  const { moulding } = usePlan();
  return (
    <div className="two">
      <div>
        <MouldList />
        {moulding.moulds.length > 0 && <Cutting />}
      </div>
      <aside>
        <FillPanel />
        <CheckList checks={checks} label="Checks on the mould" />
        <SolvePanel />
      </aside>
    </div>
  );
}
