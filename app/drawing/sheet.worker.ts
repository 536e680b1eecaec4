import { expose } from 'comlink';
import { SHEETS } from './sheet.ts';

expose(SHEETS);
