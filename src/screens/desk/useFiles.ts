'use client';

import { type DragEvent, useCallback, useEffect, useRef, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import { bringInStory } from '@/core/actions/stories';
import { pasteBlocks } from '@/core/editing/moving';
import type { StoryRecord } from '@/core/records/index';
import { readHtml } from '@/formats/copy/html';
import { readPlainText } from '@/formats/copy/plainText';
import { bodyBlocks } from '@/formats/copy/story';
import { wellFormed } from '@/core/records/plain';
import { isTyping } from '../frame/commands/command';
import { useLatest } from '../frame/useLatest';
import { type Arrived, storyIn, toBringIn } from '../bringIn/arrived';
import { type CameIn, readCopyFile, useBringIn } from '../bringIn/useBringIn';
import { MOST_PASTED, RUNNING } from '../text/clipboard';
import type { Carry } from './hand/hand';
import type { Desk } from './useDesk';

interface PointerAt {
  readonly clientX: number;
  readonly clientY: number;
  readonly shiftKey: boolean;
}

/**
 * Files that come onto the desk, chosen, dropped or pasted: copy is looked at before it is taken in; what was dropped on a
 * page, a slot, a frame or into the text in hand goes there.
 */
export function useFiles(desk: Desk) {
  const { store, hand, gestures, puttingDown, inHand, selecting, say } = desk;
  const [arrived, setArrived] = useState<readonly Arrived[]>();
  /** Where what comes in is to go. */
  const target = useRef<Carry | undefined>(undefined);
  const pointer = useRef<PointerAt | undefined>(undefined);

  const putDown = (what: Carry['what'], id: string, carry: Carry | undefined) => {
    if (carry?.target) void puttingDown.drop({ what, id, allPages: carry.allPages }, carry.target);
  };
  const onCame = useLatest(({ copy, pictures }: CameIn) => {
    if (pictures[0]) putDown('picture', pictures[0].id, target.current);
    if (copy.length > 0) setArrived(copy);
    else target.current = undefined;
  });
  const { bringIn, progress } = useBringIn(store, say, onCame);
  const onTaken = (stories: readonly StoryRecord[]) => {
    if (stories[0]) putDown('story', stories[0].id, target.current);
    target.current = undefined;
  };

  const intoText = async (files: readonly File[], event: PointerAt) => {
    const place = await selecting.placeUnder(event);
    const now = inHand.now();
    if (!place || !now) return;
    for (const file of files) {
      try {
        const { copy } = await readCopyFile(file);
        inHand.select({ anchor: place.place, head: place.place });
        inHand.run(pasteBlocks(bodyBlocks(copy), RUNNING), `Bring in “${file.name}”`);
        if (copy.dropped.length > 0) say(`Left out of “${file.name}”: ${copy.dropped.join(', ')}.`);
      } catch (error) {
        say((error as Error).message, 'wrong');
      }
    }
  };

  const isOverText = () => hand.now().doing === 'typing';
  const dropzone = useDropzone({
    onDrop: (files, _, event) => {
      const at = 'clientX' in event ? (event as unknown as PointerAt) : undefined;
      if (at && isOverText() && isOnDesk(at) && files.every(({ type }) => !type.startsWith('image/')))
        return void intoText(files, at);
      const now = hand.now();
      target.current = now.doing === 'carrying' ? now.carry : undefined;
      hand.rest('carrying');
      void bringIn(files);
    },
    onDragOver: (event) => {
      const at = event as DragEvent<HTMLElement>;
      if (isOverText()) return selecting.hover(at);
      if (!isOnDesk(at)) return hand.rest('carrying');
      const isPicture = [...at.dataTransfer.items].every(({ type }) => type.startsWith('image/'));
      hand.take({ doing: 'carrying', carry: gestures.carriedTo(isPicture ? 'picture' : 'story', '', at) });
    },
    onDragLeave: () => hand.rest('carrying'),
    noClick: true,
    noKeyboard: true,
    useFsAccessApi: false,
  });

  const paste = useLatest((event: ClipboardEvent) => {
    const data = event.clipboardData;
    if (event.defaultPrevented || !data || isTyping(event as unknown as KeyboardEvent) || hand.now().doing !== 'choosing') return;
    const at = pointer.current;
    const isPicture = data.files.length > 0 && data.getData('text/plain') === '';
    const carry = at && isOnDesk(at) ? gestures.carriedTo(isPicture ? 'picture' : 'story', '', at) : undefined;
    if (isPicture) {
      event.preventDefault();
      target.current = carry;
      return void bringIn([...data.files]);
    }
    const own = pasted(data);
    if (!own) return;
    event.preventDefault();
    if (typeof own === 'string') return say(own, 'wrong');
    const story = storyIn(store.document, own, {});
    const { story: brought, pictures } = toBringIn(own, story);
    const diff = bringInStory(store.document, { ...brought, file: undefined }, pictures);
    store.do(`Paste “${story.name}”`, diff);
    say(`“${story.name}” came into the tray.`);
    putDown('story', diff.added.find(({ kind }) => kind === 'story')!.id, carry);
  });
  const follow = useCallback((event: PointerEvent) => {
    pointer.current = event;
  }, []);
  useEffect(() => {
    window.addEventListener('paste', paste);
    window.addEventListener('pointermove', follow);
    return () => {
      window.removeEventListener('paste', paste);
      window.removeEventListener('pointermove', follow);
    };
  }, [paste, follow]);

  return { dropzone, bringIn, progress, arrived, onTaken, close: () => setArrived(undefined) };
}

/** Whether a point is on the desk itself, rather than beside it. */
const isOnDesk = ({ clientX, clientY }: PointerAt): boolean =>
  window.document.elementFromPoint(clientX, clientY)?.closest('.desk') !== null;

/** What the clipboard holds, as copy; a sentence where it is too much, nothing where it is empty. */
function pasted(data: DataTransfer): Arrived | string | undefined {
  const html = data.getData('text/html');
  const plain = data.getData('text/plain');
  if (Math.max(html.length, plain.length) > MOST_PASTED)
    return 'The clipboard holds more than 20 million characters. Save them as a file and bring that in.';
  if (html.trim() === '' && plain.trim() === '') return undefined;
  const copy =
    html.trim() === ''
      ? { blocks: readPlainText(wellFormed(plain)), pictures: [], letters: [], dropped: [] }
      : readHtml(wellFormed(html));
  if (copy.blocks.length === 0) return undefined;
  return { file: '', called: '', source: undefined, copy, pictures: copy.pictures.map(() => null), lineEnds: undefined };
}
