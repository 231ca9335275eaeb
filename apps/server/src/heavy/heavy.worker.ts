import { worker } from 'workerpool';
import { fit, match, predict, propose } from './tasks.ts';

worker({ fit, match, predict, propose });
