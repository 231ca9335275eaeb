import { Drawer } from 'antd';
import { Link } from 'react-router';
import { type Check, type CheckLevel } from '@kleur/core/checks';
import { CheckList } from './CheckList.tsx';
import { CHECK_LEVELS } from './checkLevels.ts';
import { type PlanFrame } from './state/planFrame.ts';
import { useChecks, usePlanFrame } from './state/useDerived.ts';

const TITLES: Readonly<Record<CheckLevel, string>> = {
  stop: 'Stops: no lye amount is shown until they are settled',
  warn: 'Warnings',
  tip: 'Tips',
};

type Spot = Exclude<Check['place']['at'], 'pot' | 'dose'>;
/** What a place is called, and where it is. */
const PLACES: Readonly<Record<Spot, readonly [name: string, path: string, part: string]>> = {
  oils: ['Oils', 'base', 'oils'],
  superfat: ['Superfat', 'base', 'oils'],
  lye: ['Lye and liquid', 'base', 'oils'],
  scent: ['Scent', 'base', 'scent'],
  additives: ['Additives', 'base', 'additives'],
  mould: ['Mould', 'base', 'mould'],
  embeds: ['Embeds', 'base', 'embeds'],
  pots: ['Pots', 'pots', ''],
  idea: ['Idea', 'idea', ''],
  work: ['Work', 'prep', 'order'],
};

interface Place {
  readonly name: string;
  readonly path: string;
  readonly search: string;
}

function placeOf(plan: Pick<PlanFrame, 'pots'>, { place }: Check): Place {
  if ('potId' in place) {
    const pot = plan.pots.find((p) => p.id === place.potId);
    return { name: pot?.name ?? 'Pots', path: 'pots', search: `?pot=${place.potId}` };
  }
  const [name, path, part] = PLACES[place.at];
  return { name, path, search: part === '' ? '' : `?part=${part}` };
}

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
      {checks.length === 0 && <p>Nothing to settle.</p>}
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
