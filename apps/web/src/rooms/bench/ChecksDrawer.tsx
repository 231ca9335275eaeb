import { CheckOutlined } from '@ant-design/icons';
import { Button, Drawer } from 'antd';
import { memo, useState } from 'react';
import { Link } from 'react-router';
import { type Check, type CheckLevel } from '@kleur/core/checks';
import { type PlanFrame } from './state/planFrame.ts';
import { LevelMark } from '../../shared/ui/Levels.tsx';
import { CheckList } from './CheckList.tsx';
import { useChecks, usePlanFrame } from './state/useDerived.ts';

const LEVELS: readonly (readonly [CheckLevel, string])[] = [
  ['stop', 'Stops: no lye amount is shown until they are settled'],
  ['warn', 'Warnings'],
  ['tip', 'Tips'],
];

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
export const ChecksDrawer = memo(function ChecksDrawer() {
  const checks = useChecks();
  const plan = usePlanFrame();
  const [open, setOpen] = useState(false);
  // A drawer that was never opened need not be kept up.
  const [seen, setSeen] = useState(false);
  const count = (level: CheckLevel): number => checks.filter((c) => c.level === level).length;
  return (
    <>
      <ChecksButton
        stops={count('stop')}
        warns={count('warn')}
        tips={count('tip')}
        onOpen={() => {
          setSeen(true);
          setOpen(true);
        }}
      />
      {seen && (
        <Drawer
          open={open}
          size={520}
          title="All checks on this plan"
          onClose={() => {
            setOpen(false);
          }}
        >
          {checks.length === 0 && <p>Nothing to settle.</p>}
          {LEVELS.map(([level, title]) => {
            const of = checks.filter((c) => c.level === level);
            if (of.length === 0) return null;
            const places = [...new Map(of.map((c) => [placeOf(plan, c).name, placeOf(plan, c)])).values()];
            return (
              <section key={level} aria-label={title}>
                <h3>{title}</h3>
                {places.map((place) => (
                  <div key={place.name}>
                    <p className="small check-place">
                      <Link
                        to={{ pathname: place.path, search: place.search }}
                        onClick={() => {
                          setOpen(false);
                        }}
                      >
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
      )}
    </>
  );
});

const ChecksButton = memo(
  function ChecksButton(props: {
    readonly stops: number;
    readonly warns: number;
    readonly tips: number;
    readonly onOpen: () => void;
  }) {
    const { stops, warns, tips } = props;
    const counts = { stop: stops, warn: warns, tip: tips };
    return (
      <Button
        className="checks-button"
        aria-label={`All checks: ${stops} stops, ${warns} warnings, ${tips} tips`}
        onClick={props.onOpen}
      >
        Checks
        {stops + warns + tips === 0 && <CheckOutlined />}
        {LEVELS.map(([level]) =>
          counts[level] > 0 ? <LevelMark key={level} level={level} count={counts[level]} /> : null,
        )}
      </Button>
    );
  },
  // Opening does the same whichever render it comes from.
  (a, b) => a.stops === b.stops && a.warns === b.warns && a.tips === b.tips,
);
