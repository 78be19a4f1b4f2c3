import { expose } from 'comlink';
import { benchWork } from './bench-work.ts';

expose(benchWork);
