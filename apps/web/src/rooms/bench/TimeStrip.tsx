import { Segmented, Switch } from 'antd';
import { type KeyboardEvent, memo, useEffect, useMemo, useRef, useState } from 'react';
import { bareComposition, potComposition } from '@kleur/core/balance';
import { CURED_HOURS } from '@kleur/core/pigment';
import { type Composition } from '@kleur/core/pigment';
import { useKeys } from '../../shared/hooks/useKeys.ts';
import { KEYS } from '../../shared/keys.ts';
import { useTouchNotice } from '../../shared/hooks/useUndoNotice.tsx';
import { Slide } from '../../shared/ui/Slide.tsx';
import { colourWorker } from '../../workers/client.ts';
import { latestOnly } from '../../data/latest.ts';
import { useBench } from './BenchContext.ts';
import { usePlan } from './state/useDerived.ts';
import { hoursOfPosition, neighbourTick, positionOfHours, sayHours, ticks } from './timeScale.ts';

const GELS = [
  { value: 0, label: 'No gel' },
  { value: 0.5, label: 'Half' },
  { value: 1, label: 'Full gel' },
];
/** The slider goes from mark to mark. */
const STEP_KEYS: Readonly<Record<string, 1 | -1 | undefined>> = {
  ArrowLeft: -1,
  ArrowDown: -1,
  PageDown: -1,
  ArrowRight: 1,
  ArrowUp: 1,
  PageUp: 1,
};
/** Steps of the colour trail behind the handle. */
const TRAIL = 48;
const POSITIONS = Array.from({ length: TRAIL }, (_, i) => (i + 0.5) / TRAIL);

/**
 * Time since the pour, with the selected pot's own colour along the track. Drives every swatch of the batch.
 */
export const TimeStrip = memo(function TimeStrip({ startGel }: { readonly startGel: number }) {
  const { live } = useBench();
  const [hours, setHours] = useState(CURED_HOURS);
  const [gel, setGel] = useState(startGel);
  const [light, setLight] = useState(false);
  const [planned, setPlanned] = useState(startGel);
  // A plan that now gels, or no longer does, is shown so, whatever was looked at before.
  if (planned !== startGel) {
    setPlanned(startGel);
    setGel(startGel);
  }

  useEffect(() => {
    live.setStage({ hours, gel, light });
  }, [live, hours, gel, light]);

  const before = useRef(hours);
  const tellTouched = useTouchNotice();
  const onSlideKey = (event: KeyboardEvent): void => {
    const by = STEP_KEYS[event.key];
    if (by === undefined) return;
    event.preventDefault();
    setHours((h) => neighbourTick(h, by));
  };
  useKeys({
    [KEYS.earlier.key]: () => {
      setHours((h) => neighbourTick(h, -1));
    },
    [KEYS.later.key]: () => {
      setHours((h) => neighbourTick(h, 1));
    },
    [KEYS.gel.key]: () => {
      setGel((g) => GELS[(GELS.findIndex((x) => x.value === g) + 1) % GELS.length]!.value);
    },
  });

  return (
    <section className="time-strip" aria-label="Time and gel">
      <div className="time-track">
        <TimeTrail gel={gel} light={light} />
        <Slide
          label="Time since the pour"
          valueText={sayHours(hours)}
          step={0.002}
          value={positionOfHours(hours)}
          onChange={(at) => {
            setHours(hoursOfPosition(at));
          }}
          onKeyDown={onSlideKey}
          onHold={() => {
            before.current = hours;
          }}
          onCancel={() => {
            setHours(before.current);
          }}
          onTouched={() => {
            const back = before.current;
            tellTouched('Time since the pour', sayHours(back), sayHours(hours), () => {
              setHours(back);
            });
          }}
        />
        <div className="time-ticks">
          {ticks.map((t) => (
            <button
              type="button"
              key={t.hours}
              tabIndex={-1}
              className={t.major ? 'tick tick-major' : 'tick'}
              style={{ left: `${positionOfHours(t.hours) * 100}%` }}
              onClick={() => {
                setHours(t.hours);
              }}
            >
              {t.label}
            </button>
          ))}
        </div>
      </div>
      <output className="time-now figure">{sayHours(hours)}</output>
      <label className="time-light">
        <Switch size="small" checked={light} onChange={setLight} />
        In a window
      </label>
      <Segmented
        aria-label="Gel"
        options={GELS}
        value={gel}
        onChange={(v) => {
          setGel(v);
        }}
      />
    </section>
  );
});

/** The selected pot's own colour over time. */
function TimeTrail({ gel, light }: { readonly gel: number; readonly light: boolean }) {
  const plan = usePlan();
  const { selectedId } = useBench();
  const [trail, setTrail] = useState<readonly string[]>([]);
  const pot = plan.pots.find((p) => p.id === selectedId);
  const composition = useMemo(() => (pot ? potComposition(plan, pot) : bareComposition(plan)), [plan, pot]);
  const [questions] = useState(() =>
    latestOnly<{ composition: Composition; gel: number; light: boolean }, readonly string[]>({
      put: async (q) => {
        const stages = POSITIONS.map((p) => ({
          hours: hoursOfPosition(p),
          gel: q.gel,
          light: q.light,
        }));
        const [colours] = await colourWorker().predict([q.composition], stages);
        return (colours ?? []).map((c) => c.hex);
      },
      onAnswer: setTrail,
    }),
  );
  useEffect(() => {
    questions.ask({ composition, gel, light });
  }, [composition, gel, light, questions]);
  return (
    <div className="time-trail" aria-hidden>
      {trail.map((hex, i) => (
        <i key={i} style={{ background: hex }} />
      ))}
    </div>
  );
}
