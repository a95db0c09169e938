import { type SlotContent, SLOT_TAKES, type SlotTakes } from '../../frame';
import { ID, LINE, oneOf, ORDER, parts } from '../../kind';
import type { FrameKind } from './kind';
import { said } from '../../said';
import { LAYOUT_FIELDS } from './text';

const TAKES: Readonly<Record<SlotTakes, string>> = {
  headline: 'Headline',
  standfirst: 'Standfirst',
  byline: 'Byline',
  body: 'Text',
  flow: 'Flow area',
};

/** What a slot is called by what it takes. */
export const slotName = (takes: SlotTakes): string =>
  takes === 'flow' ? TAKES.flow : takes === 'body' ? 'Slot for text' : `Slot for a ${takes}`;

/** A place for a part of a story. */
export const SLOT_FRAME: FrameKind<SlotContent> = {
  fields: { takes: oneOf(...SLOT_TAKES), set: ID, name: LINE, order: ORDER, layout: parts(LAYOUT_FIELDS) },
  named: ({ takes, name }) => `${slotName(takes)}, ${name}`,
  waitsFor: ({ takes, name }) => (takes === 'flow' ? TAKES.flow : `${TAKES[takes]} · ${name}`),
  layout: ({ layout }) => layout,
  withLayout: (content, layout) => ({ ...content, layout: said({ ...content.layout, ...layout }) }),
  copied: (content, renamed) => ({ ...content, set: renamed(content.set) }),
  isFilled: true,
};
