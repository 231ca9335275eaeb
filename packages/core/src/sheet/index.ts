/** The plan as instructions for the bench, in the order of the work. */
export {
  type Sheet,
  type SheetGroup,
  type SheetLine,
  type SheetSection,
  lineText,
  sheetText,
} from './sheet.ts';
export { sheetOf } from './sheetOf.ts';
export { measuredText } from './cups.ts';
