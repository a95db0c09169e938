import type { FitWay } from '../way';
import { FEET } from './feet';
import { FILLED } from './filled';
import { HEADLINE } from './headline';
import { LAST_LINES } from './lastLines';
import { LEADING } from './leading';
import { ONWARD } from './onward';
import { PICTURES } from './pictures';
import { SENTENCES } from './sentences';
import { SPACES } from './spaces';
import { WITHOUT } from './without';

/** Every way to make a text fit, in the order in which a careful hand would try them: what is seen least first. */
export const WAYS: readonly FitWay[] = [
  SPACES,
  LAST_LINES,
  LEADING,
  PICTURES,
  HEADLINE,
  FEET,
  WITHOUT,
  ONWARD,
  FILLED,
  SENTENCES,
];
