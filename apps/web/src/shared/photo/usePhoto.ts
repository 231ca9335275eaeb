import { useEffect, useState } from 'react';
import { type BarOfPicture, type Light, type PictureByCard, REFUSAL_TEXT } from '@kleur/core/evidence';
import { latestOnly } from '../../data/latest.ts';
import { photoWorker } from '../../workers/client.ts';
import { type CardSpots, type OpenedPicture, type Spot } from '../../workers/photo.protocol.ts';
import { useSettings } from '../hooks/useSettings.ts';

type Answer = PictureByCard | { readonly failure: string };

/** Side of the squares that are averaged, as a part of the picture’s shorter side. */
const START_SIZE = 0.06;

/** A photo with a card, what was tapped in it, and what its bars are read as. */
export interface PhotoInHand {
  readonly picture: OpenedPicture | null;
  readonly opening: boolean;
  /** Why the last photo could not be opened; empty for none. */
  readonly failure: string;
  readonly open: (file: File) => Promise<void>;
  /** By the id of the bar, or of the patch of the card. */
  readonly spots: ReadonlyMap<string, Spot>;
  readonly place: (placed: ReadonlyMap<string, Spot>) => void;
  readonly light: Light | null;
  readonly setLight: (light: Light | null) => void;
  readonly size: number;
  readonly setSize: (size: number) => void;
  /** Null for a bar that was not tapped, or while it is worked out. */
  readonly barOf: (id: string) => BarOfPicture | null;
  /** Why the photo as a whole cannot be read; empty for none. */
  readonly refusal: string;
}

/** @param ids of the bars that may be in it */
export function usePhoto(ids: readonly string[]): PhotoInHand {
  const { card } = useSettings();
  const [light, setLight] = useState<Light | null>(null);
  const [size, setSize] = useState(START_SIZE);
  const [picture, setPicture] = useState<OpenedPicture | null>(null);
  const [opening, setOpening] = useState(false);
  const [failure, setFailure] = useState('');
  const [spots, setSpots] = useState<ReadonlyMap<string, Spot>>(new Map());
  const [answer, setAnswer] = useState<{ readonly of: readonly string[]; readonly is: Answer } | null>(null);

  const open = async (file: File): Promise<void> => {
    setOpening(true);
    setFailure('');
    const opened = await photoWorker().open(file);
    setOpening(false);
    setSpots(new Map());
    setAnswer(null);
    if ('failure' in opened) {
      setPicture(null);
      setFailure(opened.failure);
    } else setPicture(opened);
  };

  const [questions] = useState(() =>
    latestOnly<{ readonly spots: CardSpots; readonly of: readonly string[] }, Answer>({
      put: ({ spots: asked }) => photoWorker().read(asked),
      onAnswer: (is, { of }) => {
        setAnswer({ of, is });
      },
    }),
  );
  const white = spots.get('white');
  const tapped = ids.filter((id) => spots.has(id));
  const key = JSON.stringify([[...spots], tapped, light, size, card]);
  useEffect(() => {
    if (!white) return;
    questions.ask({
      of: tapped,
      spots: {
        white,
        whiteAgain: spots.get('again') ?? null,
        grey: spots.get('grey') ?? null,
        black: spots.get('black') ?? null,
        bars: tapped.map((id) => spots.get(id)!),
        light,
        size,
        card,
      },
    });
    // Everything that matters is in the key.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [key, questions]);

  const is = answer?.is ?? null;
  return {
    picture,
    opening,
    failure,
    open,
    spots,
    place: (placed) => {
      setSpots((before) => new Map([...before, ...placed]));
    },
    light,
    setLight,
    size,
    setSize,
    barOf: (id) => (is && 'ok' in is && is.ok ? (is.bars[answer!.of.indexOf(id)] ?? null) : null),
    refusal: is && 'ok' in is && !is.ok ? REFUSAL_TEXT[is.refusal] : is && 'failure' in is ? is.failure : '',
  };
}
