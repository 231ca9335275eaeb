import { FileOutlined, StarFilled, StarOutlined, DeleteOutlined } from '../../../shared/ui/icons.tsx';
import { Button, Segmented } from 'antd';
import { useState } from 'react';
import { screenColourFromLabD65 } from '@kleur/core/colour';
import { FormatError, type LabWhite, type PaletteFile, type ReadPalette } from '@kleur/core/formats';
import { PLAN_LIMITS } from '@kleur/core/plan';
import { failureOf } from '../../../data/api.ts';
import {
  useDeletePaletteMutation,
  usePalettesQuery,
  useRestorePaletteMutation,
  useSavePaletteMutation,
} from '../../../data/palettes.ts';
import { useAppDispatch } from '../../../data/store.ts';
import { useUndoNotice } from '../../../shared/hooks/useUndoNotice.tsx';
import { FileButton } from '../../../shared/ui/FileButton.tsx';
import { edits } from '../state/edits.ts';
import { newId } from '../../../data/newId.ts';
import { ACCEPTED, ACCEPTED_TEXT, readPalette } from './paletteFiles.ts';
import { useNotices } from '../../../shared/hooks/useNotices.ts';

const useTake = () => {
  const dispatch = useAppDispatch();
  const { message } = useNotices();
  return (palette: { readonly colours: PaletteFile['colours'] }): void => {
    const { colours } = palette;
    dispatch(
      edits.paletteSet(
        colours.slice(0, PLAN_LIMITS.palette).map((c) => ({ id: newId(), name: c.name, lab: c.lab })),
      ),
    );
    if (colours.length > PLAN_LIMITS.palette) {
      message.info(
        `A batch holds ${PLAN_LIMITS.palette} colours: the first ${PLAN_LIMITS.palette} of ${colours.length} were taken.`,
      );
    }
  };
};

const Strip = ({ colours }: { readonly colours: PaletteFile['colours'] }) => (
  <span className="strip">
    {colours.slice(0, 24).map((c, i) => (
      <i key={i} style={{ background: screenColourFromLabD65(c.lab).hex }} title={c.name} />
    ))}
  </span>
);

/** A palette out of a file. */
export function FilePanel() {
  const [read, setRead] = useState<ReadPalette | null>(null);
  const [file, setFile] = useState<File | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const take = useTake();
  const open = (chosen: File, white?: LabWhite): void => {
    setFile(chosen);
    readPalette(chosen, white)
      .then((palette) => {
        setRead(palette);
        setProblem(null);
      })
      .catch((e: unknown) => {
        setRead(null);
        setProblem(e instanceof FormatError ? e.message : 'The file could not be read.');
      });
  };
  return (
    <div>
      <p className="soft">{ACCEPTED_TEXT}</p>
      <FileButton
        label="Choose a palette file"
        icon={<FileOutlined />}
        text="Choose a palette file"
        accept={ACCEPTED}
        onFile={(chosen) => {
          open(chosen);
        }}
      />
      {problem && (
        <p className="field-problem" role="alert">
          {problem}
        </p>
      )}
      {read && file && read.white !== null && (
        <div className="setting">
          <span>Its Lab values are for</span>
          <Segmented<LabWhite>
            aria-label="White of the Lab values"
            value={read.white}
            onChange={(white) => {
              open(file, white);
            }}
            options={['D50', 'D65']}
          />
        </div>
      )}
      {read?.notes.map((note) => (
        <p key={note} className="soft small">
          {note}
        </p>
      ))}
      {read && (
        <div className="saved-row">
          <b>{read.name}</b>
          <Strip colours={read.colours} />
          <span className="soft figure">{read.colours.length} colours</span>
          <Button
            onClick={() => {
              take(read);
            }}
          >
            Use these colours
          </Button>
        </div>
      )}
    </div>
  );
}

/** Palettes kept apart from any batch, favourites first. */
export function SavedPanel() {
  const { data, error } = usePalettesQuery();
  const [save] = useSavePaletteMutation();
  const [remove] = useDeletePaletteMutation();
  const [restore] = useRestorePaletteMutation();
  const { message } = useNotices();
  const tellDeleted = useUndoNotice();
  const take = useTake();
  const attempt = (work: Promise<unknown>): void => {
    work.catch((e: unknown) => message.error(failureOf(e).message));
  };
  if (error) return <p role="alert">{failureOf(error).message}</p>;
  if (data?.length === 0)
    return <p className="soft">No palette saved yet. “Save” above keeps the one you have.</p>;
  return (
    <ul aria-label="Saved palettes">
      {data?.map((p) => (
        <li key={p.id} className="saved-row">
          <Button
            type="text"
            icon={p.favourite ? <StarFilled /> : <StarOutlined />}
            aria-label={p.favourite ? `${p.name} is a favourite` : `Make ${p.name} a favourite`}
            aria-pressed={p.favourite}
            onClick={() => {
              const palette = { name: p.name, favourite: !p.favourite, colours: p.colours };
              attempt(save({ id: p.id, version: p.version, palette }).unwrap());
            }}
          />
          <b>{p.name}</b>
          <Strip colours={p.colours} />
          <Button
            onClick={() => {
              take(p);
            }}
          >
            Use
          </Button>
          <Button
            type="text"
            icon={<DeleteOutlined />}
            aria-label={`Delete ${p.name}`}
            onClick={() => {
              attempt(remove(p.id).unwrap());
              tellDeleted({
                key: `palette-${p.id}`,
                title: `The palette “${p.name}” was deleted`,
                undo: () => {
                  attempt(restore(p.id).unwrap());
                },
              });
            }}
          />
        </li>
      ))}
    </ul>
  );
}
