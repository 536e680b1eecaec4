import { expose } from 'comlink';
import { patternPdf } from './pdf.ts';

expose({ patternPdf });
