import { type Face, type GelSeen, type ReadAt, type ReadHow } from '@kleur/core/evidence';
import { type Printer } from '@kleur/core/units';

export const faceName: Readonly<Record<Face, string>> = {
  cut: 'Cut face',
  inside: 'Middle of the cut face',
  top: 'Top',
  side: 'Side',
  scrape: 'Scrape of the jug',
};

export const momentName: Readonly<Record<ReadAt, string>> = { pour: 'Pour', cut: 'Cut', cure: 'Cure' };

export const howName: Readonly<Record<ReadHow, string>> = {
  lab: 'typed as L*, a*, b*',
  hex: 'typed as hex',
  photo: 'photo with a card',
  reader: 'colour reader',
};

export const gelName: Readonly<Record<GelSeen['how'], string>> = {
  none: 'None',
  ring: 'A ring',
  full: 'Full',
  unsure: 'Cannot tell',
};

/** The gel that was seen, in a few words; empty while nobody looked. */
export function gelWords(gel: GelSeen | null, print: Printer): string {
  switch (gel?.how) {
    case 'none':
      return 'did not gel';
    case 'full':
      return 'gelled in full';
    case 'ring':
      return `gelled in the middle, rim ${print.length(gel.rim)}`;
    case 'unsure':
      return 'gel not certain';
    case undefined:
      return '';
  }
}

/** Hours since the pour, in days from the second on. */
export const ageWords = (hours: number): string => {
  const days = Math.round(hours / 24);
  if (hours < 12) return 'at the pour';
  return days === 1 ? 'after 1 day' : `after ${days} days`;
};
