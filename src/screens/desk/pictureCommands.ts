import { type Beneath, captionText } from '@/core/actions/captions';
import { GOOD_PPI, zoomAt } from '@/core/pictures/placing';
import type { CropValues } from '@/core/properties/crop';
import type { TextRecord } from '@/core/records/index';
import { isDrawing } from '@/core/records/picture';
import { type Command, command } from '../frame/commands/command';
import type { Doing } from './hand/hand';
import { insideOf } from './hand/useCropping';
import type { Desk } from './useDesk';

/** What the commands of the desk go by: why nothing can be done with what is chosen, or not with one frame. */
interface Known {
  readonly none: string | false | undefined;
  readonly one: string | false | undefined;
  readonly doing: Doing['doing'];
  /** A point of the outline that is mended is chosen. */
  readonly hasPoint: boolean;
}

/** What can be done with pictures, their outlines and their captions, in the order of the command bar. */
export function pictureCommands(desk: Desk, { none, one, doing, hasPoint }: Known): Command[] {
  const { only, text, frameActions: on } = desk;
  const laid = only?.frame.content.type === 'picture' ? insideOf(desk.document, only.frame.id) : undefined;
  const isPicture = one || (!laid && 'That frame has no picture');
  const pictures = desk.held.flatMap(({ frame }) =>
    frame.content.type === 'picture' && frame.content.picture !== undefined ? [frame.id] : [],
  );
  const ofPictures = none || (pictures.length === 0 && 'Choose a picture first');
  const noOutline = doing !== 'outlining' && 'No outline is being mended';
  const noPoint = noOutline || (!hasPoint && 'Choose a point first');
  /** Goes into what is set beside a picture, which is made first where there is none. */
  const write = async (what: Beneath) => {
    const [first] = pictures;
    const there = captionIn(desk, what);
    if (!there) await desk.actions.caption(pictures, what);
    const text = there ?? captionText(desk.store.document, first!, what);
    if (text && pictures.length === 1) desk.inHand.beginAtEnd(text.id);
  };
  const lay = (change: Partial<CropValues>) => () => {
    desk.cropping.settle();
    on.put('crop', change);
  };
  return [
    command('crop', 'Go into the picture', laid && 'Enter', isPicture, () => desk.cropping.enter(only!.frame.id)),
    command('crop-done', 'Leave the picture', 'Esc', doing !== 'cropping' && 'Nobody is inside a picture', () =>
      desk.cropping.leave(),
    ),
    command('crop-fill', 'Fill the frame with the picture', undefined, isPicture, lay({ fit: 'fill' })),
    command('crop-all', 'Show all of the picture', undefined, isPicture, lay({ fit: 'fit' })),
    command('crop-centre', 'Centre the picture in its frame', undefined, isPicture, lay({ x: 0.5, y: 0.5 })),
    command(
      'crop-good',
      `Show the picture at ${GOOD_PPI} pixels to the inch`,
      undefined,
      isPicture || (isDrawing(laid!.picture) && 'A drawing is sharp at any size'),
      () => {
        desk.cropping.settle();
        const { frame, picture, crop } = insideOf(desk.store.document, only!.frame.id)!;
        on.put('crop', { zoom: zoomAt(frame.box, picture, crop.turn, GOOD_PPI) });
      },
    ),
    command(
      'crop-turn',
      'Turn the picture 90° clockwise in its frame',
      undefined,
      isPicture,
      lay({ turn: (laid?.crop.turn ?? 0) + 90 }),
    ),
    command(
      'crop-turn-back',
      'Turn the picture 90° anticlockwise in its frame',
      undefined,
      isPicture,
      lay({ turn: (laid?.crop.turn ?? 0) - 90 }),
    ),
    command('crop-mirror', 'Mirror the picture', undefined, isPicture, lay({ mirrored: !laid?.crop.mirrored })),
    command('outline', 'Mend the outline for text wrap', 'o', one || (text && 'A text has its letters for an outline'), () =>
      desk.outlining.enter(only!.frame.id),
    ),
    command('outline-add', 'Add a point to the outline', 'Insert', noPoint, desk.outlining.addBehind),
    command('outline-remove', 'Remove the point of the outline', 'Delete', noPoint, desk.outlining.remove),
    command('outline-smooth', 'Smooth the outline', undefined, noOutline, desk.outlining.smooth),
    command('outline-reset', 'Take the outline as it was traced', undefined, noOutline, desk.outlining.reset),
    command('outline-done', 'Leave the outline', 'Esc', noOutline, desk.outlining.leave),
    command(
      'caption',
      captionIn(desk, 'caption') ? 'Write the caption' : 'Add a caption',
      'c',
      ofPictures,
      () => void write('caption'),
    ),
    command(
      'credit',
      captionIn(desk, 'credit') ? 'Write the credit' : 'Add a credit',
      'Shift+C',
      ofPictures,
      () => void write('credit'),
    ),
    command(
      'combine',
      'Set one caption for the pictures',
      undefined,
      ofPictures || (pictures.length < 2 && 'Choose two pictures or more'),
      () => desk.chooseAdded(desk.actions.combine(pictures)),
    ),
    command(
      'part-caption',
      'Part the caption from its picture',
      undefined,
      one || (!only!.frame.beside && 'That frame goes with no picture'),
      () => desk.actions.partCaption([only!.frame.id]),
    ),
    command(
      'swap-pictures',
      'Swap the two pictures',
      undefined,
      ofPictures || (pictures.length !== 2 && 'Choose two pictures'),
      () => void desk.actions.swapPictures([pictures[0]!, pictures[1]!]),
    ),
  ];
}

/** What is set beside the one picture that is chosen. */
const captionIn = ({ document, only }: Desk, what: Beneath): TextRecord | undefined =>
  only && captionText(document, only.frame.id, what);
