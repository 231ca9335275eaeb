import { useMemo, useState } from 'react';
import { type MaterialWire, type TrialAsk } from '@kleur/contract';
import { HOW_DOUBT, type ProposedBar } from '@kleur/core/evidence';
import { isWhitener } from '@kleur/core/material';
import { useProposedBarsQuery } from '../../data/book.ts';
import { failureOf } from '../../data/api.ts';

export type ReadBy = 'reader' | 'lab' | 'photo';
export type GelWish = 'both' | 'oven' | 'cool';

/** What the maker wants to learn, and how. */
export interface TrialWish {
  readonly materialIds: readonly string[];
  readonly whiteId: string | null;
  readonly gel: GelWish;
  readonly bare: boolean;
  readonly by: ReadBy;
  readonly count: number;
}

const GELLED: Readonly<Record<GelWish, readonly boolean[]>> = {
  both: [false, true],
  oven: [true],
  cool: [false],
};

/** A white that is at hand, else any. */
export const whiteOf = (shelf: readonly MaterialWire[]): MaterialWire | undefined => {
  const whites = shelf.filter((m) => isWhitener(m) && m.optics && m.window);
  return whites.find((m) => m.inStock) ?? whites[0];
};

export interface Trial {
  readonly wish: TrialWish;
  readonly change: (change: Partial<TrialWish>) => void;
  readonly proposed: readonly ProposedBar[];
  readonly isAsking: boolean;
  /** Empty for none. */
  readonly failure: string;
  /** Places among the proposed that are left out. */
  readonly leftOut: ReadonlySet<number>;
  readonly toggle: (index: number) => void;
}

/** A test as it is planned: the wish, and the bars that are proposed for it. */
export function useTrial(shelf: readonly MaterialWire[], first: string | null): Trial {
  const [wish, setWish] = useState<TrialWish>(() => ({
    materialIds: first === null ? [] : [first],
    whiteId: whiteOf(shelf)?.id ?? null,
    gel: 'both',
    bare: true,
    by: 'photo',
    count: 6,
  }));
  const [leftOut, setLeftOut] = useState<ReadonlySet<number>>(new Set());
  const ask = useMemo(
    (): TrialAsk => ({
      materialIds: wish.materialIds,
      whiteId: wish.whiteId,
      gelled: GELLED[wish.gel],
      bare: wish.bare,
      doubt: HOW_DOUBT[wish.by],
      count: wish.count,
    }),
    [wish],
  );
  const {
    currentData = [],
    isFetching,
    error,
  } = useProposedBarsQuery(ask, {
    skip: wish.materialIds.length === 0,
  });
  return {
    wish,
    change: (change) => {
      setWish({ ...wish, ...change });
      setLeftOut(new Set());
    },
    proposed: wish.materialIds.length === 0 ? [] : currentData,
    isAsking: isFetching,
    failure: error ? failureOf(error).message : '',
    leftOut,
    toggle: (index) => {
      const next = new Set(leftOut);
      if (!next.delete(index)) next.add(index);
      setLeftOut(next);
    },
  };
}
