import { Int, OneOf, Many, Text } from './fields.dto.ts';
import { type Problem, PROBLEM_CODES, type ProblemCode, type ProblemField } from './problems.ts';

class ProblemFieldDto implements ProblemField {
  @Text(200, { description: 'Path into the request body' }) path!: string;
  @Text(400) message!: string;
}

/** What every refusal answers. */
export class ProblemDto implements Problem {
  @OneOf(PROBLEM_CODES) code!: ProblemCode;
  @Text(400, { description: 'One plain sentence' }) message!: string;
  @Many(() => ProblemFieldDto, 50) fields!: ProblemFieldDto[];
  @Text(80, { optional: true, description: 'For `internal`: the id of the request' })
  id?: string;
  @Int(0, 86_400, { optional: true, description: 'For `too-many-requests`: when to try again, s' })
  retryAfter?: number;
}

export class HealthDto {
  @OneOf(['ok']) status!: 'ok';
}
