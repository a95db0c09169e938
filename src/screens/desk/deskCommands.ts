import { around, type Box } from '@/core/geometry/box';
import { hasJumpLines } from '@/core/actions/threads';
import { withCaptions } from '@/core/page/beside';
import { all, type Document, find } from '@/core/records/document';
import type { Wrap } from '@/core/records/frame';
import type { FrameRecord } from '@/core/records/index';
import { type Command, command } from '../frame/commands/command';
import { ARRANGEMENTS, USUAL_TERMS } from './frames/arrangements';
import type { Doing } from './hand/hand';
import { onSpread } from './frames/frameInSight';
import { hasClip, type useClipboard } from './frames/useClipboard';
import { pictureCommands } from './pictureCommands';
import type { Desk } from './useDesk';
import { frameKind, pictureIn, textIn } from '@/core/records/kinds/frames';

/** What the desk alone cannot do or know. */
interface Beyond {
  /** Why nothing else can be done now. */
  readonly underWay: string | undefined;
  readonly bringIn: () => void;
  readonly find: () => void;
  readonly clean: () => void;
  readonly spelling: () => void;
  readonly type: () => void;
  readonly clipboard: ReturnType<typeof useClipboard>;
  readonly agency: () => void;
  readonly doing: Doing['doing'];
  /** A point of the outline that is mended is chosen. */
  readonly hasPoint: boolean;
}

/** Why nothing can be done with what is chosen while something is under way. */
export const UNDER_WAY: Partial<Record<Doing['doing'], string>> = {
  picking: 'Pick a sentence first, or press Esc',
  asking: 'Choose what goes in the stretch first, or press Esc',
};

/** Ways of making one form of several frames. */
const COMBININGS = [
  { how: 'join', name: 'Join the forms of the chosen frames' },
  { how: 'subtract', name: 'Subtract the upper forms from the lowest' },
  { how: 'intersect', name: 'Keep what the chosen forms share' },
] as const;

