import type { ReactNode } from 'react';
import type { FrameContent } from '@/core/records/frame';
import { ENOUGH_PPI } from '@/core/pictures/placing';
import { pictureFiles } from '../frames/pictureFiles';
import type { FrameInSight } from '../frames/frameInSight';
import type { Desk } from '../useDesk';
import { Legible } from './Legible';
import { PictureChapter } from './PictureChapter';
import { SlotChapter } from './SlotChapter';
import { TextChapter } from './TextChapter';

interface PanelProps<C> {
  readonly desk: Desk;
  readonly each: FrameInSight;
  readonly content: C;
}

/** What the detail says of a frame beside what it says of all of them, by what it shows. */
const PANELS: {
  readonly [T in FrameContent['type']]?: (props: PanelProps<Extract<FrameContent, { type: T }>>) => ReactNode;
} = {
  text: ({ desk, each, content }) => (
    <>
      <TextChapter
        document={desk.document}
        frame={each.frame}
        content={content}
        composer={desk.composer}
        onFit={() => desk.setFitting(content.text)}
        onQuote={desk.actions.mendQuote}
        onSetQuote={(change) => void desk.actions.setQuote({ frame: each.frame.id, ...change })}
      />
      <Legible desk={desk} each={each} />
    </>
  ),
  slot: ({ desk, each, content }) => (
    <SlotChapter
      frame={each.frame}
      page={each.page.page.id}
      content={content}
      composer={desk.composer}
      onName={desk.frameActions.nameSlots}
    />
  ),
  picture: ({ desk, each, content }) => {
    const own = pictureFiles(desk.store, desk.say);
    const { files, lookAgain } = desk.pictureFiles;
    return (
      <PictureChapter
        document={desk.document}
        frame={each.frame.id}
        content={content}
        box={each.box}
        onPictureWords={desk.actions.pictureWords}
        onPage={own.page}
        onFile={own.replace}
        files={files}
        onFind={(found) => void own.find([...files.missing], found).then(lookAgain)}
        onRenew={(picture) => void own.renew(picture).then(lookAgain)}
        onShrink={() => desk.actions.shrinkToResolution([each.frame.id], ENOUGH_PPI)}
        onWrite={desk.inHand.beginAtEnd}
      />
    );
  },
};

/** The panel of a frame; nothing where there is no more to say of it. */
export function panelOf(desk: Desk, each: FrameInSight): ReactNode {
  const { content } = each.frame;
  const panel = PANELS[content.type] as ((props: PanelProps<FrameContent>) => ReactNode) | undefined;
  return panel?.({ desk, each, content });
}
