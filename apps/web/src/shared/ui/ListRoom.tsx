import { SearchOutlined } from './icons.tsx';
import { Button, Input, type InputRef } from 'antd';
import { type ReactNode, useRef } from 'react';
import { failureOf } from '../../data/api.ts';
import { useKeys } from '../hooks/useKeys.ts';
import { KEYS } from '../keys.ts';
import { EmptyState } from './EmptyState.tsx';
import styles from './ListRoom.module.css';

/** Longest text that is searched for. */
const MOST_SEARCH = 80;

/**
 * A room that is a list: its head with search and filters, and what is there instead of the list when it could not be
 * loaded, when nothing fits, or when there is nothing yet. `/` leads to the search, `n` to a new one.
 */
export function ListRoom(props: {
  readonly title: string;
  /** Below the title. */
  readonly about?: ReactNode;
  readonly search: {
    readonly label: string;
    readonly placeholder: string;
    readonly width: number;
    readonly value: string;
    readonly onChange: (text: string) => void;
  };
  readonly tools: ReactNode;
  readonly onNew: () => void;
  /** A failed load without anything older to show. */
  readonly failure: { readonly title: string; readonly error: unknown; readonly retry: () => void } | null;
  /** Nothing fits what is searched and filtered. */
  readonly nothingFits: {
    readonly title: string;
    readonly advice: string;
    readonly showAll: () => void;
  } | null;
  /** Nothing is there yet. */
  readonly nothingYet?: {
    readonly title: string;
    readonly advice: string;
    readonly action: ReactNode;
  } | null;
  /** Above the list, also when it could not be loaded. */
  readonly notice?: ReactNode;
  readonly children: ReactNode;
}) {
  const { title, about, search, tools, onNew, failure, nothingFits, nothingYet, children } = props;
  const field = useRef<InputRef>(null);
  useKeys({ [KEYS.fresh.key]: onNew, [KEYS.search.key]: () => field.current?.focus() });
  return (
    <>
      <title>{`${title} · Kleur`}</title>
      <header className={styles.head}>
        <div>
          <h1>{title}</h1>
          {about && <span className="soft">{about}</span>}
        </div>
        <div className={styles.tools}>
          <Input
            ref={field}
            aria-label={search.label}
            placeholder={search.placeholder}
            prefix={<SearchOutlined />}
            allowClear
            maxLength={MOST_SEARCH}
            value={search.value}
            onChange={(e) => {
              search.onChange(e.target.value);
            }}
            style={{ width: search.width }}
          />
          {tools}
        </div>
      </header>
      {props.notice}
      {failure ? (
        <EmptyState
          role="alert"
          title={failure.title}
          action={<Button onClick={failure.retry}>Try again</Button>}
        >
          {failureOf(failure.error).message}
        </EmptyState>
      ) : nothingYet ? (
        <EmptyState title={nothingYet.title} action={nothingYet.action}>
          {nothingYet.advice}
        </EmptyState>
      ) : nothingFits ? (
        <EmptyState
          role="status"
          title={nothingFits.title}
          action={<Button onClick={nothingFits.showAll}>Show all</Button>}
        >
          {nothingFits.advice}
        </EmptyState>
      ) : (
        children
      )}
    </>
  );
}
