/**
 * A plan as instructions, in the order of the work: what a maker weighs, stirs and pours, word for word. Whoever does
 * what it says makes the soap that the balance describes; nothing that was decided is left out.
 */
export interface Sheet {
  readonly sections: readonly SheetSection[];
}

export interface SheetSection {
  readonly id: string;
  readonly title: string;
  /** Told where they matter. */
  readonly cautions: readonly string[];
  readonly groups: readonly SheetGroup[];
}

/** What is done at one vessel, cup, pot or mould. */
export interface SheetGroup {
  readonly id: string;
  /** Empty where the section has only this one. */
  readonly title: string;
  readonly potId: string | null;
  readonly lines: readonly SheetLine[];
}

/** One thing to do; it can be ticked, by its id. */
export interface SheetLine {
  /** The same for as long as the plan holds what the line is of. */
  readonly id: string;
  /** What the scale shows, or how many; empty for what is not measured. */
  readonly amount: string;
  readonly what: string;
  readonly note: string;
  /** On the scale so far, for those who tare the vessel once and add; empty for none. */
  readonly running: string;
}

/** A line; what is not given is empty. */
export const line = (
  id: string,
  amount: string,
  what: string,
  rest: Partial<Pick<SheetLine, 'note' | 'running'>> = {},
): SheetLine => ({ id, amount, what, note: '', running: '', ...rest });

/** A group of lines; null without any. */
export const group = (
  id: string,
  title: string,
  lines: readonly SheetLine[],
  potId: string | null = null,
): SheetGroup | null => (lines.length > 0 ? { id, title, potId, lines } : null);

/** A section of the groups that there are; null without any. */
export function section(
  id: string,
  title: string,
  groups: readonly (SheetGroup | null)[],
  cautions: readonly string[] = [],
): SheetSection | null {
  const there = groups.filter((g) => g !== null);
  return there.length > 0 ? { id, title, cautions, groups: there } : null;
}

/** A line as it is read, without what its vessel holds by then. */
export const lineText = ({ amount, what, note }: SheetLine): string =>
  `${amount ? `${amount} ` : ''}${what}${note ? `: ${note}` : ''}`;

/** The whole sheet as plain text: a heading a section and a group, a dash a line. */
export const sheetText = ({ sections }: Sheet): string =>
  sections
    .flatMap((s) => [
      `# ${s.title}`,
      ...s.cautions.map((c) => `! ${c}`),
      ...s.groups.flatMap((g) => [
        ...(g.title ? [`## ${g.title}`] : []),
        ...g.lines.map((l) => `- ${lineText(l)}`),
      ]),
    ])
    .join('\n');
