import { ORNAMENTS, type PanelContent, type RuleContent } from '../../frame';
import { maybe, oneOf, SIZE } from '../../kind';
import type { FrameKind } from './kind';

/** An area of colour under what it serves. */
export const PANEL_FRAME: FrameKind<PanelContent> = {
  fields: {},
  named: () => 'Panel',
  copied: (content) => content,
  isGround: true,
};

const LINE_END = oneOf('arrow', 'dot', 'bar');

/** A line of ink, as long as its box is wide. */
export const RULE_FRAME: FrameKind<RuleContent> = {
  fields: {
    weight: SIZE,
    line: maybe(oneOf('dashed', 'dotted', 'double', 'wavy', ...ORNAMENTS)),
    start: maybe(LINE_END),
    end: maybe(LINE_END),
  },
  named: () => 'Rule',
  copied: (content) => content,
  isThin: true,
};
