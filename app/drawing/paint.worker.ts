import { expose } from 'comlink';
import { PAINTING } from './painting.ts';

expose(PAINTING);
