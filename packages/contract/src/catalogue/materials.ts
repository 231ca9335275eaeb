import { type Material } from '@kleur/core/material';

/** What a client may set. The optical curves are the server's to build from the colour. */
export type MaterialWrite = Omit<Material, 'id' | 'optics' | 'curve'>;

export interface MaterialWire extends Material {
  /** Part of the starting shelf. */
  readonly builtIn: boolean;
  readonly version: number;
}