/** What can be done on the desk, in the order of the command bar. A new one is one line. */
export function deskCommands(
  desk: Desk,
  { underWay, bringIn, type, find, clean, spelling, clipboard, agency, doing, hasPoint }: Beyond,
): Command[] {
  const { spread, view, toggle, text, only, group, frameActions: on, chosen } = desk;
  const { held } = desk;
  const count = held.length;
  const story = only && storyOf(desk.document, only.frame);
  const ids = held.map(({ frame }) => frame.id);
  const none = underWay ?? (count === 0 && 'Nothing is chosen');
  const one = underWay ?? (!only && (count === 0 ? 'Nothing is chosen' : 'Choose one frame'));
  const isText = one || (!text && 'That frame holds no text');
  const isBody = one || (text?.role !== 'body' && 'That is not running text');
  const isThread = isText || (!desk.isThread && 'It is the only frame of its text');
  const jumps = text && hasJumpLines(desk.document, text.id);
  const turn = (degrees: number) => () => only && on.put('look', { rotation: (only.frame.rotation ?? 0) + degrees });
  return [
    command('previous', 'Previous spread', '[', spread.index === 0 && 'This is the first', () => spread.go(spread.index - 1)),
    command('next', 'Next spread', ']', spread.index === spread.count - 1 && 'This is the last', () =>
      spread.go(spread.index + 1),
    ),
    command('fit', 'Fit the spread', '0', undefined, view.fit),
    command('nearer', 'Zoom in', '=', undefined, () => view.zoomBy(1.25)),
    command('farther', 'Zoom out', '-', undefined, () => view.zoomBy(0.8)),
    command('turn-desk', 'Turn the desk clockwise', 'Alt+U', undefined, () => view.turnBy(1)),
    command('turn-desk-back', 'Turn the desk anticlockwise', 'Alt+Shift+U', undefined, () => view.turnBy(-1)),
    command('row', 'Spreads before and after', 'w', undefined, () => toggle('row')),
    command('proof', 'Proof view', '.', undefined, () => toggle('proof')),
    command('columns', 'Columns and guides', ',', undefined, () => toggle('columns')),
    command('baselines', 'Baseline grid', ';', undefined, () => toggle('baselines')),
    command('rulers', 'Rulers', 'r', undefined, () => toggle('rulers')),
    command('measure', 'Measure between two points', 'm', underWay, () => desk.guiding.measure(measured(desk))),
    command(
      'clear-guides',
      'Remove the guides of the spread',
      undefined,
      !spread.pages.some(({ page }) => page.guides?.length) && 'No guides are drawn here',
      () => desk.actions.clearGuides(spread.pages.map(({ page }) => page.id)),
    ),
    command('tray', 'Hide or show the tray', 'f', undefined, () => toggle('tray')),
    command('detail', 'Hide or show the detail', 'd', undefined, () => toggle('detail')),
    command('bring', 'Bring in stories and pictures', 'b', undefined, bringIn),
    command(
      'agency',
      'Picture agency',
      undefined,
      desk.place.kind !== 'issue' && 'Pictures of an agency are for an issue',
      agency,
    ),
    command('colours', 'Colours in the issue …', 'Alt+P', undefined, () => desk.setColouring(true)),
    command('find', 'Find and replace', 'Ctrl+F', undefined, find),
    command('clean', 'Clean up', undefined, undefined, clean),
    command('spelling', 'Spelling', 'F7', undefined, spelling),
    command('invisibles', 'Invisible characters', 'i', undefined, () => toggle('invisibles')),
    command('spelling-marks', 'Underline unknown words', undefined, undefined, () => toggle('spelling')),
    command('enter', 'Go into the text', text && 'Enter', isText, type),
    ...pictureCommands(desk, { none, one, doing, hasPoint }),
    command('pick', 'Pick a sentence to quote', 'q', isBody, desk.pick),
    command('make-fit', 'Make the text fit …', 'Alt+F', isText, () => desk.setFitting(text!.id)),
    command('look', 'Look into the overset', 'Alt+O', isText || (desk.overset === 0 && 'Nothing is over'), () =>
      desk.onLook(text!.id),
    ),
    command(
      'go-on',
      desk.middle ? 'Insert a frame behind this one' : 'Continue the story in the next free space',
      'Alt+C',
      isText || (!desk.middle && desk.overset === 0 && 'Nothing is over'),
      () => desk.goOn(),
    ),
    command('split', 'Split this frame off with its text', undefined, isThread, () => void desk.actions.splitOff(only!.frame.id)),
    command('take-out', 'Take this frame out of the thread', undefined, isThread, () => desk.actions.takeOut(only!.frame.id)),
    command(
      'jumps',
      jumps ? 'Leave out the jump lines' : 'Say where the story continues',
      undefined,
      isText || (jumps === undefined && 'The story goes on to no other page'),
      () => desk.actions.jumpLines(text!.id, !jumps),
    ),
    command('threads', 'Threads and their numbers', undefined, undefined, () => toggle('threads')),
    command('wrap', 'Next text wrap', 'Alt+W', one, () => only && on.put('wrap', { mode: nextWrap(desk.document, only.frame) })),
    command('turn', 'Rotate 90° clockwise', 'Alt+R', one, turn(90)),
    command('turn-back', 'Rotate 90° anticlockwise', 'Alt+Shift+R', one, turn(-90)),
    command(
      'group',
      'Group the chosen frames',
      'Alt+G',
      none || (count < 2 ? 'Choose two frames or more' : group && 'They are a group'),
      on.group,
    ),
    command('ungroup', 'Ungroup', 'Alt+Shift+G', none || (!group && 'No group is chosen'), on.ungroup),
    command('take-look', 'Take up the look of this frame', 'Alt+K', one, () => only && desk.looks.take(only.frame.id)),
    command(
      'give-look',
      'Give the look that was taken up',
      'Alt+Shift+K',
      none || (!desk.looks.taken && 'No look has been taken up yet'),
      () => desk.looks.taken && desk.actions.giveLook(ids, desk.looks.taken),
    ),
    ...COMBININGS.map(({ how, name }) =>
      command(
        how,
        name,
        undefined,
        none || (count < 2 ? 'Choose two frames or more' : group && 'Ungroup them first'),
        () => desk.actions.combineForms(ids, how) && chosen.choose(ids),
      ),
    ),
    command(
      'letters-frame',
      'Make a picture frame of its letters',
      undefined,
      isText,
      () => void desk.actions.lettersToFrame(only!.frame.id),
    ),
    ...ARRANGEMENTS.map((each) =>
      command(
        each.id,
        count === 1 && each.least === 1 ? `${each.name} with the type area` : each.name,
        undefined,
        none || (count < each.least ? 'Choose two frames or more' : undefined),
        () => on.arrange(each, { ...USUAL_TERMS, against: count === 1 ? 'area' : 'together' }),
      ),
    ),
    command(
      'all',
      'Choose everything on the spread',
      'Ctrl+A',
      underWay ?? (desk.frames.length === 0 && 'The spread is empty'),
      () => chosen.choose(desk.frames.filter(({ locked }) => !locked).map(({ frame }) => frame.id)),
    ),
    command(
      'frames',
      'Go to the frames on the spread',
      'F6',
      underWay ?? (desk.frames.length === 0 && 'The spread is empty'),
      () => view.ref.current?.querySelector<SVGElement>('[data-frame][tabindex="0"]')?.focus(),
    ),
    command('hold', 'Keep the selection while choosing more', 'Space', none, chosen.keep),
    native('copy', count > 1 ? 'Copy the frames' : 'Copy the frame', 'Ctrl+C', none, clipboard.copy),
    native('cut', count > 1 ? 'Cut the frames' : 'Cut the frame', 'Ctrl+X', none, clipboard.cut),
    native('paste', 'Paste', 'Ctrl+V', underWay ?? (!hasClip() && 'Nothing was copied here'), () => clipboard.paste(false)),
    native('paste-in-place', 'Paste in place', 'Ctrl+Shift+V', underWay ?? (!hasClip() && 'Nothing was copied here'), () =>
      clipboard.paste(true),
    ),
    command('duplicate', count > 1 ? 'Duplicate the frames' : 'Duplicate the frame', 'Alt+D', none, on.duplicate),
    command('lock', held.some(({ frame }) => frame.locked) ? 'Unlock' : 'Lock', 'Alt+L', none, () =>
      desk.actions.mark(ids, { locked: held.some(({ frame }) => frame.locked) ? undefined : true }),
    ),
    command('hide', count > 1 ? 'Hide the frames' : 'Hide the frame', undefined, none, () => {
      desk.actions.mark(ids, { hidden: true });
      chosen.clear();
    }),
    command('alone', count > 1 ? 'Show the frames alone' : 'Show the frame alone', undefined, none, () =>
      desk.setAlone(new Set(withCaptions(desk.document, ids))),
    ),
    command('all-shown', 'Show everything again', undefined, !desk.alone && 'Everything is shown', () =>
      desk.setAlone(undefined),
    ),
    ...all(desk.document, 'layer').map((layer) =>
      command(`layer-${layer.id}`, `Put on the layer “${layer.name}”`, undefined, none, () =>
        desk.actions.putOnLayer(ids, layer.id),
      ),
    ),
    command('alike', 'Choose everything like it on the spread', undefined, one, () =>
      chosen.choose(desk.frames.filter(({ frame }) => isAlike(desk.document, frame, only!.frame)).map(({ frame }) => frame.id)),
    ),
    command('of-story', 'Choose its whole story on the spread', undefined, one || (!story && 'It belongs to no story'), () =>
      chosen.choose(desk.frames.filter(({ frame }) => storyOf(desk.document, frame) === story).map(({ frame }) => frame.id)),
    ),
    command('front', 'Bring to front', undefined, one, () => on.stack('front')),
    command('back', 'Send to back', undefined, one, () => on.stack('back')),
    command('remove', count > 1 ? 'Remove the frames' : 'Remove the frame', 'Delete', none, on.remove),
    command('add', 'Add a page after this spread', undefined, undefined, () =>
      desk.actions.addPages({ after: spread.pages.at(-1)!.page.id, count: 1 }),
    ),
  ];
}

