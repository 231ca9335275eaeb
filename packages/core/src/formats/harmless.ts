/*
 * Cells of text files that a spreadsheet opens. What it would take for a formula gets an apostrophe in front, which is
 * taken away again when the file is read here. Numbers stay numbers, negative ones too.
 */

/** A sign that begins a formula, also a full-width one, after whatever a spreadsheet skips; and a break of the cell. */
const FORMULA = /^'*(?![-+]?\d*[.,]?\d+(?:e[-+]?\d+)?$)(?:[\s\u200B\uFEFF]*[=+\-@＝＋－＠]|[\t\r\n])/i;

/** A number that was written as text. */
const QUOTED_NUMBER = /^'(?=[-+]?\d*[.,]?\d+(?:e[-+]?\d+)?$)/i;

/** What the writer of a table escapes. */
export const ESCAPED = FORMULA;

/** A cell as it was before it was made harmless. */
export const plainCell = (cell: string): string =>
  cell.startsWith("'") && FORMULA.test(cell) ? cell.slice(1) : cell;

/** The same for a cell that is to hold a number. */
export const plainFigure = (cell: string): string => cell.replace(QUOTED_NUMBER, '');
