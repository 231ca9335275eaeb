import { Button, Checkbox } from 'antd';
import { useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { type MaterialWire } from '@kleur/contract';
import { CURED_HOURS } from '@kleur/core/pigment';
import { failureOf } from '../../data/api.ts';
import { useAddBarsMutation, useBookQuery } from '../../data/book.ts';
import { useMaterialsQuery } from '../../data/materials.ts';
import { useNotices } from '../../shared/hooks/useNotices.ts';
import { FileButton } from '../../shared/ui/FileButton.tsx';
import { FileOutlined } from '../../shared/ui/icons.tsx';
import { newBarId } from './barForm.ts';
import { BarPreview } from './BarPreview.tsx';
import styles from './book.module.css';
import { FileColumns } from './FileColumns.tsx';
import { FileNames } from './FileNames.tsx';
import { FileWishes } from './FileWishes.tsx';
import { type FileWish, importedBars, sameNames } from './importing.ts';
import { useBarFile } from './useBarFile.ts';
import { useDays } from '../../shared/hooks/useDays.ts';

const FIRST_WISH: FileWish = {
  how: 'reader',
  instrument: '',
  hasGloss: false,
  hours: CURED_HOURS,
  gelled: true,
  oils: [],
  uncoloured: false,
  uncolouredLines: new Set(),
};

/** Bars out of a file: what its columns are, which colourants it speaks of, and how the bars would be kept. */
export function ImportPage() {
  const days = useDays();
  const { data: shelf = [] } = useMaterialsQuery();
  const { data: book } = useBookQuery();
  const file = useBarFile();
  const [told, setTold] = useState<ReadonlyMap<string, string | null>>(new Map());
  const [wish, setWish] = useState<FileWish>(FIRST_WISH);
  const [add, { isLoading }] = useAddBarsMutation();
  const { message } = useNotices();
  const navigate = useNavigate();
  const bars = file.read?.bars;
  const names = useMemo(() => {
    const same = sameNames(bars ?? [], shelf);
    return new Map([...same].map(([key, id]) => [key, told.get(key) ?? id]));
  }, [bars, shelf, told]);
  const imported = useMemo(
    () => importedBars(bars ?? [], names, wish, book?.readings ?? [], days.today(), newBarId, shelf),
    [bars, names, wish, book, days, shelf],
  );
  const kept = imported.flatMap((i) => (i.write ? [i.write] : []));
  const keep = async (): Promise<void> => {
    try {
      await add({ bars: kept }).unwrap();
      message.success(`${kept.length === 1 ? 'One bar is' : `${kept.length} bars are`} in the book.`);
      void navigate('/book');
    } catch (error) {
      message.error(failureOf(error).message);
    }
  };
  return (
    <div className={styles.book}>
      <title>Bars from a file · Swatch book · Kleur</title>
      <header className={styles.head}>
        <Link to="/book">Swatch book</Link>
        <h1>Bars from a file</h1>
        {file.name !== '' && <span className="soft">{file.name}</span>}
        <span className="spring" />
        <FileButton
          label="Choose a file of bars"
          icon={<FileOutlined />}
          text={file.table ? 'Another file' : 'Choose a file'}
          accept=".txt,.csv,.tsv,.cgats,.cxf,.ti3,text/plain,text/csv"
          onFile={(chosen) => void file.open(chosen)}
        />
      </header>
      {file.failure !== '' && (
        <p role="alert" className="field-problem">
          {file.failure}
        </p>
      )}
      {!file.table && file.failure === '' && (
        <p>
          CGATS text as colour instruments write it, or CSV with any delimiter: spectra (such as
          SPECTRAL_NM380 … or plain 400, 410 …), L*, a*, b*, or hex, with the doses of each bar in g/kg or %
          of its oils. Nothing is kept before you have seen it.
        </p>
      )}
      {file.table && (
        <>
          <FileColumns table={file.table} reading={file.reading} setRole={file.setRole} />
          <FileWishes file={file} wish={wish} change={(change) => setWish({ ...wish, ...change })} />
          {imported.some((i) => i.bar.doses.length === 0) && (
            <Checkbox
              checked={wish.uncoloured}
              onChange={(e) => {
                setWish({ ...wish, uncoloured: e.target.checked });
              }}
            >
              Bars without a dose are uncoloured soap
            </Checkbox>
          )}
          <FileNames
            names={names}
            shelf={shelf.filter(hasCurve)}
            onName={(key, id) => setTold(new Map(told).set(key, id))}
          />
          {file.read?.notes.map((note) => (
            <p key={note} className="soft">
              {note}
            </p>
          ))}
          {imported.length > 0 && (
            <BarPreview
              imported={imported}
              shelf={shelf}
              onUncoloured={(line) => {
                setWish({ ...wish, uncolouredLines: new Set(wish.uncolouredLines).add(line) });
              }}
            />
          )}
          <div className={styles.acts}>
            <Button
              type="primary"
              loading={isLoading}
              disabled={kept.length === 0}
              onClick={() => void keep()}
            >
              Keep {kept.length === 1 ? 'one bar' : `${kept.length} bars`}
            </Button>
            {kept.length < imported.length && (
              <span className="soft">
                {imported.length - kept.length === 1 ? 'One is' : `${imported.length - kept.length} are`} left
                out.
              </span>
            )}
          </div>
        </>
      )}
    </div>
  );
}

const hasCurve = (m: MaterialWire): boolean => m.optics !== null;
