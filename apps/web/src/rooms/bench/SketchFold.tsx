import { Button } from 'antd';
import { useState } from 'react';
import { useStore } from 'react-redux';
import { useParams } from 'react-router';
import { routes } from '@kleur/contract';
import { RECORD_LIMITS } from '@kleur/core/record';
import { type Failure } from '../../data/api.ts';
import { logServer } from '../../data/log.ts';
import { pictureFile } from '../../data/media.ts';
import { recordSaves, useRecordQuery } from '../../data/record.ts';
import { type AppStore } from '../../data/store.ts';
import { FileButton } from '../../shared/ui/FileButton.tsx';
import { CameraOutlined, DeleteOutlined } from '../../shared/ui/icons.tsx';
import styles from './PastResults.module.css';

/** Photos of sketches on paper, beside the idea that they belong to. */
export default function SketchFold() {
  const { id = '' } = useParams();
  const { data } = useRecordQuery(id);
  const store = useStore() as unknown as AppStore;
  const [problem, setProblem] = useState('');
  const sketches = data?.record.sketches ?? [];
  const attempt = async (work: () => Promise<void>): Promise<void> => {
    setProblem('');
    try {
      await work();
    } catch (error) {
      setProblem(error instanceof Error ? error.message : (error as Failure).message);
    }
  };
  const take = (picked: File): Promise<void> =>
    attempt(async () => {
      const file = await pictureFile(picked);
      await logServer(store, id).sendFile(file);
      await recordSaves(id, store).edit((r) => ({
        ...r,
        sketches: [...r.sketches.filter((s) => s !== file.name), file.name].slice(-RECORD_LIMITS.sketches),
      }));
    });
  return (
    <div>
      <ul className={styles.sketches} aria-label="Sketches">
        {sketches.map((name, i) => (
          <li key={name}>
            <a href={routes.file(id, name)} target="_blank" rel="noreferrer">
              <img src={routes.file(id, name)} alt={`Sketch ${i + 1}`} loading="lazy" />
            </a>
            <Button
              type="text"
              icon={<DeleteOutlined />}
              aria-label={`Take out sketch ${i + 1}`}
              onClick={() =>
                void attempt(() =>
                  recordSaves(id, store).edit((r) => ({
                    ...r,
                    sketches: r.sketches.filter((s) => s !== name),
                  })),
                )
              }
            />
          </li>
        ))}
      </ul>
      <FileButton
        label="Photo of a sketch"
        icon={<CameraOutlined />}
        text="Photo of a sketch"
        accept="image/jpeg,image/png,image/webp"
        onFile={(file) => void take(file)}
      />
      {problem !== '' && (
        <p className="field-problem" role="alert">
          {problem}
        </p>
      )}
    </div>
  );
}
