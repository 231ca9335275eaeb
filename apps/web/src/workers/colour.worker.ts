import { entryFace, shelfFace } from '@kleur/core/material';
import { predictColour } from '@kleur/core/pigment';
import { expose } from 'comlink';
import { type ColourWorker } from './protocol.ts';

const worker: ColourWorker = {
  predict: (compositions, stages) => compositions.map((c) => stages.map((stage) => predictColour(c, stage))),
  faces: (materials) => materials.map(shelfFace),
  entryFace,
};

expose(worker);
