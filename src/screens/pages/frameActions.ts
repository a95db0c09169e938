import type { Repeat } from '@/core/actions/copies';
import { layoutOf } from '@/core/actions/frames';
import type { Appearance } from '@/core/actions/appearance';
import type { TextLayout } from '@/core/records/frame';
import { pageGrid } from '@/core/page/grid';
import type { Wrap } from '@/core/records/frame';
import type { FormatRecord } from '@/core/records/index';
import type { FrameInSight } from './Overlay';
import type { useDeskActions } from './useDeskActions';

/** What one does with a chosen frame. */
export interface FrameActions {
  readonly wrap: (wrap: Partial<Wrap>) => void;
  readonly fit: (fit: 'fill' | 'fit') => void;
  readonly layout: (layout: Partial<TextLayout>) => void;
  readonly look: (changes: Partial<Appearance>) => void;
  readonly group: () => void;
  readonly ungroup: () => void;
  readonly groupWrap: (wrap: Partial<Wrap>) => void;
  readonly quote: () => void;
  readonly goOn: () => void;
  readonly stack: (where: 'front' | 'back') => void;
  readonly remove: () => void;
  readonly nameSlots: (set: string, name: string) => void;
  readonly repeat: (intent: Repeat) => void;
  readonly rejoin: () => void;
}

interface Chosen {
  readonly format: FormatRecord;
  readonly actions: ReturnType<typeof useDeskActions>;
  /** The one frame that is chosen, where it is one; the group that is chosen whole; all that is. */
  readonly only: FrameInSight | undefined;
  readonly group: string | undefined;
  readonly chosen: readonly string[];
  readonly onQuote: () => void;
  readonly onGoOn: () => void;
  readonly onRemoved: () => void;
}

/** What can be done with what is chosen, for the bar, the detail and the keys. */
export function frameActionsOn({ format, actions, only, group, chosen, onQuote, onGoOn, onRemoved }: Chosen): FrameActions {
  const id = only?.frame.id;
  return {
    wrap: (wrap) => id && actions.wrap(id, wrap),
    fit: (how) => id && actions.fit(id, how),
    layout: (layout) => {
      const before = only && layoutOf(only.frame.content);
      if (!only || !before) return;
      // The first division takes the house's gutter.
      const apart = layout.columns !== undefined && before.gutter === 0;
      const gutter = apart ? { gutter: pageGrid(format, only.page.master, only.page.side).gutter } : {};
      actions.layout(only.frame.id, { ...gutter, ...layout });
    },
    look: (changes) => id && actions.look(id, changes),
    group: () => actions.group(chosen),
    ungroup: () => group && actions.ungroup(group),
    groupWrap: (wrap) => group && actions.groupWrap(group, wrap),
    quote: onQuote,
    goOn: onGoOn,
    stack: (where) => id && actions.stack(id, where),
    nameSlots: actions.nameSlots,
    repeat: (intent) => id && actions.repeat(id, intent),
    rejoin: () => {
      if (id) actions.rejoin([id]);
      onRemoved();
    },
    remove: () => {
      actions.remove(chosen);
      onRemoved();
    },
  };
}
