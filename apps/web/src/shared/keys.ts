/** The keys of the application, each with what it does: handlers and the list of keys are made of this table. */
export const KEYS = {
  help: { key: '?', label: 'These keys' },
  fresh: { key: 'n', label: 'New batch, or new item on the shelf' },
  search: { key: '/', label: 'Search' },
  earlier: { key: '[', label: 'Earlier on the time strip' },
  later: { key: ']', label: 'Later on the time strip' },
  gel: { key: 'g', label: 'No gel, half gel, full gel' },
  newPot: { key: 'p', label: 'New pot' },
  match: { key: 'm', label: 'Match a colour for the selected pot' },
  checks: { key: 'c', label: 'All checks' },
  nextFinding: { key: '.', label: 'Go to the next finding' },
  nextPart: { key: ';', label: 'Next part of the step or of the sheet' },
  print: { key: 'w', label: 'Print the open part of Prep' },
} as const;

const STORE = 'kleur.letterKeys';

/** Whether keys without Ctrl do anything; some tools that speak or listen need them for themselves. */
export const areLetterKeysOn = (): boolean => localStorage.getItem(STORE) !== 'off';

export function setLetterKeys(on: boolean): void {
  if (on) localStorage.removeItem(STORE);
  else localStorage.setItem(STORE, 'off');
}
