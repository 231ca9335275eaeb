import { type Pot } from '@kleur/core/plan';

/** "Pot 1", "Pot 2", …: the first number that no pot has. */
export function nextPotName(pots: readonly Pot[]): string {
  const taken = new Set(pots.map((p) => p.name));
  for (let n = pots.length + 1; ; n++) {
    const name = `Pot ${n}`;
    if (!taken.has(name)) return name;
  }
}
