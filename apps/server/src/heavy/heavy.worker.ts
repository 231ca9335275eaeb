import { worker } from 'workerpool';
import { fit, match, predict, propose, refit } from './tasks.ts';

worker({ fit, match, predict, propose, refit });
