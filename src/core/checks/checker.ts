import type { Composed } from '../compose/composer';
import type { PageList } from '../compose/displayList/displayList';
import { type PlacedPage, formatOf, placedPages } from '../page/pages';
import type { PictureFiles } from '../pictures/states';
import type { Measured } from '../print/measured';
import { spoken } from '../records/language';
import { all, type Document, find } from '../records/document';
import type { DocumentRecord, RecordKind, TextRecord } from '../records/index';
import { profileOf } from '../print/profile';
import type { Face } from '../type/face';
import { type StyleSheet, styleSheet } from '../type/styles';
import type { Finding, Found, Place } from './finding';
import { lineBox, linesOn } from './lines';
import type { IssueView, PageView, Rule, TextView } from './rule';
import { RULES } from './rules/index';

/** What checks need to know beside the document and what was composed of it. */
export interface CheckSources {
  readonly face: (id: string) => Face;
  readonly files: PictureFiles;
  /** What the pixels of a page say; undefined while nobody has measured them. */
  readonly measured: (list: PageList) => Measured | undefined;
}

interface Told {
  readonly rule: Rule;
  readonly found: Found;
}

/** What a page was checked with; its findings hold as long as all of it is the same. */
interface CheckedPage {
  readonly by: PageInput;
  /** Every record that a rule asked for, as it was; undefined for one that was not there. */
  readonly read: ReadonlyMap<string, DocumentRecord | undefined>;
  readonly told: readonly Told[];
}

/** What a page is looked at with, but for the records that rules ask for. */
type PageInput = Omit<PageView, 'find' | 'face'>;

/**
 * Checks documents, one state after another, by all rules. What a rule says of a page or a text is kept as long as all that it
 * looked at is the same; what concerns the issue as a whole is looked at each time.
 */
export class Checker {
  readonly #rules: readonly Rule[];
  #pages = new Map<string, CheckedPage>();
  #texts = new Map<string, { readonly text: TextRecord; readonly language: string; readonly told: readonly Told[] }>();
  #styles: readonly (readonly DocumentRecord[])[] = [];
  #sheet: StyleSheet = { paragraph: new Map(), character: new Map() };
  /** Pages that were checked anew the last time. */
  pagesChecked = 0;

  constructor(rules: readonly Rule[] = RULES) {
    this.#rules = rules;
  }

  /** All findings: those of the issue as a whole, then page by page. */
  check(document: Document, composed: Composed, sources: CheckSources): Finding[] {
    return this.checkUntil(document, composed, sources, () => false)!;
  }

  /**
   * The same as far as there is time: undefined where it ran out before all pages were checked. Those that were are kept, so that
   * whoever asks again has fewer left.
   */
  checkUntil(document: Document, composed: Composed, sources: CheckSources, isOver: () => boolean): Finding[] | undefined {
    const sheet = this.#sheetOf(document);
    const limits = profileOf(document);
    const language = spoken(find(document, 'issue', 'issue')?.language);
    const told: Told[] = [];
    const pages = placedPages(document);
    this.pagesChecked = 0;
    const now = new Map<string, CheckedPage>();
    for (const [i, list] of composed.pages.entries()) {
      const page = pages[i];
      if (!page) continue;
      const input: PageInput = {
        list,
        folio: page.folio,
        side: page.side,
        beside: besideOf(pages, i)?.page.id,
        format: formatOf(document),
        limits,
        sheet,
        files: sources.files,
        language,
        measured: sources.measured(list),
      };
      const kept = this.#pages.get(list.page);
      const isKept = kept && holds(kept, input, document);
      if (!isKept && this.pagesChecked > 0 && isOver()) {
        for (const [id, each] of this.#pages) if (!now.has(id)) now.set(id, each);
        this.#pages = now;
        return undefined;
      }
      const checked = isKept ? kept : this.#checkPage(input, document, sources.face);
      now.set(list.page, checked);
      told.push(...checked.told);
    }
    this.#pages = now;
    told.push(...this.#ofTexts(document, language, composed.pages));
    const view: IssueView = { document, limits, sheet, language, fits: composed.fits, pages: composed.pages };
    for (const rule of this.#rules) if (rule.issue) told.push(...tried(rule, {}, () => rule.issue!(view)));
    return this.#findings(document, pages, told);
  }

  #sheetOf(document: Document): StyleSheet {
    const styles = [all(document, 'paragraphStyle'), all(document, 'characterStyle')];
    const alike = styles.every((list, i) => {
      const before = this.#styles[i];
      return before?.length === list.length && list.every((style, k) => style === before[k]);
    });
    if (!alike) this.#sheet = styleSheet(document);
    this.#styles = styles;
    return this.#sheet;
  }

  #checkPage(by: PageInput, document: Document, face: (id: string) => Face): CheckedPage {
    this.pagesChecked++;
    const read = new Map<string, DocumentRecord | undefined>();
    const view: PageView = {
      ...by,
      face,
      find: <K extends RecordKind>(kind: K, id: string | undefined) => {
        if (id === undefined) return undefined;
        read.set(id, document.records.get(id));
        return find(document, kind, id);
      },
    };
    const told = this.#rules.flatMap((rule) => (rule.page ? tried(rule, { page: by.list.page }, () => rule.page!(view)) : []));
    return { by, read, told };
  }

  #ofTexts(document: Document, language: string, pages: readonly PageList[]): Told[] {
    const now = new Map<string, { text: TextRecord; language: string; told: readonly Told[] }>();
    for (const text of all(document, 'text')) {
      const kept = this.#texts.get(text.id);
      if (kept?.text === text && kept.language === language) {
        now.set(text.id, kept);
        continue;
      }
      const view: TextView = { text, language };
      const told = this.#rules.flatMap((rule) => (rule.text ? tried(rule, { text: text.id }, () => rule.text!(view)) : []));
      now.set(text.id, { text, language, told });
    }
    this.#texts = now;
    const told = [...now.values()].flatMap((own) => own.told);
    if (told.length === 0) return told;
    const shown = whereShown(pages);
    return told.map(({ rule, found }) => ({ rule, found: { ...found, at: placeShown(document, shown, found.at) } }));
  }

