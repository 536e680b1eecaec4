import { expose } from 'comlink';
import { WORK } from './work.ts';

expose(WORK);
