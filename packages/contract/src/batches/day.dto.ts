import {
  type AddedStep,
  type DayChanges,
  type Move,
  MOVE_KINDS,
  PLAN_LIMITS,
  POUR_PLACES,
  POUR_TOOLS,
  type PourScript,
  PROPPED_SIDES,
  STROKE_TOOLS,
} from '@kleur/core/plan';
import { Flag, Int, Many, Num, OneOf, Text, Texts } from '../fields.dto.ts';
import { Id, ID_LENGTH, Within } from './plan-fields.dto.ts';

const L = PLAN_LIMITS;

class MoveDto implements Move {
  @Id() id!: string;
  @OneOf(MOVE_KINDS) kind!: Move['kind'];
  @Text(ID_LENGTH, { nullable: true, description: 'The pot that is poured' }) potId!: string | null;
  @Within(L.movePart, 'Of what the pot brings into the mould') part!: number;
  @OneOf(['', ...POUR_TOOLS, ...STROKE_TOOLS]) tool!: Move['tool'];
  @OneOf(['', ...POUR_PLACES]) place!: Move['place'];
  @Int(L.spots.min, L.spots.max, { description: 'How many spots, or the number of the section' }) at!: number;
  @Text(ID_LENGTH, { nullable: true, description: 'Pot whose jug it goes into' }) into!: string | null;
  @Num(L.millimetres.min, L.millimetres.max, {
    description: 'Poured from above what lies there, or how far the side is raised, mm',
  })
  height!: number;
  @OneOf(['', ...PROPPED_SIDES]) side!: Move['side'];
  @Int(L.passes.min, L.passes.max) passes!: number;
  @Text(L.remark) text!: string;
}

export class PourScriptDto implements PourScript {
  @Many(() => MoveDto, L.moves, { nullable: true, description: 'Null where the techniques write them' })
  moves!: MoveDto[] | null;
  @Flag({ description: 'Left to the hand' }) free!: boolean;
  @Flag({ description: 'Last scrape of each jug into a cavity' }) scrapes!: boolean;
}

class AddedStepDto implements AddedStep {
  @Id() id!: string;
  @Text(L.name, { min: 1 }) title!: string;
  @Text(L.remark) text!: string;
  @Text(L.stepId, { description: 'Id of the step that it follows; empty for the first place' })
  after!: string;
}

class HelperDto {
  @Text(L.stepId, { min: 1 }) stepId!: string;
  @Text(L.name, { min: 1 }) name!: string;
}

export class DayChangesDto implements DayChanges {
  @Texts(L.steps, L.stepId, { description: 'Ids of steps as the maker put them in order' }) order!: string[];
  @Many(() => AddedStepDto, L.addedSteps) added!: AddedStepDto[];
  @Many(() => HelperDto, L.steps) helpers!: HelperDto[];
  @Texts(L.pots, ID_LENGTH, { description: 'Pots that are held at emulsion until their turn' })
  held!: string[];
}
