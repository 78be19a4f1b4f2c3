import { expose } from 'comlink';
import { movesWork } from './moves-work.ts';

expose(movesWork);
