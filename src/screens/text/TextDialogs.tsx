'use client';

import { lazy, Suspense, useState } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import { formattingOf, setLink } from '@/core/editing/formatting';
import { Dialog } from '@/parts/Dialog';
import { Wrong } from '@/parts/Wrong';
import type { Formatter } from './formatter';
import { TableDialog } from './TableDialog';

/** What is asked of a text in a dialog of its own. */
export type TextAsked = 'link' | 'newStyle' | 'characters' | 'table';

interface TextDialogProps<A extends TextAsked = TextAsked> {
  readonly asked: A;
  readonly formatter: Formatter;
  readonly composer: ComposerClient;
  readonly onClose: () => void;
}

// The names of a thousand characters are fetched when they are asked for.
const CharactersDialog = lazy(() => import('./CharactersDialog').then((own) => ({ default: own.CharactersDialog })));

/** What is asked of the text in hand. */
export function TextDialog({ asked, formatter, composer, onClose }: TextDialogProps) {
  if (asked === 'table') return <TableDialog formatter={formatter} dress={formatter.tableDress()} onClose={onClose} />;
  if (asked !== 'characters') return <WordsDialog asked={asked} formatter={formatter} composer={composer} onClose={onClose} />;
  return (
    <Suspense fallback={null}>
      <CharactersDialog formatter={formatter} composer={composer} onClose={onClose} />
    </Suspense>
  );
}

/** Asks for a link's address, or a new style's name. */
function WordsDialog({ asked, formatter, onClose }: TextDialogProps<'link' | 'newStyle'>) {
  const selected = formatter.selected();
  const link = selected && formattingOf(selected.state, formatter.sheet()).link;
  const [wrong, setWrong] = useState<string>();
  const isLink = asked === 'link';
  const take = (words: string) => {
    try {
      if (isLink) formatter.run(setLink(addressOf(words)), words === '' ? 'Remove a link' : 'Link');
      else formatter.newStyle(words);
      onClose();
    } catch (error) {
      setWrong((error as Error).message);
    }
  };
  return (
    <Dialog title={isLink ? 'Link' : 'New style'} onClose={onClose}>
      <form
        className="flex flex-col gap-3 p-5"
        onSubmit={(event) => {
          event.preventDefault();
          take(String(new FormData(event.currentTarget).get('words') ?? '').trim());
        }}
      >
        <h2 className="text-lg font-semibold">{isLink ? 'Link' : 'New style'}</h2>
        <label>
          <span className="chapter">{isLink ? 'Address' : 'Name'}</span>
          <input
            name="words"
            className="field"
            maxLength={isLink ? 2000 : 80}
            defaultValue={isLink ? (link ?? '') : ''}
            placeholder={isLink ? 'example.org/page' : undefined}
            aria-invalid={wrong !== undefined}
            aria-describedby="text-dialog-wrong"
          />
        </label>
        <Wrong field="text-dialog" wrong={wrong} />
        <div className="flex gap-2">
          <button type="submit" className="btn btn-primary btn-sm font-semibold">
            {isLink ? 'Set the link' : 'Add the style'}
          </button>
          {isLink && link !== undefined && (
            <button type="button" className="btn btn-sm" onClick={() => take('')}>
              Remove the link
            </button>
          )}
        </div>
      </form>
    </Dialog>
  );
}

/** An address as it is kept; undefined where there is none. @throws Error with a sentence when it leads nowhere */
function addressOf(words: string): string | undefined {
  if (words === '') return undefined;
  const whole = /^[a-z][a-z\d+.-]*:/i.test(words) ? words : words.includes('@') ? `mailto:${words}` : `https://${words}`;
  let url: URL;
  try {
    url = new URL(whole);
  } catch {
    throw new Error('That is not an address: type one such as example.org/page.');
  }
  if (!/^(https?|mailto|tel):$/.test(url.protocol))
    throw new Error('A link leads to a web page, an email address or a telephone number.');
  return whole;
}
