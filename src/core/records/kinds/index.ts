import { ACCEPTANCE } from '../acceptance';
import { ADVERTISEMENT } from '../advertisement';
import { DETAILS } from '../details';
import { FORMAT } from '../format';
import { FURNITURE } from '../furniture';
import type { RecordKind, RecordKinds } from '../index';
import { ISSUE } from '../issue';
import type { Kind } from '../kind';
import { LAYER } from '../layer';
import { MASTER } from '../master';
import { PAGE } from '../page';
import { PICTURE } from '../picture';
import { PROFILE } from '../profile';
import { QUOTE_DESIGN } from '../quoteDesign';
import { SECTION } from '../section';
import { STORY } from '../story';
import { PALETTE, SWATCH } from '../swatch';
import { TEXT } from '../text';
import { FINISH, FRAME, GROUP } from './frame';
import { CHARACTER_STYLE, PARAGRAPH_STYLE } from './styles';

/** What is known of each kind of record: its schema, what it refers to and what it is called follow from here. */
export const KINDS: { readonly [K in RecordKind]: Kind<RecordKinds[K]> } = {
  issue: ISSUE,
  details: DETAILS,
  format: FORMAT,
  master: MASTER,
  page: PAGE,
  frame: FRAME,
  group: GROUP,
  layer: LAYER,
  text: TEXT,
  story: STORY,
  advertisement: ADVERTISEMENT,
  section: SECTION,
  picture: PICTURE,
  paragraphStyle: PARAGRAPH_STYLE,
  characterStyle: CHARACTER_STYLE,
  swatch: SWATCH,
  palette: PALETTE,
  finish: FINISH,
  furniture: FURNITURE,
  quoteDesign: QUOTE_DESIGN,
  profile: PROFILE,
  acceptance: ACCEPTANCE,
};
