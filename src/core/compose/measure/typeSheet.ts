import { docOf, markOf, paragraphOf, plainBody, plainParagraphs, textOf } from '../../records/body';
import { all, type Document, documentOf, find } from '../../records/document';
import type { DocumentRecord, ParagraphStyleRecord } from '../../records/index';
import type { ParagraphProperties } from '../../records/paragraphStyle';
import { PLAIN, styleSheet } from '../../type/styles';
import type { Composer } from '../composer';
import type { SampleText } from '../../page/sampleText';
import type { Line, TextItem } from '../displayList/displayList';
import { said } from '../../records/said';
import { bareSurface, framed, measuresOf } from './surface';
import { wordsThatFit } from './slotWords';
import { type Comparison, unevennessOf, wordSpaces } from './wordSpaces';

/** A style shown in text that is composed with it, and what can be measured of it. */
export interface Specimen {
  readonly style: string;
  readonly kind: 'paragraphStyle' | 'characterStyle';
  readonly name: string;
  readonly basedOn: string | undefined;
  readonly properties: ParagraphProperties;
  readonly item: TextItem;
  /** Points the text was set on. */
  readonly measure: number;
  readonly lines: number;
  readonly charactersPerLine: number;
  /** Mean absolute deviation of word spaces from the face's own, as a share of it; undefined for ragged text. */
  readonly unevenness: number | undefined;
  readonly hyphens: number;
  /** What it asks of its face and does not get. */
  readonly lacks: readonly string[];
}

/** Larger type is shown in a headline's words, over the whole type area. */
const DISPLAY_SIZE = 13;

/** Paragraphs that running text is shown in. */
const RUNNING = 3;

/**
 * The styles of a house in text of the right kind: paragraph styles, then character styles.
 *
 * @param most only so many of them, from the first
 * @throws FaceError
 */
export function specimens(house: Document, composer: Composer, sample: SampleText, most = Infinity): Specimen[] {
  const sheet = styleSheet(house).paragraph;
  const measures = measuresOf(house);
  const paragraphs = all(house, 'paragraphStyle').slice(0, most);
  const styles = paragraphs.map((record) => {
    const properties = sheet.get(record.id) ?? PLAIN;
    const display = properties.size > DISPLAY_SIZE;
    return { record, properties, display, measure: display ? measures.area : measures.body };
  });
  const records = styles.flatMap(({ record, properties, display, measure }) => {
    // Running text shows its grey in a few paragraphs; a label or caption is known by one.
    const words = display ? [sample.headline] : sample.body.slice(0, properties.align === 'justify' ? RUNNING : 1);
    return specimenRecords(record, words, measure);
  });
  // A character style is shown on some words of running text.
  const running = (find(house, 'paragraphStyle', 'body') ?? all(house, 'paragraphStyle')[0])!;
  const left = Math.max(0, most - paragraphs.length);
  const characters = all(house, 'characterStyle')
    .slice(0, left)
    .map((record) => ({
      record,
      properties: { ...PLAIN, ...sheet.get(running.id), ...said(record.properties) },
      display: false,
      measure: measures.body,
    }));
  for (const { record } of characters) records.push(...markedRecords(record.id, running.id, sample.body[0] ?? '', measures.body));
  const composed = composer.compose(documentOf([...bareSurface(house), ...records]));
  const items = new Map(composed.pages[0]!.items.flatMap((item) => (item.type === 'text' ? [[item.frame, item] as const] : [])));
  return [...styles, ...characters].map(({ record, properties, measure }): Specimen => {
    const item = items.get(`frame-${record.id}`)!;
    const lines = item.columns.flatMap((column) => column.lines);
    const full = lines.filter((line) => !line.lastOfParagraph);
    const counts = (full.length > 0 ? full : lines).map(charactersOf);
    return {
      style: record.id,
      kind: record.kind,
      name: record.name,
      basedOn: record.basedOn && find(house, record.kind, record.basedOn)?.name,
      properties,
      item,
      measure,
      lines: lines.length,
      charactersPerLine: counts.reduce((sum, each) => sum + each, 0) / Math.max(1, counts.length),
      unevenness: properties.align === 'justify' ? unevennessOf(wordSpaces(lines)) : undefined,
      hyphens: lines.filter((line) => line.hyphenated).length,
      lacks: composed.fits.get(`text-${record.id}`)?.lacks ?? [],
    };
  });
}

/** The same text in a house's style by total fit and by first fit. */
export function compareBreaking(house: Document, composer: Composer, style: string, body: readonly string[]): Comparison {
  const record = find(house, 'paragraphStyle', style)!;
  const { body: measure } = measuresOf(house);
  const set = (breaking: ParagraphProperties['breaking']): number[] => {
    const own = { ...record, properties: { ...record.properties, breaking } };
    const doc = documentOf([...bareSurface(house), own, ...specimenRecords(own, body, measure)]);
    const { pages } = composer.compose(doc);
    const item = pages[0]!.items.find((each): each is TextItem => each.type === 'text')!;
    return wordSpaces(item.columns.flatMap((column) => column.lines));
  };
  return { totalFit: set('total-fit'), firstFit: set('first-fit') };
}

/** Words of the house's body that fit one page of its first master. */
export function wordsPerPage(house: Document, composer: Composer, style: string, body: readonly string[]): number {
  const properties = styleSheet(house).paragraph.get(style) ?? PLAIN;
  const paragraphs = plainParagraphs(style, ...body);
  const { body: measure, lines } = measuresOf(house);
  return wordsThatFit(
    paragraphs.map((node) => composer.prepared(house, node, properties)),
    measure,
    lines,
  );
}

const charactersOf = (line: Line): number => line.runs.reduce((sum, run) => sum + run.text.length + 1, -1);

/** Words of a paragraph that a character style is shown on. */
const MARKED = 6;

function markedRecords(style: string, paragraph: string, words: string, measure: number): DocumentRecord[] {
  const list = words.split(' ').slice(0, 3 * MARKED);
  const body = docOf([
    paragraphOf({ style: paragraph }, [
      textOf(list.slice(0, MARKED).join(' '), [markOf('character', { style })]),
      textOf(` ${list.slice(MARKED).join(' ')}`),
    ]),
  ]);
  return framed(style, body, measure);
}

const specimenRecords = (record: ParagraphStyleRecord, words: readonly string[], measure: number): DocumentRecord[] =>
  framed(record.id, plainBody(record.id, ...words), measure);
