import { formatLength } from '../length/length';

/** A length in a sentence, in millimetres: “3 mm”. */
export const lengthIn = (points: number): string => formatLength(points, 'mm');
