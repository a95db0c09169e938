import { LAYOUT } from '../../../properties/frame';
import { paragraphsOf } from '../../body';
import { find, get } from '../../document';
import { FIELD_WORDS } from '../../fieldWords';
import { type TextContent, textLayout } from '../../frame';
import { type Fields, maybe, ORDER, properties, reference } from '../../kind';
import type { FieldAttrs, TextRole } from '../../text';
import { said } from '../../said';
import type { FrameKind } from './kind';

/** How text stands in a frame: what is said in any case, what may be, and the texts at its foot and head. */
export const LAYOUT_FIELDS: Fields = {
  ...properties(LAYOUT, Object.keys(textLayout())),
  jumpTo: maybe(reference('text', 'forgets')),
  jumpFrom: maybe(reference('text', 'forgets')),
};

const ROLE_NAMES: Readonly<Record<TextRole, string>> = {
  headline: 'Headline',
  standfirst: 'Standfirst',
  byline: 'Byline',
  body: 'Text',
  caption: 'Caption',
  credit: 'Credit',
  quote: 'Pull quote',
  furniture: 'Text',
};

/** The beginning of a text, a field by its name. */
const begins = (body: Parameters<typeof paragraphsOf>[0]): string =>
  paragraphsOf(body)
    .map(({ content }) =>
      content.content
        .map((node) => (node.type.name === 'field' ? FIELD_WORDS[(node.attrs as FieldAttrs).name] : (node.text ?? ' ')))
        .join(''),
    )
    .join('\n')
    .slice(0, 40)
    .trim();

/** A frame of the thread of a text. */
export const TEXT_FRAME: FrameKind<TextContent> = {
  fields: { text: reference('text', 'goes'), order: ORDER, ...LAYOUT_FIELDS },
  named: ({ text: id }, document) => {
    const text = find(document, 'text', id);
    if (!text) return 'Text';
    const own = find(document, 'story', text.story)?.name ?? begins(text.body);
    return own ? `${ROLE_NAMES[text.role]}, ${own}` : ROLE_NAMES[text.role];
  },
  text: ({ text }) => text,
  layout: (content) => content,
  withLayout: (content, layout) => said({ ...content, ...layout }),
  outlines: () => ['glyphs'],
  copied: (content, renamed) => ({ ...content, text: renamed(content.text) }),
  emptied: (frame, content, document, name) => {
    const text = get(document, 'text', content.text);
    const { type: _, text: __, order, jumpTo: ___, jumpFrom: ____, ...layout } = content;
    switch (text.role) {
      case 'headline':
      case 'standfirst':
      case 'byline':
      case 'body':
        return { ...frame, content: { type: 'slot', takes: text.role, set: text.story ?? text.id, name, order, layout } };
      case 'furniture':
        return frame;
      default:
        return undefined;
    }
  },
  takes: ({ text }, document) => (find(document, 'text', text) ? 'text' : undefined),
};
