import { OneOf } from '../fields.dto.ts';

/** Wiping a workspace takes the word, not just a call. */
export class DemoResetDto {
  @OneOf(['replace everything with the demo']) confirm!: string;
}
