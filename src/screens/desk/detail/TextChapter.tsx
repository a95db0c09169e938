'use client';

import type { ComposerClient } from '@/client/composerClient';
import { quoteTrouble } from '@/core/checks/rules/quotes';
import { type Fit, fitWords } from '@/core/compose/text/fit';
import { designOf, type QuoteChange } from '@/core/actions/quotes';
import { all, type Document, find, threadOf } from '@/core/records/document';
import type { TextContent } from '@/core/records/frame';
import type { FrameRecord, TextRecord } from '@/core/records/index';
import { textOf, troubleWords } from '../frames/frameWords';
import { useSetting } from '../../sheet/useSetting';
import { Group } from '@/parts/fields/Group';
import { Select } from '@/parts/Select';

interface TextChapterProps {
  readonly document: Document;
  readonly frame: FrameRecord;
  readonly content: TextContent;
  readonly composer: ComposerClient;
  /** Opens Fit at its text. */
  readonly onFit: () => void;
  /** Has a quote say its story’s words, or leaves it as it is, no longer tied. */
  readonly onQuote: (what: 'requote' | 'untie', quote: string, words?: string) => void;
  /** Gives a quote another design, or puts it elsewhere. */
  readonly onSetQuote: (change: Omit<QuoteChange, 'frame'>) => void;
}

/** How a text fits, and what the typesetter reports. */
export function TextChapter({ document, frame, content, composer, onFit, onQuote, onSetQuote }: TextChapterProps) {
  const fit = useSetting(composer, (setting) => setting.fits.get(content.text));
  const thread = threadOf(document, content.text);
  const of = textOf(document, frame);
  const trouble = of && quoteTrouble(document, of.text);
  return (
    <Group name="Text" now={fit && fitWords(fit)}>
      {fit && of?.text.role === 'body' && (
        <p className={fit.oversetLines > 0 ? 'text-error font-semibold' : 'text-success font-semibold'}>
          {fitWords(fit)}
          {fit.oversetLines > 0 && `, ${fit.oversetWords} words`}{' '}
          <button type="button" className="link narrow font-medium" onClick={onFit}>
            Make it fit …
          </button>
        </p>
      )}
      {fit && <Troubles fit={fit} />}
      {thread.length > 1 && (
        <p className="opacity-75">
          Frame {thread.findIndex(({ id }) => id === frame.id) + 1} of {thread.length} in its thread
        </p>
      )}
      {of && trouble && (
        <div className="flex flex-col gap-1" role="status">
          <p className="text-error font-semibold">
            {trouble.is === 'story' ? 'The story no longer says this.' : 'The quote says what the story does not.'}
          </p>
          <p>
            <span className="opacity-75">{trouble.is === 'story' ? 'It said' : 'The quote'}:</span> {trouble.was}
          </p>
          {trouble.now && (
            <p>
              <span className="opacity-75">The story says now:</span> {trouble.now}
            </p>
          )}
          <div className="flex flex-wrap gap-1">
            {trouble.now && (
              <button type="button" className="btn btn-xs min-h-6" onClick={() => onQuote('requote', of.text.id, trouble.now!)}>
                Take the story’s words
              </button>
            )}
            <button type="button" className="btn btn-xs min-h-6" onClick={() => onQuote('untie', of.text.id)}>
              Keep it on purpose
            </button>
          </div>
        </div>
      )}
      {of?.text.role === 'quote' && <QuoteFields document={document} text={of.text} onSet={onSetQuote} />}
      {of?.text.source && (
        <p className="opacity-75">
          Quoted from {find(document, 'story', find(document, 'text', of.text.source.text)?.story)?.name ?? 'a story'}
        </p>
      )}
    </Group>
  );
}

/** Places that a quote can be sent to: where it does least harm there, it stands. */
const PLACES: readonly { readonly name: string; readonly to: Omit<QuoteChange, 'frame'> }[] = [
  { name: 'In a column', to: { stand: 'column', across: 1 } },
  { name: 'Across two columns', to: { stand: 'column', across: 2 } },
  { name: 'Across three', to: { stand: 'column', across: 3 } },
  { name: 'Between two columns', to: { stand: 'between' } },
  { name: 'On a picture', to: { stand: 'picture' } },
];

/** What a pull quote looks like, and where it goes. */
function QuoteFields({ document, text, onSet }: { document: Document; text: TextRecord; onSet: TextChapterProps['onSetQuote'] }) {
  const designs = all(document, 'quoteDesign');
  const design = designOf(document, text);
  return (
    <div className="flex flex-col gap-2">
      {designs.length > 0 && (
        <Select
          label="Design"
          value={design?.id ?? ''}
          of={[...(design ? [] : [{ value: '', name: 'Its own' }]), ...designs.map(({ id, name }) => ({ value: id, name }))]}
          onChange={(to) => to !== '' && onSet({ design: to })}
        />
      )}
      <div>
        <span className="text-2xs opacity-70">Put it where it does least harm</span>
        <div className="flex flex-wrap gap-1 pt-0.5">
          {PLACES.map(({ name, to }) => (
            <button key={name} type="button" className="btn btn-xs min-h-6" onClick={() => onSet(to)}>
              {name}
            </button>
          ))}
        </div>
      </div>
    </div>
  );
}

function Troubles({ fit }: { fit: Fit }) {
  const troubles = troubleWords(fit);
  if (troubles.length === 0) return null;
  return (
    <ul aria-label="What the typesetter reports" className="text-warning list-none">
      {troubles.map((trouble) => (
        <li key={trouble}>{trouble}</li>
      ))}
    </ul>
  );
}
