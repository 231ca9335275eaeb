import { worker } from 'workerpool';
import { match, predict } from './tasks.ts';

worker({ match, predict });
