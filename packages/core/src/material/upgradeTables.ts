/** Spread of saponification values that was given to oils stored without one, ± %. */
export const SAP_SPREAD_1 = 3;

/** Fatty acids that were given to oils stored without any, % in the order of `FATTY_ACIDS`. */
export const FATTY_1: Readonly<Record<string, readonly number[]>> = {
  olive: [0, 0, 12, 3, 0, 71, 10, 1],
  'olive-pomace': [0, 0, 13, 3, 0, 68, 12, 1],
  coconut: [48, 19, 9, 3, 0, 7, 2, 0],
  babassu: [45, 17, 9, 4, 0, 14, 2, 0],
  palm: [0, 1, 44, 5, 0, 39, 10, 0],
  'palm-unrefined': [0, 1, 44, 5, 0, 39, 10, 0],
  'palm-kernel': [48, 16, 8, 3, 0, 15, 3, 0],
  castor: [0, 0, 1, 1, 90, 4, 4, 0],
  shea: [0, 0, 5, 41, 0, 46, 6, 0],
  'shea-unrefined': [0, 0, 5, 41, 0, 46, 6, 0],
  'cocoa-butter': [0, 0, 27, 34, 0, 34, 3, 0],
  'mango-butter': [0, 0, 8, 42, 0, 45, 4, 0],
  'sunflower-ho': [0, 0, 4, 4, 0, 82, 9, 0],
  sunflower: [0, 0, 7, 4, 0, 24, 62, 0],
  rapeseed: [0, 0, 4, 2, 0, 61, 20, 9],
  'sweet-almond': [0, 0, 7, 2, 0, 67, 22, 0],
  'apricot-kernel': [0, 0, 6, 1, 0, 66, 26, 0],
  avocado: [0, 0, 18, 2, 0, 62, 13, 1],
  'rice-bran': [0, 1, 18, 2, 0, 41, 36, 1],
  grapeseed: [0, 0, 7, 4, 0, 18, 69, 0],
  hemp: [0, 0, 6, 2, 0, 14, 56, 20],
  soya: [0, 0, 11, 4, 0, 23, 53, 7],
  argan: [0, 0, 14, 5, 0, 46, 33, 0],
  lard: [0, 1, 26, 14, 0, 44, 10, 1],
  tallow: [0, 4, 27, 20, 0, 40, 3, 0],
  'carrot-root': [0, 0, 7, 4, 0, 24, 62, 0],
  'wheat-germ': [0, 0, 16, 3, 0, 16, 57, 7],
};
