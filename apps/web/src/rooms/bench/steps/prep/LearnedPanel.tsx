import { Button } from 'antd';
import { useParams } from 'react-router';
import { KEPT, type Kept, type LearnedFigure } from '@kleur/core/day';
import { type Minutes, PLAN_LIMITS, setWork } from '@kleur/core/plan';
import { useLearnedQuery } from '../../../../data/log.ts';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { NumberField } from '../../../../shared/ui/NumberField.tsx';
import { usePlan } from '../../state/useDerived.ts';
import { useEdit } from '../../state/useEdit.ts';
import { MINUTE_KEYS, MINUTE_NAMES } from './minutes.ts';

const KEPT_NAMES: Readonly<Record<Kept, string>> = { warm: 'kept warm', let: 'let be', cold: 'kept cold' };
/** Less than this is no difference, as a part. */
const SAME = 0.02;

const batchesOf = ({ batches }: LearnedFigure): string => (batches === 1 ? '1 batch' : `${batches} batches`);

/** What the logs of earlier days say, and how to work by it. */
export function LearnedPanel() {
  const { id = '' } = useParams();
  const { data } = useLearnedQuery(id, { refetchOnMountOrArgChange: true });
  const { work } = usePlan();
  const edit = useEdit();
  const print = usePrinter();
  const pace = data?.pace ?? null;
  const minutes = MINUTE_KEYS.flatMap((key) => {
    const figure = data?.minutes[key] ?? null;
    return figure ? [{ key, figure }] : [];
  });
  const hours = (of: 'unmould' | 'cut'): string =>
    KEPT.flatMap((kept) => {
      const figure = data?.[of][kept];
      return figure
        ? [`${KEPT_NAMES[kept]} after ${print.number(figure.value, 0)} h (${batchesOf(figure)})`]
        : [];
    }).join(', ');
  const learnedMinutes = (): Minutes => ({
    ...work.minutes,
    ...Object.fromEntries(minutes.map(({ key, figure }) => [key, Math.round(figure.value * 10) / 10])),
  });
  return (
    <section aria-label="From my log" className="panel">
      <h2>From my log</h2>
      <NumberField
        label="My batter takes, times the usual"
        width={180}
        value={work.pace}
        digits={2}
        {...PLAN_LIMITS.pace}
        step={0.05}
        suffix="×"
        onCommit={(v) => {
          edit((p) => setWork(p, { pace: v }), 'pace');
        }}
      />
      {pace ? (
        <p>
          As you tapped, it takes {print.number(pace.value, 2)} × the usual time: from {batchesOf(pace)},
          drawn towards the usual while there are few.{' '}
          {Math.abs(pace.value / work.pace - 1) > SAME && (
            <Button
              onClick={() => {
                edit((p) => setWork(p, { pace: Math.round(pace.value * 100) / 100 }), 'pace');
              }}
            >
              Work by it
            </Button>
          )}
        </p>
      ) : (
        <p className="soft">
          Tap how thick each pot is while you make a batch: from that Kleur learns how fast your batter is.
        </p>
      )}
      {minutes.length > 0 && (
        <p>
          For each pot:{' '}
          {minutes
            .map(
              ({ key, figure }) =>
                `${MINUTE_NAMES[key].toLowerCase()} ${print.number(figure.value, 1)} min (${batchesOf(figure)})`,
            )
            .join(', ')}
          .{' '}
          <Button
            onClick={() => {
              edit((p) => setWork(p, { minutes: learnedMinutes() }), 'minutes');
            }}
          >
            Work by these
          </Button>
        </p>
      )}
      {data?.alike.unmould && (
        <p>
          Recipes like this one, kept as this one is: unmoulded after{' '}
          {print.number(data.alike.unmould.value, 0)} h ({batchesOf(data.alike.unmould)})
          {data.alike.cut &&
            `, cut after ${print.number(data.alike.cut.value, 0)} h (${batchesOf(data.alike.cut)})`}
          .
        </p>
      )}
      {hours('unmould') !== '' && <p>Unmoulded: {hours('unmould')}.</p>}
      {hours('cut') !== '' && <p>Cut: {hours('cut')}.</p>}
    </section>
  );
}
