import { useBookEffectQuery } from '../../data/book.ts';
import { useMaterialsQuery } from '../../data/materials.ts';
import { usePrinter } from '../hooks/useSettings.ts';

/** Less than this is not seen. */
const SEEN = 0.5;

/** What a reading that was just kept says of the shelf: how far it was missed, and what it would move. */
export function BarEffect({ readingId }: { readonly readingId: string }) {
  const { data, isFetching } = useBookEffectQuery([readingId]);
  const { data: shelf = [] } = useMaterialsQuery();
  const print = usePrinter();
  const read = data?.readings[0];
  if (isFetching) return <p className="soft small">Looking what it says…</p>;
  if (!data || !read) return null;
  const said = data.moves.map(({ materialId, deltaE, typicalMiss }) => {
    const name = shelf.find((m) => m.id === materialId)?.name ?? materialId;
    const typical = typicalMiss === null ? '' : `, typical miss then ΔE ${print.number(typicalMiss, 1)}`;
    return deltaE < SEEN
      ? `${name} stays as it is${typical}`
      : `${name} would move by ΔE ${print.number(deltaE, 1)}${typical}`;
  });
  return (
    <p className="small" role="status">
      The shelf missed this bar by ΔE {print.number(read.missBefore, 1)}. {said.join('; ')}
      {said.length > 0 && '.'}
      {read.isOdd && ' It disagrees with the others: another dose or lot, half a gel, or another pot?'}
    </p>
  );
}
