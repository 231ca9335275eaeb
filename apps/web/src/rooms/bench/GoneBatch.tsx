import { useRevalidator, useNavigate } from 'react-router';
import { UnsentActs } from '../../shared/batches/UnsentActs.tsx';
import { EmptyState } from '../../shared/ui/EmptyState.tsx';

/** A batch that was deleted elsewhere while this browser held changes of it. */
export default function GoneBatch({ id, name }: { readonly id: string; readonly name: string }) {
  const { revalidate } = useRevalidator();
  const navigate = useNavigate();
  return (
    <EmptyState
      role="alert"
      title="This batch was deleted elsewhere"
      action={
        <p className="empty-acts">
          <UnsentActs
            id={id}
            isGone
            onRestored={() => void revalidate()}
            onGivenUp={() => void navigate('/batches')}
          />
        </p>
      }
    >
      Your changes of “{name}” are still in this browser.
    </EmptyState>
  );
}
