/** What can be wrong with a batch when it is looked at, and what may please. */
export interface Fault {
  readonly id: FaultId;
  readonly name: string;
  /** How it looks or feels. */
  readonly looks: string;
  /** In which part of the list it stands. */
  readonly group: FaultGroup;
  /** Whether it can be of single pots; else it is of the whole bar. */
  readonly ofPots: boolean;
  /** Whether the soap may hold lye, so that it is tested before anybody uses it. */
  readonly mayBeLyeHeavy: boolean;
}

export const FAULT_GROUPS = ['colour', 'surface', 'body', 'design', 'scent', 'good'] as const;
export type FaultGroup = (typeof FAULT_GROUPS)[number];

export const FAULT_IDS = [
  'specks',
  'streaks',
  'bleed',
  'tan',
  'faded',
  'changed',
  'lather-colour',
  'ash',
  'rivers',
  'air',
  'partial-gel',
  'knife-drag',
  'wall-gaps',
  'cracked',
  'soft',
  'overheated',
  'layers-apart',
  'lye-heavy',
  'false-emulsion',
  'merged',
  'mud',
  'layers-uneven',
  'layers-broken',
  'too-fine',
  'too-coarse',
  'over-blended',
  'poured-thin',
  'poured-stiff',
  'given-up',
  'piece-loose',
  'piece-cut',
  'riced',
  'seized',
  'weeping',
  'pleasing',
] as const;
export type FaultId = (typeof FAULT_IDS)[number];

const fault = (
  group: FaultGroup,
  id: FaultId,
  name: string,
  looks: string,
  { ofPots = true, mayBeLyeHeavy = false }: Partial<Pick<Fault, 'ofPots' | 'mayBeLyeHeavy'>> = {},
): Fault => ({ id, name, looks, group, ofPots, mayBeLyeHeavy });

const wholeBar = { ofPots: false } as const;
const lyeToo = { mayBeLyeHeavy: true } as const;

export const FAULTS: readonly Fault[] = [
  fault('colour', 'specks', 'Specks', 'Dots of undispersed colour; streaks on the hand when it is used.'),
  fault('colour', 'streaks', 'Streaks', 'Stripes of another strength within one colour.'),
  fault('colour', 'bleed', 'Bled', 'A colour has moved into its neighbour.'),
  fault('colour', 'tan', 'Tanned', 'White or pale soap has turned cream or brown.'),
  fault('colour', 'faded', 'Faded', 'Paler than it was.'),
  fault('colour', 'changed', 'Turned', 'Another colour than what went in.'),
  fault('colour', 'lather-colour', 'Colour in the lather', 'The lather or the cloth takes colour.'),
  fault('surface', 'ash', 'Soda ash', 'A white bloom on the top or on the sides.', wholeBar),
  fault('surface', 'rivers', 'Glycerin rivers', 'Clear veins through a colour, most of all through white.'),
  fault('surface', 'air', 'Air', 'White pits or pockets in the cut face.'),
  fault(
    'surface',
    'partial-gel',
    'Partial gel',
    'A darker disc or ring in the middle of the cut face.',
    wholeBar,
  ),
  fault('surface', 'knife-drag', 'Dragged by the knife', 'Colour or grains drawn across the cut face.'),
  fault(
    'surface',
    'wall-gaps',
    'Gaps at the wall',
    'Hollows where the batter did not meet the mould.',
    wholeBar,
  ),
  fault('body', 'cracked', 'Cracked', 'A crack along the top, or bars that break at the cut.', wholeBar),
  fault('body', 'soft', 'Soft', 'Still soft or sticky when it should be firm.', wholeBar),
  fault('body', 'overheated', 'Overheated', 'Risen, cracked, with a bubbled or oily middle.', wholeBar),
  fault('body', 'layers-apart', 'Layers part', 'Layers come away from each other.'),
  fault('body', 'lye-heavy', 'Lye-heavy', 'Brittle or crumbly, white pockets or beads.', {
    ...wholeBar,
    ...lyeToo,
  }),
  fault('body', 'false-emulsion', 'False emulsion', 'It separated in the mould: oil here, grains there.', {
    ...wholeBar,
    ...lyeToo,
  }),
  fault('design', 'merged', 'Merged', 'Two colours read as one.'),
  fault('design', 'mud', 'Mud', 'Colours worked into a dull one.'),
  fault('design', 'layers-uneven', 'Uneven layers', 'Layers of other thicknesses than planned, or wavy.'),
  fault('design', 'layers-broken', 'Broken through', 'A layer sank or broke into the one below.'),
  fault('design', 'too-fine', 'Too fine', 'The pattern is so fine that it blurs.', wholeBar),
  fault('design', 'too-coarse', 'Too coarse', 'Large patches where strokes were meant.', wholeBar),
  fault('design', 'over-blended', 'Overworked', 'Borders are lost: too many strokes.', wholeBar),
  fault('design', 'poured-thin', 'Poured too thin', 'Colours ran into each other.'),
  fault('design', 'poured-stiff', 'Poured too stiff', 'Clumps, folds and holes instead of lines.'),
  fault('design', 'given-up', 'Design given up', 'The simpler design was poured, or none.', wholeBar),
  fault('design', 'piece-loose', 'A piece is loose', 'An embed or a bead comes out of the bar.', wholeBar),
  fault('design', 'piece-cut', 'A piece was cut through', 'The cutter went through an embed.', wholeBar),
  fault('scent', 'riced', 'Riced', 'Grains like rice in the batter when the scent went in.', lyeToo),
  fault('scent', 'seized', 'Seized', 'It set in the pot within seconds.', lyeToo),
  fault('scent', 'weeping', 'Weeping scent', 'Beads of scent or oil on the bar.', { ...wholeBar, ...lyeToo }),
  fault('good', 'pleasing', 'A surprise that pleases', 'Not as planned, and worth having again.'),
];

const byId = new Map(FAULTS.map((f) => [f.id, f]));
/** A fault by its id. */
export const faultById = (id: FaultId): Fault => byId.get(id)!;
