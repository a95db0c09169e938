'use client';

import type { Command } from '../../frame/commands/command';
import { type Doing, useHand } from '../hand/hand';
import type { Desk } from '../useDesk';
import { CropBar } from './CropBar';
import { OutlineBar } from './OutlineBar';
import { FrameBar } from './FrameBar';
import { InheritedBar } from './InheritedBar';
import { backToText } from '../text/backToText';
import { ManyBar } from './ManyBar';
import { styleLists } from '../../text/styleLists';
import { TextBar } from '../../text/TextBar';
import { Strip } from '@/parts/Strip';

const nothing = () => undefined;

/** What the strip is for while it is being done, whatever is chosen. */
const DOING: ReadonlySet<Doing['doing']> = new Set(['typing', 'picking', 'cropping', 'outlining', 'measuring']);

interface DeskStripProps {
  readonly desk: Desk;
  /** Of the desk, and those of text, by id. */
  readonly commands: ReadonlyMap<string, Command>;
  readonly textCommands: ReadonlyMap<string, Command>;
}

/** What is done most with what is chosen; a hint where nothing is. */
export function DeskStrip({ desk, commands, textCommands }: DeskStripProps) {
  const { document, only, held, chosen, frameActions } = desk;
  const doing = useHand(desk.hand, (now) => (DOING.has(now.doing) ? now.doing : undefined));
  const { inherited } = chosen;
  const part = () => {
    if (!inherited) return;
    chosen.clear();
    desk.chooseAdded(desk.actions.part(inherited.page.page.id, [inherited.frame.id]));
  };
  return (
    <Strip hint="Press a frame to choose it, or drag over empty grid.">
      {doing === 'typing' ? (
        <TextBar
          styles={styleLists(desk.store)}
          formatter={desk.formatter}
          commands={textCommands}
          inHand={desk.inHand}
          isWriting
          onDone={backToText}
        />
      ) : doing === 'cropping' ? (
        <CropBar desk={desk} commands={commands} />
      ) : doing === 'outlining' ? (
        <OutlineBar desk={desk} commands={commands} />
      ) : doing === 'measuring' ? (
        <p className="px-1">
          Drag between two points. Arrow keys move the end of the measure, with Alt its beginning. <kbd>Esc</kbd> leaves it.
        </p>
      ) : only && !doing ? (
        <>
          <FrameBar document={document} frame={only.frame} actions={frameActions} commands={commands} />
          {desk.text && (
            <TextBar
              styles={styleLists(desk.store)}
              formatter={desk.formatter}
              commands={textCommands}
              inHand={desk.inHand}
              isWriting={false}
              onDone={nothing}
            />
          )}
        </>
      ) : held.length > 1 && !doing ? (
        <ManyBar count={held.length} actions={frameActions} isGroup={desk.group !== undefined} commands={commands} />
      ) : inherited ? (
        <InheritedBar document={document} inherited={inherited} onPart={part} />
      ) : null}
    </Strip>
  );
}
