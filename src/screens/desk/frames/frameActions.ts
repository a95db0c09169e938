import type { Repeat } from '@/core/actions/copies';
import { pageGrid } from '@/core/page/grid';
import type { Wrap } from '@/core/records/frame';
import type { Diff } from '@/core/records/diff';
import type { FormatRecord } from '@/core/records/index';
import type { Arrangement, Terms } from './arrangements';
import type { FrameInSight } from './frameInSight';
import type { Facet, FacetChange, useDeskActions } from './useDeskActions';
import { layoutOf } from '@/core/records/kinds/frames';

/** What one does with a chosen frame. */
export interface FrameActions {
  /** Sets properties of all that is chosen. @throws ActionError when they cannot be so */
  readonly set: <F extends Facet>(facet: F, change: FacetChange[F]) => void;
  /** The same from a key or a button: where it cannot be done, it is said in a notice. */
  readonly put: <F extends Facet>(facet: F, change: FacetChange[F]) => void;
  /** Shows what properties would do; undefined ends it. */
  readonly preview: <F extends Facet>(facet: F, change: FacetChange[F] | undefined) => void;
  /** Lays the chosen frames on one line, sets them apart, sizes or swaps them. */
  readonly arrange: (of: Arrangement, terms: Terms) => void;
  /** Shows what that would do; undefined ends it. */
  readonly previewArrangement: (of: Arrangement | undefined, terms: Terms) => void;
  readonly group: () => void;
  readonly ungroup: () => void;
  readonly groupWrap: (wrap: Partial<Wrap>) => void;
  readonly stack: (where: 'front' | 'back') => void;
  readonly remove: () => void;
  readonly duplicate: () => void;
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
  readonly onRemoved: () => void;
  readonly first: FrameInSight | undefined;
  /** Chooses what a change added. */
  readonly onAdded: (diff: Diff | undefined) => void;
}

/** What can be done with what is chosen, for the bar, the detail and the keys. */
export function frameActionsOn({ format, actions, only, group, chosen, first, onAdded, onRemoved }: Chosen): FrameActions {
  const id = only?.frame.id;
  /** The first division into columns takes the house's gutter. */
  const withGutter = <C extends object>(change: C): C => {
    const before = only && layoutOf(only.frame.content);
    if (!only || !before || before.gutter > 0 || !('columns' in change)) return change;
    return { gutter: pageGrid(format, only.page.master, only.page.side).gutter, ...change };
  };
  return {
    set: (facet, change) => actions.set(facet, chosen, withGutter(change)),
    put: (facet, change) => actions.put(facet, chosen, withGutter(change)),
    preview: (facet, change) => actions.preview(facet, chosen, change && withGutter(change)),
    arrange: (of, terms) => actions.arrange(of, chosen, terms),
    previewArrangement: (of, terms) => actions.previewArrangement(of, chosen, terms),
    group: () => actions.group(chosen),
    ungroup: () => group && actions.ungroup(group),
    groupWrap: (wrap) => group && actions.groupWrap(group, wrap),
    stack: (where) => id && actions.stack(id, where),
    nameSlots: actions.nameSlots,
    repeat: (intent) => id && actions.repeat(id, intent),
    rejoin: () => {
      if (id) actions.rejoin([id]);
      onRemoved();
    },
    duplicate: () => {
      const page = first?.page;
      const gap = page ? pageGrid(format, page.master, page.side).gutter : 12;
      onAdded(actions.duplicate(chosen, gap));
    },
    remove: () => {
      actions.remove(chosen);
      onRemoved();
    },
  };
}
