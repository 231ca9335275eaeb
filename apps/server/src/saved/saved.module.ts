import { Module } from '@nestjs/common';
import { MouldsController, RecipesController } from './saved.controller.ts';
import { MouldsService, RecipesService } from './saved.service.ts';

@Module({
  controllers: [MouldsController, RecipesController],
  providers: [MouldsService, RecipesService],
  exports: [MouldsService, RecipesService],
})
export class SavedModule {}
