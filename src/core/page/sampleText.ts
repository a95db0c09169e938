import { paragraphsOf } from '../records/body';
import { all, type Document, find } from '../records/document';

/** What real text a type sheet is set in. */
export interface SampleText {
  readonly headline: string;
  readonly body: readonly string[];
}

/** The longest body of an issue and its headline, as text to show a house's type in; undefined where it has none. */
export function sampleOf(issue: Document): SampleText | undefined {
  let best: SampleText | undefined;
  let length = 0;
  for (const story of all(issue, 'story')) {
    const body = find(issue, 'text', story.parts.body);
    if (!body) continue;
    const paragraphs = paragraphsOf(body.body)
      .map((node) => node.textContent)
      .filter((words) => words.length > 80);
    const own = paragraphs.reduce((sum, each) => sum + each.length, 0);
    if (own > length) [best, length] = [{ headline: story.name, body: paragraphs }, own];
  }
  return best;
}
