import { Flag, Moment, Text, Texts } from '../fields.dto.ts';
import {
  type Access,
  PASSPHRASE_LIMITS,
  type PassphraseChange,
  type Session,
  type SignIn,
} from './access.ts';

const { min, max } = PASSPHRASE_LIMITS;

export class AccessDto implements Access {
  @Flag() isProtected!: boolean;
  @Flag() isSignedIn!: boolean;
  @Flag({ description: 'Listens on its own machine alone' }) isLocal!: boolean;
  @Texts(50, 200, { description: 'Addresses for devices of the network' }) lan!: string[];
}

export class SessionDto implements Session {
  @Text(80) id!: string;
  @Text(200, { description: 'As the browser calls itself' }) device!: string;
  @Moment() createdAt!: string;
  @Moment() lastSeenAt!: string;
  @Flag() isThis!: boolean;
}

export class SignInDto implements SignIn {
  @Text(max, { min: 1 }) passphrase!: string;
}

export class PassphraseChangeDto implements PassphraseChange {
  @Text(max, { nullable: true, description: 'Null where none is set yet' }) current!: string | null;
  @Text(max, { min, nullable: true, description: 'Null takes it away' }) passphrase!: string | null;
}
