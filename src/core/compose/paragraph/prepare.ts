import type { ParagraphProperties } from '../../records/paragraphStyle';
import type { Node } from 'prosemirror-model';
import type { ListAttrs } from '../../records/text';
import { levelsOf } from '../../type/bidi';
import { charactersOf } from './characters';
import { dropCap } from './dropCap';
import { lineEnds } from './lineEnds';
import { fallOf, riseOf } from './look';
import { markerText } from './markers';
import type { Prepared, PreparedCap, StyleRun } from './prepared';
import { ALONE, type Setting, type Situation } from './setting';
import { styleRuns } from './styleRuns';

/** Share of the type size that a list item stands in, per level. */
const LIST_INDENT = 1.25;

/** @throws FaceError when a face it needs has not been loaded into the shaper */
export function prepare(
  paragraph: Node,
  style: ParagraphProperties,
  setting: Setting,
  situation: Situation = ALONE,
  lead?: number,
): Prepared {
  const { looks } = setting;
  const main = looks.of(style);
  const characters = charactersOf(paragraph, style, setting, situation, lead);
  const cap = dropCap(characters, style, main, setting);
  const levels = levelsOf(characters.text);
  const lacking = new Set<string>();
  const runs = styleRuns(characters, style, main, looks, levels, lacking);
  const list = paragraph.attrs['list'] as ListAttrs | undefined;
  const marker = list && markerText(list, style);
  const shapedMarker = marker ? main.shaper.shape(marker) : undefined;
  const face = main.shaper.face;
  return {
    text: characters.text,
    style,
    runs,
    positions: characters.positions,
    scale: main.scale,
    space: looks.words(main, style.hyphens, style.hyphenLimits).space,
    ...lineEnds(characters, runs, style, main, cap?.text.length ?? 0),
    pictures: characters.pictures,
    cap,
    panel: style.panel ? looks.panel(style.panel) : undefined,
    ruleInks:
      style.ruleAbove || style.ruleBelow
        ? [looks.ink(style.ruleAbove ?? style.ruleBelow!), looks.ink(style.ruleBelow ?? style.ruleAbove!)]
        : undefined,
    ascent: face.ascent * main.scale,
    descent: -face.descent * main.scale,
    capHeight: face.capHeight * main.scale,
    marker: shapedMarker && { text: marker!, shaped: shapedMarker, width: shapedMarker.width * main.scale, look: main },
    indent: style.leftIndent + (list ? LIST_INDENT * style.size * (list.level + 1) : 0),
    firstIndent: list || cap ? 0 : style.firstIndent,
    lacks: lacksOf(runs, cap, lacking),
    levels,
    rise: Math.max(...runs.map(({ look }) => riseOf(look))),
    fall: Math.max(...runs.map(({ look }) => fallOf(look))),
    fields: characters.fields,
    withLead:
      style.leadIn?.extent === 'line' && lead === undefined
        ? remembered((to) => prepare(paragraph, style, setting, situation, to))
        : undefined,
  };
}

function remembered(make: (key: number) => Prepared): (key: number) => Prepared {
  const kept = new Map<number, Prepared>();
  return (key) => {
    let own = kept.get(key);
    if (!own) kept.set(key, (own = make(key)));
    return own;
  };
}

function lacksOf(runs: readonly StyleRun[], cap: PreparedCap | undefined, lacking: ReadonlySet<string>): readonly string[] {
  let out: readonly string[] = lacking.size > 0 ? [...lacking] : NOTHING;
  for (const { look } of runs) if (look.lacks.length > 0) out = [...new Set([...out, ...look.lacks])];
  return cap && cap.look.lacks.length > 0 ? [...new Set([...out, ...cap.look.lacks])] : out;
}

const NOTHING: readonly string[] = [];
