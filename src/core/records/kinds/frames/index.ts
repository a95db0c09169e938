import type { Document } from '../../document';
import type { FrameContent, TextLayout } from '../../frame';
import type { FrameRecord } from '../../index';
import { ADVERTISEMENT_FRAME } from './advertisement';
import type { FrameKind, Shows } from './kind';
import { PICTURE_FRAME } from './picture';
import { PANEL_FRAME, RULE_FRAME } from './plain';
import { SLOT_FRAME } from './slot';
import { TEXT_FRAME } from './text';

/** Every kind of frame: a new one is a file, its content's type, and a line here. */
export const FRAME_KINDS: { readonly [T in FrameContent['type']]: FrameKind<Extract<FrameContent, { type: T }>> } = {
  text: TEXT_FRAME,
  picture: PICTURE_FRAME,
  slot: SLOT_FRAME,
  advertisement: ADVERTISEMENT_FRAME,
  panel: PANEL_FRAME,
  rule: RULE_FRAME,
};

/** What is known of the kind of a frame, by what it shows. */
export const frameKind = (content: FrameContent): FrameKind => FRAME_KINDS[content.type] as FrameKind;

/** What a frame is, in words: "Text, The spar remembers". */
export const frameName = (document: Document, { name, content }: FrameRecord): string =>
  name ?? frameKind(content).named(content, document);

/** The text a frame shows, by id; undefined where it shows none. */
export const textIn = ({ content }: FrameRecord): string | undefined => frameKind(content).text?.(content);

/** The picture a frame shows, and how it lies there; undefined where it shows none. */
export const pictureIn = (document: Document, { content }: FrameRecord): Shows | undefined =>
  frameKind(content).picture?.(content, document);

/** How the text of a frame stands, or that of a slot will; undefined where it takes none. */
export const layoutOf = (content: FrameContent): TextLayout | undefined => frameKind(content).layout?.(content);

/** The frame with its text, or that which will fill it, standing otherwise. */
export function withLayout(frame: FrameRecord, layout: Partial<TextLayout>): FrameRecord {
  const content = frameKind(frame.content).withLayout?.(frame.content, layout);
  return content ? { ...frame, content } : frame;
}

/** What a frame waits for as long as nothing fills it; undefined where something does, or it takes nothing. */
export const waitsFor = ({ content }: FrameRecord): string | undefined => frameKind(content).waitsFor?.(content);

/** What a copy of a frame shows on another page. */
export const copiedContent = (content: FrameContent, renamed: (id: string) => string): FrameContent =>
  frameKind(content).copied(content, renamed);

/** What is left of a frame in the next issue; undefined where that has no use for it. */
export function emptied(document: Document, frame: FrameRecord, name: string): FrameRecord | undefined {
  const kind = frameKind(frame.content);
  return kind.emptied ? kind.emptied(frame, frame.content, document, name) : frame;
}
