import { CHARACTER, PARAGRAPH } from '../../properties/type';
import type { CharacterStyleRecord } from '../characterStyle';
import { type Kind, LINE, maybe, parts, properties, reference } from '../kind';
import type { ParagraphStyleRecord } from '../paragraphStyle';

export const PARAGRAPH_STYLE: Kind<ParagraphStyleRecord> = {
  called: 'paragraph style',
  offered: 'Paragraph style',
  fields: {
    name: LINE,
    basedOn: maybe(reference('paragraphStyle', 'holds')),
    properties: parts(properties(PARAGRAPH)),
  },
};

export const CHARACTER_STYLE: Kind<CharacterStyleRecord> = {
  called: 'character style',
  offered: 'Character style',
  fields: {
    name: LINE,
    basedOn: maybe(reference('characterStyle', 'holds')),
    properties: parts(properties(CHARACTER)),
  },
};
