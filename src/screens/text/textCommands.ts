import {
  clearLocal,
  setCharacterStyle,
  setLetters,
  setParagraphs,
  stepSize,
  stepTracking,
  toggle,
  toggleList,
} from '@/core/editing/formatting';
import { raiseOrdinals, setFractions } from '@/core/editing/fractions';
import { changeRows, type RowChange, rowTrouble } from '@/core/editing/tableRows';
import { partParagraph, typeField, typeLineBreak, typeWords, type TextCommand } from '@/core/editing/typing';
import { FIELD_NAMES } from '@/core/records/bodySchema';
import type { CharacterProperties } from '@/core/records/characterStyle';
import { FIELD_WORDS } from '@/core/records/fieldWords';
import { languageName, LANGUAGES } from '@/core/records/language';
import type { StartIn } from '@/core/records/paragraphStyle';
import { type Command, command } from '../frame/commands/command';
import { SYMBOLS } from './symbols';
import type { StyleLists } from './styleLists';
import type { TextInHand } from './textInHand';
import type { Formatter } from './formatter';

/** Where a paragraph can be begun by a break. */
export const BREAKS: readonly { readonly startIn: StartIn; readonly name: string }[] = [
  { startIn: 'column', name: 'Column break' },
  { startIn: 'frame', name: 'Frame break' },
  { startIn: 'page', name: 'Page break' },
];

export const CASES: readonly { readonly value: CharacterProperties['letterCase']; readonly name: string }[] = [
  { value: 'typed', name: 'Case as typed' },
  { value: 'upper', name: 'Capitals' },
  { value: 'lower', name: 'Lower case' },
  { value: 'smallCapitals', name: 'Small capitals' },
  { value: 'allSmallCapitals', name: 'All small capitals' },
];

/** Where a paragraph starts, whatever its style says. */
export const STARTS: readonly { readonly value: StartIn | ''; readonly name: string }[] = [
  { value: '', name: 'here' },
  { value: 'column', name: 'in the next column' },
  { value: 'frame', name: 'in the next frame' },
  { value: 'page', name: 'on the next page' },
  { value: 'oddPage', name: 'on the next odd page' },
];

/** What is done to the rows and columns of the table that the caret is in. */
export const ROWS: readonly { readonly change: RowChange; readonly name: string }[] = [
  { change: 'rowAbove', name: 'Add a row above' },
  { change: 'rowBelow', name: 'Add a row below' },
  { change: 'columnLeft', name: 'Add a column to the left' },
  { change: 'columnRight', name: 'Add a column to the right' },
  { change: 'noRow', name: 'Remove the row' },
  { change: 'noColumn', name: 'Remove the column' },
];

/** Thousandths of an em that a press sets letters wider or closer by. */
const TRACKING = 5;

/** What can be done with what is selected of a text; of all of it, where its frame is chosen. */
export function textCommands(
  styles: StyleLists,
  inHand: TextInHand,
  formatter: Formatter,
  /** Why nothing can be formatted now. */
  none: string | undefined,
  isWriting: boolean,
  dialogs: {
    readonly link: () => void;
    readonly newStyle: () => void;
    readonly characters: () => void;
    readonly table: () => void;
  },
): Command[] {
  const writing = isWriting ? undefined : 'Go into a text first';
  const sheet = () => formatter.sheet();
  const format = (id: string, name: string, keys: string | undefined, make: () => TextCommand, label = name) =>
    command(id, name, keys, none, () => formatter.run(make(), label));
  const put = (id: string, name: string, what: TextCommand) =>
    command(id, name, undefined, writing, () => inHand.run(what, `Insert: ${name}`));
  return [
    format('strong', 'Strong', 'Ctrl+B', () => toggle('strong')),
    format('emphasis', 'Emphasis', 'Ctrl+I', () => toggle('emphasis')),
    format('superscript', 'Superscript', undefined, () => toggle('superscript')),
    format('subscript', 'Subscript', undefined, () => toggle('subscript')),
    format('larger', 'Type a step larger', 'Alt+=', () => stepSize(1, sheet()), 'Change the size'),
    format('smaller', 'Type a step smaller', 'Alt+-', () => stepSize(-1, sheet()), 'Change the size'),
    format('wider', 'Letters further apart', 'Alt+]', () => stepTracking(TRACKING, sheet()), 'Change the tracking'),
    format('closer', 'Letters closer together', 'Alt+[', () => stepTracking(-TRACKING, sheet()), 'Change the tracking'),
    ...CASES.map(({ value, name }) => format(`case-${value}`, name, undefined, () => setLetters({ letterCase: value }, sheet()))),
    ...['', ...LANGUAGES].map((language) =>
      format(
        `language-${language}`,
        `Language: ${language ? languageName(language) : 'the issue’s'}`,
        undefined,
        () => setLetters({ language }, sheet()),
        'Change the language',
      ),
    ),
    format('fractions', 'Set fractions', undefined, () => setFractions),
    format('ordinals', 'Raise the letters of ordinals', undefined, () => raiseOrdinals),
    format('bullets', 'List with bullets', undefined, () => toggleList('bullet')),
    format('numbers', 'List with numbers', undefined, () => toggleList('number')),
    ...STARTS.map(({ value, name }) =>
      format(
        `start-${value}`,
        `Start ${name}`,
        undefined,
        () => setParagraphs({ startIn: value || undefined }),
        'Change where a paragraph starts',
      ),
    ),
    command('link', 'Link …', 'Alt+L', none || writing, dialogs.link),
    command('clear-local', 'Clear local formatting', 'Alt+0', none, () => formatter.run(clearLocal, 'Clear local formatting')),
    command('to-style', 'Change the style to what is here', undefined, none, () => formatter.toStyle()),
    command('new-style', 'New style from what is here …', undefined, none, dialogs.newStyle),
    ...styles.paragraph.map(({ id, name }) =>
      format(`style-${id}`, `Style: ${name}`, undefined, () => setParagraphs({ style: id }), 'Change the paragraph style'),
    ),
    ...styles.character.map(({ id, name }) =>
      format(`letters-${id}`, `Character style: ${name}`, undefined, () => setCharacterStyle(id), 'Change the character style'),
    ),
    format('letters-none', 'Character style: none', undefined, () => setCharacterStyle(undefined), 'Change the character style'),
    command('table', 'Table …', 'Alt+T', writing, dialogs.table),
    ...ROWS.map(({ change, name }) =>
      command(`table-${change}`, name, undefined, writing, () => {
        const now = inHand.now();
        const trouble = now && rowTrouble(now.state, change);
        if (trouble) formatter.say(trouble, 'wrong');
        else inHand.run(changeRows(change), name);
      }),
    ),
    put('line-break', 'Line break', typeLineBreak),
    ...BREAKS.map(({ startIn, name }) => put(`break-${startIn}`, name, partParagraph(inHand.following, startIn))),
    ...FIELD_NAMES.map((name) => put(`field-${name}`, `Field: ${FIELD_WORDS[name]}`, typeField(name))),
    command('characters', 'Characters of the face …', undefined, writing, dialogs.characters),
    ...SYMBOLS.map(({ sign, name }) => put(`symbol-${name}`, `Symbol: ${name}`, typeWords(sign))),
  ];
}
