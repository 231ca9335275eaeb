/** Pictures of bars, made of nothing but their colours. */
export {
  barPicture,
  type BarPictureOptions,
  type BarStripe,
  cardSpot,
  type Pixels,
  stripeSpot,
} from './barPicture.ts';
