import { routes } from '@kleur/contract';
import { useLooksQuery } from '../../../data/log.ts';
import { useDays } from '../../../shared/hooks/useDays.ts';
import styles from './make.module.css';

/** How this step looked in the maker's own last batch of the kind. */
export function LastLook({ batchId, stepId }: { readonly batchId: string; readonly stepId: string }) {
  const { data: looks = [] } = useLooksQuery(batchId, { refetchOnMountOrArgChange: true });
  const days = useDays();
  const look = looks.find((l) => l.step === stepId);
  if (!look) return null;
  const of = `${look.batchName}, ${days.moment(new Date(look.at).toISOString())}`;
  return (
    <figure className={styles.look}>
      <img src={routes.file(look.batchId, look.file)} alt={`This step in ${of}`} loading="lazy" />
      <figcaption className="soft small">So it looked in {of}</figcaption>
    </figure>
  );
}
