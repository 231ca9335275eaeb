import { Button, Dropdown } from 'antd';
import { lazy, Suspense, useState } from 'react';
import { Link, useParams } from 'react-router';
import { routes } from '@kleur/contract';
import { curveModes } from '@kleur/core/material';
import { failureOf } from '../../data/api.ts';
import { useBookFitMutation, useBookQuery } from '../../data/book.ts';
import { useLearntBase } from '../../data/learntBase.ts';
import { useMaterialsQuery } from '../../data/materials.ts';
import { useNotices } from '../../shared/hooks/useNotices.ts';
import { usePrinter } from '../../shared/hooks/useSettings.ts';
import { BarEffect } from '../../shared/ui/BarEffect.tsx';
import { EmptyState } from '../../shared/ui/EmptyState.tsx';
import { DownloadOutlined } from '../../shared/ui/icons.tsx';
import { BaseLine } from './BaseLine.tsx';
import styles from './book.module.css';
import { type BookMaterial, bookOf, evidenceOf } from './bookOf.ts';
import { LadderStrip } from './LadderStrip.tsx';
import { useTakeOver } from './useTakeOver.ts';

const AddBar = lazy(() => import('./AddBar.tsx').then((m) => ({ default: m.AddBar })));
const BookPage = lazy(() => import('./BookPage.tsx').then((m) => ({ default: m.BookPage })));
const NewColourant = lazy(() => import('./NewColourant.tsx').then((m) => ({ default: m.NewColourant })));

/** What is known of each colourant, and from which bars. */
export function BookRoom() {
  const { id } = useParams();
  const [adding, setAdding] = useState(false);
  const [naming, setNaming] = useState(false);
  const [kept, setKept] = useState<string>();
  const print = usePrinter();
  const { data: shelf, error: shelfError, refetch: askShelf } = useMaterialsQuery();
  const { data: book, error: bookError, refetch: askBook } = useBookQuery();
  const [fit, { data: fitted, isLoading: isFitting }] = useBookFitMutation({ fixedCacheKey: 'book' });
  const { message } = useNotices();
  const learnt = useLearntBase() ?? null;
  const takeOver = useTakeOver();
  const error = shelfError ?? bookError;
  if (!shelf || !book)
    return error ? (
      <EmptyState
        role="alert"
        title="The swatch book could not be loaded"
        action={
          <Button
            onClick={() => {
              void askShelf();
              void askBook();
            }}
          >
            Try again
          </Button>
        }
      >
        {failureOf(error).message}
      </EmptyState>
    ) : (
      <p className="loading">Opening…</p>
    );
  const pages = bookOf(shelf, book.readings);
  const learn = async (): Promise<void> => {
    try {
      await fit().unwrap();
    } catch (failure) {
      message.error(failureOf(failure).message);
    }
  };
  const page = id === undefined ? undefined : pages.find((p) => p.material.id === id);
  const fitButton = (
    <Button
      type="primary"
      loading={isFitting}
      disabled={book.readings.length === 0}
      onClick={() => void learn()}
    >
      {fitted ? 'Learn again' : 'Learn from my bars'}
    </Button>
  );
  if (id !== undefined)
    return page ? (
      <Suspense fallback={<p className="loading">Opening…</p>}>
        <BookPage key={id} {...page} fitted={fitted ?? null} learn={fitButton} names={shelf} />
      </Suspense>
    ) : (
      <EmptyState title="No such colourant in the book" action={<Link to="/book">To the swatch book</Link>}>
        It is not on the shelf, or leaves no colour of its own.
      </EmptyState>
    );
  const read = pages.filter((p) => p.bars.length > 0);
  const told = shelf.filter((m) => fitted?.materials.some((f) => f.id === m.id));
  return (
    <div className={styles.book}>
      <title>Swatch book · Kleur</title>
      <header className={styles.head}>
        <h1>Swatch book</h1>
        <span className="soft">
          {book.readings.length === 1 ? '1 bar' : `${book.readings.length} bars`}, {read.length} of{' '}
          {pages.length} colourants
        </span>
        <span className="spring" />
        {book.readings.length > 0 && (
          <>
            <a className={styles.download} href={routes.bookCgats} download>
              <DownloadOutlined />
              &nbsp;CGATS
            </a>
            <a className={styles.download} href={routes.bookCsv} download>
              <DownloadOutlined />
              &nbsp;CSV
            </a>
          </>
        )}
        <Dropdown
          trigger={['click']}
          menu={{
            items: [
              {
                key: 'hand',
                label: 'By hand',
                onClick: () => {
                  setAdding(true);
                },
              },
              { key: 'photo', label: <Link to="/book/photo">From a photo</Link> },
              { key: 'file', label: <Link to="/book/import">From a file</Link> },
            ],
          }}
        >
          <Button>Add bars</Button>
        </Dropdown>
        <Button
          onClick={() => {
            setNaming(true);
          }}
        >
          New colourant
        </Button>
        <Link className={styles.download} to="/book/trial">
          Plan a test
        </Link>
        {fitButton}
      </header>
      {book.readings.length === 0 && (
        <p>
          Every reading under Result of a batch comes here by itself: a photo with a card, a reader, or a
          typed colour. A scrape of each jug in a cavity is the best bar there is.
        </p>
      )}
      {fitted && (
        <p role="status" className={styles.acts}>
          <span>
            {fitted.typicalMiss === null
              ? 'No bar could be learnt from.'
              : `With what your bars say, each of them would have been missed by ΔE ${print.number(fitted.typicalMiss, 1)} or so. Open a colourant to see what would change, or take all over.`}
          </span>
          {(told.length > 0 || fitted.base) && (
            <Button loading={takeOver.busy} onClick={() => void takeOver.accept(fitted.fitId, told)}>
              {told.length > 0 ? `Take all ${told.length} over` : 'Take the base over'}
            </Button>
          )}
        </p>
      )}
      {kept !== undefined && <BarEffect readingId={kept} />}
      <BaseLine
        shelf={shelf}
        learnt={learnt}
        readings={book.readings}
        fitted={fitted ?? null}
        takeOver={takeOver}
      />
      <ul className={styles.pages}>
        {pages.map((p) => (
          <Line
            key={p.material.id}
            {...p}
            miss={fitted?.materials.find((m) => m.id === p.material.id)?.typicalMiss}
          />
        ))}
      </ul>
      <Suspense>
        {naming && (
          <NewColourant
            onClose={() => {
              setNaming(false);
            }}
          />
        )}
        {adding && (
          <AddBar
            shelf={shelf}
            of={null}
            onClose={(id) => {
              setAdding(false);
              setKept(id ?? kept);
            }}
          />
        )}
      </Suspense>
    </div>
  );
}

function Line({ material, bars, miss }: BookMaterial & { readonly miss?: number | null | undefined }) {
  const print = usePrinter();
  return (
    <li className={styles.line}>
      <div>
        <h2>
          <Link to={`/book/${encodeURIComponent(material.id)}`}>{material.name}</Link>
        </h2>
        <p className="soft small">
          {evidenceOf(material, bars.length)}.
          {miss !== undefined &&
            miss !== null &&
            ` Learnt, its bars would be missed by ΔE ${print.number(miss, 1)}.`}
        </p>
      </div>
      <LadderStrip
        name={material.name}
        optics={material.optics!}
        modes={curveModes(material.curve)}
        window={material.window!}
        bars={bars}
      />
    </li>
  );
}
