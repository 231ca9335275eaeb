import { predictColour, shelfFace } from '@kleur/core';
import { expose } from 'comlink';
import { type ColourWorker } from './protocol.ts';

const worker: ColourWorker = {
  predict: (compositions, stages) => compositions.map((c) => stages.map((stage) => predictColour(c, stage))),
  faces: (materials) => materials.map(shelfFace),
};

expose(worker);
