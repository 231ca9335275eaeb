import { Drawer } from 'antd';
import { Link } from 'react-router';
import { type CheckLevel } from '@kleur/core/checks';
import { CheckList } from './CheckList.tsx';
import { CHECK_LEVELS } from './checkLevels.ts';
import { placeOf } from './checkPlace.ts';
import { useChecks, usePlanFrame } from './state/useDerived.ts';

const TITLES: Readonly<Record<CheckLevel, string>> = {
  stop: 'Stops: no lye amount is shown until they are settled',
  warn: 'Warnings',
  tip: 'Tips',
};

/** Everything that the plan's checks have to say, in one list. */
export default function AllChecks({
  open,
  onClose,
}: {
  readonly open: boolean;
  readonly onClose: () => void;
}) {
  const checks = useChecks();
  const plan = usePlanFrame();
  return (
    <Drawer open={open} size={520} title="All checks on this plan" onClose={onClose}>
      {checks.length === 0 && <p>This plan has no findings.</p>}
      {CHECK_LEVELS.map((level) => {
        const of = checks.filter((c) => c.level === level);
        if (of.length === 0) return null;
        const places = [...new Map(of.map((c) => [placeOf(plan, c).name, placeOf(plan, c)])).values()];
        return (
          <section key={level} aria-label={TITLES[level]}>
            <h3>{TITLES[level]}</h3>
            {places.map((place) => (
              <div key={place.name}>
                <p className="small check-place">
                  <Link to={{ pathname: place.path, search: place.search }} onClick={onClose}>
                    {place.name}
                  </Link>
                </p>
                <CheckList
                  checks={of.filter((c) => placeOf(plan, c).name === place.name)}
                  label={place.name}
                />
              </div>
            ))}
          </section>
        );
      })}
    </Drawer>
  );
}
