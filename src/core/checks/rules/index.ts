import type { Rule } from '../rule';
import { ADVERTISEMENTS } from './advertisements';
import { BEYOND } from './beyond';
import { BLANK_PAGES } from './blankPages';
import { BLEED } from './bleed';
import { BROKEN } from './broken';
import { BY_HAND } from './byHand';
import { CHARACTERS } from './characters';
import { CONTENTS } from './contents';
import { CONTRAST } from './contrast';
import { COVERAGE } from './coverage';
import { EMPTY_TEXTS } from './emptyTexts';
import { FACES } from './faces';
import { FOLD } from './fold';
import { FONTS } from './fonts';
import { HAIRLINES } from './hairlines';
import { HEADINGS } from './headings';
import { HEADLINES } from './headlines';
import { JUMPS } from './jumps';
import { LADDERS } from './ladders';
import { LIGHT } from './light';
import { LINKS } from './links';
import { LONG_LINES } from './longLines';
import { OVERLAPS } from './overlaps';
import { OVERSET } from './overset';
import { PAGE_COUNT } from './pageCount';
import { PICTURE_FILES } from './pictureFiles';
import { PICTURE_WORDS } from './pictureWords';
import { QUOTES } from './quotes';
import { RESOLUTION } from './resolution';
import { SAFE_AREA } from './safeArea';
import { SMALL_TYPE } from './smallType';
import { SPACING } from './spacing';
import { STORY_PARTS } from './storyParts';
import { SWATCHES } from './swatches';
import { UNPLACED } from './unplaced';
import { UNTIDY } from './untidy';
import { WAITING } from './waiting';
import { WIDOWS } from './widows';

/** Everything that is looked for, in the order in which it is told: what nobody could miss first. */
export const RULES: readonly Rule[] = [
  BROKEN,
  OVERSET,
  OVERLAPS,
  CHARACTERS,
  UNPLACED,
  WAITING,
  EMPTY_TEXTS,
  PICTURE_FILES,
  RESOLUTION,
  ADVERTISEMENTS,
  PAGE_COUNT,
  BLANK_PAGES,
  BEYOND,
  BLEED,
  SAFE_AREA,
  FOLD,
  CONTRAST,
  COVERAGE,
  HAIRLINES,
  SMALL_TYPE,
  FONTS,
  QUOTES,
  JUMPS,
  CONTENTS,
  HEADLINES,
  STORY_PARTS,
  LINKS,
  LONG_LINES,
  WIDOWS,
  HEADINGS,
  SPACING,
  LADDERS,
  FACES,
  UNTIDY,
  BY_HAND,
  PICTURE_WORDS,
  LIGHT,
  SWATCHES,
];