  /** What was told, named, in order, with what was accepted of it; what a master shows is told once. */
  #findings(document: Document, pages: readonly PlacedPage[], told: readonly Told[]): Finding[] {
    const numbers = new Map(pages.map(({ page, number }) => [page.id, number]));
    const order = new Map(this.#rules.map((rule, i) => [rule, i]));
    const reasons = new Map(all(document, 'acceptance').map(({ finding, words, reason }) => [`${finding} ${words}`, reason]));
    const seen = new Map<string, number>();
    const placed = told
      .map(({ rule, found }) => ({ rule, found, number: numbers.get(found.at.page ?? '') ?? 0 }))
      .sort((a, b) => a.number - b.number || order.get(a.rule)! - order.get(b.rule)!);
    const fromMasters = new Set<string>();
    return placed.flatMap(({ rule, found }): Finding[] => {
      const about = aboutOf(rule, found.at);
      const on = find(document, 'frame', found.at.frame)?.on;
      if (on !== undefined && find(document, 'master', on)) {
        if (fromMasters.has(`${about} ${found.words}`)) return [];
        fromMasters.add(`${about} ${found.words}`);
      }
      const n = (seen.get(about) ?? 0) + 1;
      seen.set(about, n);
      return [
        {
          ...found,
          key: n > 1 ? `${about}#${n}` : about,
          about,
          rule: rule.name,
          title: rule.title,
          mends: found.mends ?? [],
          accepted: reasons.get(`${about} ${found.words}`),
        },
      ];
    });
  }
}

/** What a finding is about: its rule, and the record at its place. */
const aboutOf = ({ name }: Rule, at: Place): string => `${name}/${recordAt(at) ?? ''}`;

/** The record that stands for a place: what is accepted there goes with it. */
export const recordAt = (at: Place): string | undefined =>
  at.frame ?? at.text ?? at.picture ?? at.story ?? at.swatch ?? at.advertisement ?? at.page;

/** A rule that goes wrong is a finding itself: the others are made all the same. */
function tried(rule: Rule, at: Place, make: () => readonly Found[]): Told[] {
  try {
    return make().map((found) => ({ rule, found }));
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    const found: Found = {
      grave: 'fault',
      at,
      words: `The check “${rule.title}” could not be made: ${why}`,
      effect: 'What it looks for is not known.',
    };
    return [{ rule, found }];
  }
}

function holds({ by, read }: CheckedPage, input: PageInput, document: Document): boolean {
  for (const key of Object.keys(input) as (keyof PageInput)[]) if (by[key] !== input[key]) return false;
  for (const [id, record] of read) if (document.records.get(id) !== record) return false;
  return true;
}

/** The page that a page lies beside in its spread. */
function besideOf(pages: readonly PlacedPage[], i: number): PlacedPage | undefined {
  const { spread, side } = pages[i]!;
  const beside = side === 'left' ? pages[i + 1] : pages[i - 1];
  return beside?.spread === spread ? beside : undefined;
}

type Shown = ReadonlyMap<string, readonly { readonly page: string; readonly items: PageList['items'] }[]>;

/** The pages that show each text. */
function whereShown(pages: readonly PageList[]): Shown {
  const out = new Map<string, { page: string; items: PageList['items'][number][] }[]>();
  for (const { page, items } of pages)
    for (const item of items) {
      if (item.type !== 'text') continue;
      const own = out.get(item.text) ?? [];
      const last = own.at(-1);
      if (last?.page === page) last.items.push(item);
      else own.push({ page, items: [item] });
      out.set(item.text, own);
    }
  return out;
}

/** A place in a text with the page and the frame that show it. */
function placeShown(document: Document, shown: Shown, at: Place): Place {
  for (const { page, items } of shown.get(at.text ?? '') ?? []) {
    for (const on of linesOn({ list: { items, furniture: 0 }, find: (kind, id) => find(document, kind, id) })) {
      if (on.paragraph !== (at.paragraph ?? 0)) continue;
      const from = at.from ?? 0;
      if (from > on.to || (from === on.to && !on.line.lastOfParagraph)) continue;
      return { ...at, page, frame: on.item.frame, box: lineBox(on) };
    }
  }
  return at;
}
