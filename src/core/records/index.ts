import type { AcceptanceRecord } from './acceptance';
import type { AdvertisementRecord } from './advertisement';
import type { CharacterStyleRecord } from './characterStyle';
import type { DetailsRecord } from './details';
import type { FinishRecord } from './finish';
import type { FormatRecord } from './format';
import type { FrameRecord } from './frame';
import type { FurnitureRecord } from './furniture';
import type { GroupRecord } from './group';
import type { IssueRecord } from './issue';
import type { LayerRecord } from './layer';
import type { MasterRecord } from './master';
import type { PageRecord } from './page';
import type { ParagraphStyleRecord } from './paragraphStyle';
import type { PictureRecord } from './picture';
import type { ProfileRecord } from './profile';
import type { QuoteDesignRecord } from './quoteDesign';
import type { SectionRecord } from './section';
import type { StoryRecord } from './story';
import type { PaletteRecord, SwatchRecord } from './swatch';
import type { TextRecord } from './text';

/** Every kind of record a document is made of: a new kind is a file of its own, a line here, and its schema in `schemas/`. */
export interface RecordKinds {
  issue: IssueRecord;
  details: DetailsRecord;
  format: FormatRecord;
  master: MasterRecord;
  page: PageRecord;
  frame: FrameRecord;
  group: GroupRecord;
  layer: LayerRecord;
  text: TextRecord;
  story: StoryRecord;
  advertisement: AdvertisementRecord;
  section: SectionRecord;
  picture: PictureRecord;
  paragraphStyle: ParagraphStyleRecord;
  characterStyle: CharacterStyleRecord;
  swatch: SwatchRecord;
  palette: PaletteRecord;
  finish: FinishRecord;
  furniture: FurnitureRecord;
  quoteDesign: QuoteDesignRecord;
  profile: ProfileRecord;
  acceptance: AcceptanceRecord;
}

export type RecordKind = keyof RecordKinds;
export type DocumentRecord = RecordKinds[RecordKind];

export type {
  AcceptanceRecord,
  AdvertisementRecord,
  CharacterStyleRecord,
  DetailsRecord,
  FinishRecord,
  FormatRecord,
  FrameRecord,
  FurnitureRecord,
  GroupRecord,
  IssueRecord,
  LayerRecord,
  MasterRecord,
  PageRecord,
  PaletteRecord,
  ParagraphStyleRecord,
  PictureRecord,
  ProfileRecord,
  QuoteDesignRecord,
  SectionRecord,
  StoryRecord,
  SwatchRecord,
  TextRecord,
};
