import { worker } from 'workerpool';
import { fit, match, predict } from './tasks.ts';

worker({ fit, match, predict });
