import { readFile } from 'node:fs/promises';
import type { NewStory } from '@/core/actions/stories';
import { readMarkdown } from '@/formats/copy/markdown';
import { storyOf } from '@/formats/copy/story';

/** A story of the demo: its first paragraph is its headline, its second its standfirst, the rest is its body. */
export async function readStory(path: string, section: string): Promise<NewStory> {
  const [headline, standfirst, ...rest] = readMarkdown(await readFile(path, 'utf8'));
  const words = (block: typeof headline) => (block?.content ?? []).map((node) => node.text ?? '').join('');
  return {
    name: words(headline),
    section,
    headline: words(headline),
    standfirst: words(standfirst),
    body: storyOf(path, [headline!, ...rest]).body,
  };
}
