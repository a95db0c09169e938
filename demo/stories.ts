import { readFile } from 'node:fs/promises';
import type { NewStory } from '@/core/actions/stories';
import { bodyOf, mapParagraphs, paragraphOf, textOf } from '@/core/records/body';
import type { ParagraphAttrs } from '@/core/records/text';
import { readMarkdown } from '@/formats/copy/markdown';
import { storyOf } from '@/formats/copy/story';

/**
 * A story of the demo: its first paragraph is its headline, its second its standfirst, a third that begins with “By” its
 * byline. A paragraph that is strong from end to end is a question of an interview.
 */
export async function readStory(path: string, section: string): Promise<NewStory> {
  const copy = readMarkdown(await readFile(path, 'utf8'));
  const [headline, standfirst, third, ...others] = copy.blocks;
  const words = (block: typeof headline) => curly((block?.content ?? []).map((node) => node.text ?? '').join(''));
  const signed = words(third).startsWith('By ');
  const rest = signed || !third ? others : [third, ...others];
  return {
    name: words(headline),
    section,
    headline: words(headline),
    standfirst: words(standfirst),
    ...(signed ? { byline: words(third) } : {}),
    body: mapParagraphs(bodyOf(storyOf({ ...copy, blocks: [headline!, ...rest] }).body), (paragraph) => {
      const nodes = paragraph.content.content;
      const attrs = paragraph.attrs as ParagraphAttrs;
      const isQuestion = nodes.length > 0 && nodes.every(({ marks }) => marks.some(({ type }) => type.name === 'strong'));
      return paragraphOf(
        isQuestion ? { ...attrs, style: 'question' } : attrs,
        nodes.map((node) => (node.text === undefined ? node : textOf(curly(node.text), isQuestion ? [] : node.marks))),
      );
    }),
  };
}

/** Typewriter's marks as a compositor sets them: double ones for speech, an apostrophe everywhere else. */
export const curly = (text: string): string =>
  text
    .replace(/(^|[\s([–—])"/g, '$1“')
    .replace(/"/g, '”')
    .replace(/(^|[\s([–—“])'/g, '$1‘')
    .replace(/'/g, '’');
