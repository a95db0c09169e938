import { around, middleOf } from '@/core/geometry/box';
import { mm } from '@/core/length/length';
import { pageGrid } from '@/core/page/grid';
import { ARROWS } from '@/parts/arrows';
import { onSpread } from '../frames/frameInSight';
import type { Desk } from '../useDesk';

/** What a key means on the desk before it can be a command's: by what the hand is doing. Gives whether it meant anything. */
export const deskKeys =
  (
    desk: Pick<
      Desk,
      | 'hand'
      | 'picking'
      | 'cropping'
      | 'outlining'
      | 'guiding'
      | 'spread'
      | 'view'
      | 'letGo'
      | 'held'
      | 'format'
      | 'actions'
      | 'frameActions'
    >,
  ) =>
  (event: KeyboardEvent): boolean => {
    const take = (work: () => void) => {
      event.preventDefault();
      work();
      return true;
    };
    const pressed = ARROWS[event.key];
    const way = pressed && desk.view.seenWay(pressed);
    const arrow = event.ctrlKey || event.metaKey || event.altKey ? undefined : way;
    switch (desk.hand.now().doing) {
      case 'picking':
        if (arrow) return take(() => desk.picking.walk(arrow[0] + arrow[1] > 0 ? 1 : -1));
        if (event.key === 'Enter') return take(() => void desk.picking.take());
        if (event.key === 'Escape') return take(() => desk.hand.rest());
        return false;
      case 'choosing':
        if (way && !event.altKey && desk.held.length > 0) return take(() => nudge(desk, way, event));
        if (event.key === 'Escape') return take(desk.letGo);
        if (event.key === 'Backspace' && desk.held.length > 0) return take(desk.frameActions.remove);
        return false;
      case 'cropping': {
        const { cropping } = desk;
        const step = event.shiftKey ? 10 : 1;
        if (arrow) return take(() => cropping.nudge(arrow[0] * step, arrow[1] * step));
        if (event.ctrlKey || event.metaKey || event.altKey) return false;
        if (event.key === '+' || event.key === '=') return take(() => cropping.zoom(1.05));
        if (event.key === '-') return take(() => cropping.zoom(1 / 1.05));
        if (event.key === 'Escape' || event.key === 'Enter') return take(cropping.leave);
        return false;
      }
      case 'measuring': {
        const by = event.ctrlKey || event.metaKey ? undefined : way;
        const step = event.shiftKey ? pageGrid(desk.format, desk.spread.pages[0]!.master, desk.spread.pages[0]!.side).step : FINE;
        if (by) return take(() => desk.guiding.nudge(event.altKey ? 'from' : 'to', { x: by[0] * step, y: by[1] * step }));
        if (event.key === 'Escape') return take(() => desk.hand.rest());
        return false;
      }
      case 'outlining': {
        const { outlining } = desk;
        const step = event.shiftKey ? 5 : 0.5;
        if (arrow) return take(() => outlining.nudge(arrow[0] * step, arrow[1] * step));
        if (event.ctrlKey || event.metaKey || event.altKey) return false;
        if (event.key === 'Tab') return take(() => outlining.walk(event.shiftKey ? -1 : 1));
        if (event.key === 'Insert' || event.key === '+') return take(outlining.addBehind);
        if (event.key === 'Delete' || event.key === 'Backspace') return take(outlining.remove);
        if (event.key === 'Escape' || event.key === 'Enter') return take(outlining.leave);
        return false;
      }
      case 'asking':
      case 'listing':
        if (event.key === 'Escape') return take(() => desk.hand.rest());
        return false;
      case 'typing':
        // The text itself has its keys before this: this one was pressed in its strip.
        if (event.key === 'Escape') return take(() => desk.hand.rest());
        return false;
      default:
        // As long as the pointer is held, keys other than Esc mean nothing: what they would mean for is on its way.
        return true;
    }
  };

/** The finest step by which a hand on the keys moves something. */
const FINE = mm(0.1);

/** Lines that a column's worth of a step is downwards. */
const FAR = 10;

/** Moves what is chosen by a tenth of a millimetre; with Shift by a line; with Ctrl by a column, or ten lines. */
function nudge(
  { held, format, actions, spread }: Pick<Desk, 'held' | 'format' | 'actions' | 'spread'>,
  [across, down]: readonly [number, number],
  { shiftKey, ctrlKey, metaKey }: KeyboardEvent,
): void {
  const [first] = held;
  if (!first) return;
  const grid = pageGrid(format, first.page.master, first.page.side);
  const [column] = grid.columns;
  const far = ctrlKey || metaKey;
  const x = far && column ? column.w + grid.gutter : shiftKey ? grid.step : FINE;
  const y = far ? FAR * grid.step : shiftKey ? grid.step : FINE;
  // What has come over the spine for the most part lies on the page there, as it would by a drag.
  const middle = middleOf(around(held.map(onSpread))!).x + across * x;
  const over = held.every(({ page }) => page.page.id === first.page.page.id)
    ? spread.pages.find(({ dx }) => middle >= dx && middle < dx + format.width)
    : undefined;
  actions.move(
    new Map(
      held.map(({ frame, page, box }) => {
        const to = over ?? page;
        const moved = { ...box, x: box.x + across * x + page.dx - to.dx, y: box.y + down * y };
        return [frame.id, { on: to.page.id, box: moved }];
      }),
    ),
  );
}
