/**
 * The greys and signals of the interface, for style sheets (`var(--ink)`) and for Ant Design's theme. Neutral greys
 * without a tint, so that soap is the only colour on the screen: L* 91 for the page, 87 around swatches, 95 for fields
 * and sheets. Signals are for small marks beside an icon and words, never for surfaces.
 */
export const tokens = {
  ink: '#1f1f1f',
  text: '#2b2b2b',
  dark: '#3b3b3b',
  soft: '#565656',
  hint: '#666666',
  mid: '#8d8d8d',
  edge: '#a8a8a8',
  plate: '#bdbdbd',
  line: '#c4c4c4',
  surround: '#dadada',
  quiet: '#e9e9e9',
  bench: '#e5e5e5',
  field: '#f1f1f1',
  light: '#ffffff',
  stop: '#9c2f23',
  warn: '#7a5200',
} as const;

/** Makes the tokens known to the style sheets. */
export function applyTokens(root: HTMLElement): void {
  for (const [name, value] of Object.entries(tokens)) root.style.setProperty(`--${name}`, value);
}
