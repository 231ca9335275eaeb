export { BatchQueryDto, BatchUpdateDto, BatchWriteDto, MouldDto, PlanDto } from './batch.dto.ts';
export { predictExample, PredictRequestDto, PredictResponseDto } from './colour.dto.ts';
export { matchExample, MatchRequestDto } from './match.dto.ts';
export { MaterialCopyDto, MaterialUpdateDto, MaterialWriteDto } from './material.dto.ts';
export { PaletteUpdateDto, PaletteWriteDto } from './palette.dto.ts';
export { DemoResetDto, SettingsUpdateDto } from './settings.dto.ts';
export { MouldUpdateDto, RecipeDto, RecipeUpdateDto } from './keepsakes.dto.ts';
