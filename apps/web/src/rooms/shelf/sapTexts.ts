/** Sentences of the field for a saponification value. */
export const sapTexts = {
  label: 'SAP value',
  both: ({ koh, naoh }: { readonly koh: string; readonly naoh: string }): string =>
    `${koh} mg KOH/g = ${naoh} g NaOH/g`,
  range: 'Enter 60 to 350 mg KOH/g, or 0.05 to 0.25 g NaOH/g.',
};
