import { Link, useRouteError } from 'react-router';
import { EmptyState } from '../shared/ui/EmptyState.tsx';

/** A wrong address, or a room that could not be loaded. What was typed is kept either way. */
export function RouteError() {
  const error = useRouteError();
  return (
    <main className="room">
      <EmptyState
        role="alert"
        title={error ? 'This room could not be opened' : 'There is nothing at this address'}
        action={
          <p>
            {error ? (
              <button
                type="button"
                onClick={() => {
                  window.location.reload();
                }}
              >
                Load it again
              </button>
            ) : (
              <Link to="/batches">Go to the batches</Link>
            )}
          </p>
        }
      >
        {error
          ? 'Nothing you entered is lost: unsaved changes wait in this browser.'
          : 'The link may be old.'}
      </EmptyState>
    </main>
  );
}
