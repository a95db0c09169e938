import type { Document } from '@/core/records/document';
import type { StoryRecord } from '@/core/records/index';
import { writeHtml } from './html';
import { writeMarkdown } from './markdown';
import { outline } from '@/core/handoff/reading/outline';
import { writePlain } from './plain';
import type { CopyWay } from './ways';

/** A story as a file: what its paragraphs are, and strong, emphasised and linked letters; not how the house sets them. */
export async function writeCopy(document: Document, story: StoryRecord, way: CopyWay, language: string): Promise<Uint8Array> {
  const blocks = outline(document, story);
  const text = (words: string) => new TextEncoder().encode(words);
  switch (way) {
    case 'docx':
      return (await import('./docx')).writeDocx(story.name, blocks);
    case 'odt':
      return (await import('./odt')).writeOdt(story.name, blocks);
    case 'md':
      return text(writeMarkdown(blocks));
    case 'html':
      return text(writeHtml(story.name, language, blocks));
    case 'txt':
      return text(writePlain(blocks));
  }
}
