import { CameraOutlined, PictureOutlined } from '../../../shared/ui/icons.tsx';
import { Button, Segmented } from 'antd';
import { type DragEvent, type MouseEvent, useCallback, useEffect, useRef, useState } from 'react';
import { labD65FromHex, type LabD65, screenColourFromLabD65 } from '@kleur/core/colour';
import { PHOTO_COLOURS } from '@kleur/core/palette';
import { PLAN_LIMITS } from '@kleur/core/plan';
import { useAppDispatch } from '../../../data/store.ts';
import { FileButton } from '../../../shared/ui/FileButton.tsx';
import { searchWorker } from '../../../workers/client.ts';
import { type PhotoResult } from '../../../workers/search.protocol.ts';
import { edits } from '../state/edits.ts';
import { newId } from '../../../data/newId.ts';
import { usePlan } from '../state/useDerived.ts';

interface Picked {
  readonly lab: LabD65;
  readonly x: number;
  readonly y: number;
}

/** Colours out of a photo. It is read in a worker and never leaves this machine. */
export function PhotoPanel() {
  const [file, setFile] = useState<Blob | null>(null);
  const [count, setCount] = useState(5);
  const [photo, setPhoto] = useState<PhotoResult | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [over, setOver] = useState(false);
  const [picked, setPicked] = useState<readonly Picked[]>([]);
  const canvas = useRef<HTMLCanvasElement>(null);
  const plan = usePlan();
  const dispatch = useAppDispatch();

  const read = useCallback(async (blob: Blob, wanted: number): Promise<void> => {
    setBusy(true);
    setProblem(null);
    const answer = await searchWorker().photo(blob, wanted);
    setBusy(false);
    if ('failure' in answer) setProblem(answer.failure);
    else setPhoto(answer);
  }, []);
  const take = useCallback(
    (blob: Blob | null | undefined): void => {
      if (!blob) return;
      setFile(blob);
      setPicked([]);
      void read(blob, count);
    },
    [read, count],
  );

  useEffect(() => {
    const onPaste = (event: ClipboardEvent): void => {
      const image = [...(event.clipboardData?.files ?? [])].find((f) => f.type.startsWith('image/'));
      if (image) take(image);
    };
    window.addEventListener('paste', onPaste);
    return () => {
      window.removeEventListener('paste', onPaste);
    };
  }, [take]);

  useEffect(() => {
    if (!photo || !canvas.current) return;
    canvas.current.width = photo.width;
    canvas.current.height = photo.height;
    canvas.current.getContext('2d', { willReadFrequently: true })!.drawImage(photo.bitmap, 0, 0);
  }, [photo]);

  const drop = (event: DragEvent): void => {
    event.preventDefault();
    setOver(false);
    take(event.dataTransfer.files[0]);
  };
  /** The mean of a few pixels around the point: one pixel of a photo is noise. */
  const pick = (event: MouseEvent<HTMLCanvasElement>): void => {
    const element = event.currentTarget;
    const box = element.getBoundingClientRect();
    const x = Math.floor(((event.clientX - box.left) / box.width) * element.width);
    const y = Math.floor(((event.clientY - box.top) / box.height) * element.height);
    const { data } = element.getContext('2d')!.getImageData(Math.max(0, x - 2), Math.max(0, y - 2), 5, 5);
    const mean = [0, 1, 2].map((c) => {
      const values = Array.from({ length: 25 }, (_, i) => data[i * 4 + c]!);
      return Math.round(values.reduce((a, b) => a + b, 0) / 25);
    });
    const lab = labD65FromHex(`#${mean.map((v) => v.toString(16).padStart(2, '0')).join('')}`);
    setPicked((list) =>
      [...list, { lab, x: x / element.width, y: y / element.height }].slice(-PLAN_LIMITS.palette),
    );
  };
  const use = (labs: readonly LabD65[], join: boolean): void => {
    const from = join ? plan.idea.colours.length : 0;
    const colours = labs.map((lab, i) => ({ id: newId(), name: `Photo ${from + i + 1}`, lab }));
    dispatch(edits.paletteSet(join ? [...plan.idea.colours, ...colours] : colours));
  };

  return (
    <div className="photo">
      <div
        className={over ? 'drop drop-over' : 'drop'}
        onDragOver={(e) => {
          e.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => {
          setOver(false);
        }}
        onDrop={drop}
      >
        {photo ? (
          <div className="photo-frame">
            <canvas ref={canvas} onClick={pick} aria-label="The photo: click to pick a colour by hand" />
            {picked.map((p, i) => (
              <span
                key={i}
                className="photo-point"
                style={{
                  left: `${p.x * 100}%`,
                  top: `${p.y * 100}%`,
                  background: screenColourFromLabD65(p.lab).hex,
                }}
              />
            ))}
          </div>
        ) : (
          <p className="soft">
            Drop a photo here, paste one, or choose a file. JPEG, PNG or WebP; it stays on this machine.
          </p>
        )}
        <div className="row">
          <FileButton
            label="Choose a photo"
            icon={<PictureOutlined />}
            text="Choose a photo"
            accept="image/jpeg,image/png,image/webp"
            onFile={take}
          />
          <FileButton
            label="Take a photo"
            icon={<CameraOutlined />}
            text="Camera"
            accept="image/*"
            capture="environment"
            onFile={take}
          />
        </div>
        {busy && <p role="status">Reading the photo…</p>}
        {problem && (
          <p className="field-problem" role="alert">
            {problem}
          </p>
        )}
      </div>
      {photo && (
        <div>
          <Segmented
            aria-label="Most colours from the photo"
            value={count}
            onChange={(v) => {
              setCount(v);
              if (file) void read(file, v);
            }}
            options={Array.from(
              { length: PHOTO_COLOURS.max - PHOTO_COLOURS.min + 1 },
              (_, i) => PHOTO_COLOURS.min + i,
            )}
          />
          <ul className="photo-colours" aria-label="Colours of the photo">
            {photo.colours.map((c) => (
              <li key={c.hex}>
                <i className="chip" style={{ background: c.hex }} />
                <span className="figure">{Math.round(c.share * 100)} %</span>
              </li>
            ))}
          </ul>
          <Button
            onClick={() => {
              use(
                photo.colours.map((c) => c.lab),
                false,
              );
            }}
          >
            Use these colours
          </Button>
          {picked.length > 0 && (
            <div className="row">
              {picked.map((p, i) => (
                <i key={i} className="chip" style={{ background: screenColourFromLabD65(p.lab).hex }} />
              ))}
              <Button
                onClick={() => {
                  use(
                    picked.map((p) => p.lab),
                    true,
                  );
                  setPicked([]);
                }}
              >
                Add the picked ones
              </Button>
            </div>
          )}
          <p className="soft small">Click in the photo to pick by hand.</p>
        </div>
      )}
    </div>
  );
}
