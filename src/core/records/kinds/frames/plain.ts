import type { PanelContent, RuleContent } from '../../frame';
import { SIZE } from '../../kind';
import type { FrameKind } from './kind';

/** An area of colour under what it serves. */
export const PANEL_FRAME: FrameKind<PanelContent> = {
  fields: {},
  named: () => 'Panel',
  copied: (content) => content,
  isGround: true,
};

/** A line of ink, as long as its box is wide. */
export const RULE_FRAME: FrameKind<RuleContent> = {
  fields: { weight: SIZE },
  named: () => 'Rule',
  copied: (content) => content,
  isThin: true,
};
