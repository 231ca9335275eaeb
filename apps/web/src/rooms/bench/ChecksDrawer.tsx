import { CheckOutlined } from '@ant-design/icons';
import { Button, Drawer } from 'antd';
import { useState } from 'react';
import { type Check, type CheckLevel, type Plan } from '@kleur/core';
import { LevelMark } from '../../shared/ui/Levels.tsx';
import { CheckList } from './CheckList.tsx';
import { useChecks, usePlan } from './useDerived.ts';

const LEVELS: readonly (readonly [CheckLevel, string])[] = [
  ['stop', 'Stops: no lye amount is shown until they are settled'],
  ['warn', 'Warnings'],
  ['tip', 'Tips'],
];

const PLACES: Readonly<Record<Exclude<Check['place']['at'], 'pot' | 'dose'>, string>> = {
  oils: 'Oils',
  superfat: 'Superfat',
  lye: 'Lye and liquid',
  scent: 'Scent',
  additives: 'Additives',
  mould: 'Mould',
  embeds: 'Embeds',
  pots: 'Pots',
  idea: 'Idea',
  work: 'Work',
};

const placeName = (plan: Plan, { place }: Check): string =>
  'potId' in place ? (plan.pots.find((p) => p.id === place.potId)?.name ?? 'Pots') : PLACES[place.at];

/** Everything that the plan's checks have to say, in one list. */
export function ChecksDrawer() {
  const checks = useChecks();
  const plan = usePlan();
  const [open, setOpen] = useState(false);
  const count = (level: CheckLevel): number => checks.filter((c) => c.level === level).length;
  return (
    <>
      <Button
        className="checks-button"
        aria-label={`All checks: ${count('stop')} stops, ${count('warn')} warnings, ${count('tip')} tips`}
        onClick={() => {
          setOpen(true);
        }}
      >
        Checks
        {checks.length === 0 && <CheckOutlined />}
        {LEVELS.map(([level]) =>
          count(level) > 0 ? <LevelMark key={level} level={level} count={count(level)} /> : null,
        )}
      </Button>
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
          const places = [...new Set(of.map((c) => placeName(plan, c)))];
          return (
            <section key={level} aria-label={title}>
              <h3>{title}</h3>
              {places.map((place) => (
                <div key={place}>
                  <p className="soft small check-place">{place}</p>
                  <CheckList checks={of.filter((c) => placeName(plan, c) === place)} label={place} />
                </div>
              ))}
            </section>
          );
        })}
      </Drawer>
    </>
  );
}
