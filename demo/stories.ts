import { readFile } from 'node:fs/promises';
import type { NewStory } from '@/core/actions/stories';
import { mapParagraphs } from '@/core/records/body';
import { readMarkdown } from '@/formats/copy/markdown';
import { storyOf } from '@/formats/copy/story';

/** A story of the demo: its first paragraph is its headline, its second its standfirst, the rest is its body. */
export async function readStory(path: string, section: string): Promise<NewStory> {
  const [headline, standfirst, ...rest] = readMarkdown(await readFile(path, 'utf8'));
  const words = (block: typeof headline) => curly((block?.content ?? []).map((node) => node.text ?? '').join(''));
  return {
    name: words(headline),
    section,
    headline: words(headline),
    standfirst: words(standfirst),
    body: mapParagraphs(storyOf(path, [headline!, ...rest]).body, (paragraph) => ({
      ...paragraph,
      ...(paragraph.content
        ? { content: paragraph.content.map((node) => (node.text === undefined ? node : { ...node, text: curly(node.text) })) }
        : {}),
    })),
  };
}

/** Typewriter's marks as a compositor sets them: double ones for speech, an apostrophe everywhere else. */
export const curly = (text: string): string =>
  text
    .replace(/(^|[\s([–—])"/g, '$1“')
    .replace(/"/g, '”')
    .replace(/(^|[\s([–—“])'/g, '$1‘')
    .replace(/'/g, '’');
