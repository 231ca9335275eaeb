import { type Verdict } from '@kleur/core/record';

const SAYS: Readonly<Record<Verdict['says'], string>> = {
  again: 'again',
  only: 'only for',
  never: 'not again',
};

/** A verdict in words. */
export const verdictText = ({ says, text }: Pick<Verdict, 'says' | 'text'>): string =>
  text === '' ? SAYS[says] : `${SAYS[says]}${says === 'only' ? '' : ':'} ${text}`;
