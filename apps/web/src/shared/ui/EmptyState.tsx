import { type ReactNode } from 'react';

/** A place with nothing in it yet: what it is for, and the way on. */
export function EmptyState(props: {
  readonly title: string;
  readonly children?: ReactNode;
  readonly action?: ReactNode;
  readonly role?: 'status' | 'alert';
}) {
  return (
    <div className="empty" role={props.role}>
      <div className="empty-bar" aria-hidden>
        <i />
        <i />
        <i />
      </div>
      <h2>{props.title}</h2>
      {props.children && <p>{props.children}</p>}
      {props.action}
    </div>
  );
}
