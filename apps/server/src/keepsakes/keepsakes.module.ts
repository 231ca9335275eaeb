import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { KeptEntity } from '../storage/kept.entity.ts';
import { MouldsController, RecipesController } from './keepsakes.controller.ts';
import { KeepsakesService } from './keepsakes.service.ts';

@Module({
  imports: [TypeOrmModule.forFeature([KeptEntity])],
  controllers: [MouldsController, RecipesController],
  providers: [KeepsakesService],
  exports: [KeepsakesService],
})
export class KeepsakesModule {}