/** What is measured to begin with: all that is chosen, else the first page in sight. */
function measured({ held, spread, format }: Desk): Box {
  return around(held.map(onSpread)) ?? { x: spread.pages[0]!.dx, y: 0, w: format.width, h: format.height };
}

/** The story that a frame shows a part of, or whose picture it shows. */
function storyOf(document: Document, frame: FrameRecord): string | undefined {
  const picture = find(document, 'picture', pictureIn(document, frame)?.picture);
  return find(document, 'text', textIn(frame))?.story ?? picture?.story;
}

/** Whether two frames are of one kind: for texts, of one part of a story. */
function isAlike(document: Document, a: FrameRecord, b: FrameRecord): boolean {
  if (a.content.type !== b.content.type) return false;
  const [own, other] = [a, b].map((frame) => find(document, 'text', textIn(frame))?.role);
  return own === other;
}

/** A command whose key the browser tells of by itself. */
const native = (...of: Parameters<typeof command>): Command => ({ ...command(...of), native: true });

/** Text wraps in the order in which a key goes through them; along an outline only where there is one. */
function nextWrap(document: Document, { content, wrap }: FrameRecord): Wrap['mode'] {
  const kind = frameKind(content);
  const traced = kind.picture && kind.outlines?.(content, document).length;
  const order: readonly Wrap['mode'][] = traced ? ['none', 'frame', 'outline', 'clear'] : ['none', 'frame', 'clear'];
  return order[(order.indexOf(wrap.mode) + 1) % order.length]!;
}
