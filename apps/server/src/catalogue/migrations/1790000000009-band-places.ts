import { DefaultCurves1790000000008 } from './1790000000008-default-curves.ts';

/** Default curves once more, whose absorption bands stand nearer to where their chemistry has them. */
export class BandPlaces1790000000009 extends DefaultCurves1790000000008 {}
