'use client';

import { AArrowDown, AArrowUp, Bold, Eraser, Italic, Link, List, ListOrdered } from 'lucide-react';
import { memo, type ReactNode } from 'react';
import { type Formatting, setCharacterStyle, setLetters, setParagraphs } from '@/core/editing/formatting';
import { languageName, LANGUAGES } from '@/core/records/language';
import { formatNumber } from '@/core/length/length';
import type { Command } from '../frame/commands/command';
import { CommandButton } from '../frame/commands/CommandButton';
import { StripTools } from '@/parts/Strip';
import { BREAKS, CASES, ROWS, STARTS } from './textCommands';
import type { StyleLists } from './styleLists';
import type { TextInHand } from './textInHand';
import { type Formatter, useFormatting } from './formatter';
import { FIELD_NAMES } from '@/core/records/bodySchema';
import { FIELD_WORDS } from '@/core/records/fieldWords';
import { SYMBOLS } from './symbols';

interface TextBarProps {
  readonly styles: StyleLists;
  readonly formatter: Formatter;
  /** Those of text, by id. */
  readonly commands: ReadonlyMap<string, Command>;
  readonly inHand: TextInHand;
  /** It is written in: what can be put in is offered too. */
  readonly isWriting: boolean;
  readonly onDone: () => void;
}

/** Formatting at hand: of what is selected, or of all of a chosen text. */
export const TextBar = memo(function TextBar({ inHand, ...shared }: TextBarProps) {
  const now = useFormatting(shared.formatter, inHand);
  return now && <Bar now={now} {...shared} />;
});

/** With most keys nothing of it changes. */
const Bar = memo(function Bar({
  now,
  styles,
  formatter,
  commands,
  isWriting,
  onDone,
}: Omit<TextBarProps, 'inHand'> & { readonly now: Formatting }) {
  const run: Formatter['run'] = (command, label) => formatter.run(command, label);
  const letters = (properties: Parameters<typeof setLetters>[0]) => setLetters(properties, styles.sheet);
  const tool = (id: string, icon: ReactNode, pressed?: string) => (
    <span className={pressed === 'all' ? 'bg-primary text-primary-content' : pressed === 'some' ? 'bg-primary/30' : ''}>
      <CommandButton of={commands.get(id)!} icon={icon} tight />
    </span>
  );
  const { size, tracking, swatch } = now.letters;
  const given = (value: string, list: readonly Option[], mixed = '—'): readonly Option[] =>
    list.some((each) => each.value === value) ? list : [{ value, name: mixed }, ...list];
  return (
    <div
      data-text-tools=""
      // A press leaves the letters where they were.
      onMouseDown={(event) => isWriting && !(event.target instanceof HTMLSelectElement) && event.preventDefault()}
    >
      <StripTools label="Text">
        <Pick
          label="Paragraph style"
          width="w-28"
          value={now.paragraphStyle ?? MIXED}
          of={given(now.paragraphStyle ?? MIXED, styles.paragraph.map(named), 'Several styles')}
          onPick={(style) => run(setParagraphs({ style }), 'Change the paragraph style')}
          onDone={onDone}
        />
        {styles.character.length > 0 && (
          <Pick
            label="Character style"
            width="w-30"
            value={now.characterStyle ?? ''}
            of={[{ value: '', name: 'No character style' }, ...styles.character.map(named)]}
            onPick={(style) => run(setCharacterStyle(style || undefined), 'Change the character style')}
            onDone={onDone}
          />
        )}
        {tool('strong', <Bold size={14} />, now.strong)}
        {tool('emphasis', <Italic size={14} />, now.emphasis)}
        {tool('smaller', <AArrowDown size={15} />)}
        <span className="narrow w-12 text-center" title="Size">
          {size === undefined ? 'mixed' : `${formatNumber(size, 2)} pt`}
        </span>
        {tool('larger', <AArrowUp size={15} />)}
        {tool('closer', <span aria-hidden="true">AV−</span>)}
        <span className="narrow w-7 text-center" title="Tracking">
          {tracking === undefined ? '—' : formatNumber(tracking, 0)}
        </span>
        {tool('wider', <span aria-hidden="true">AV+</span>)}
        <Pick
          label="Colour"
          width="w-18"
          value={swatch ?? MIXED}
          of={given(swatch ?? MIXED, styles.swatch.map(named))}
          onPick={(id) => run(letters({ swatch: id }), 'Change the colour of text')}
          onDone={onDone}
        />
        {tool('bullets', <List size={14} />, now.list === 'bullet' ? 'all' : undefined)}
        {tool('numbers', <ListOrdered size={14} />, now.list === 'number' ? 'all' : undefined)}
        {isWriting && tool('link', <Link size={14} />, now.link === undefined ? undefined : 'all')}
        {isWriting && (
          <Pick
            label="Insert"
            width="w-16"
            value=""
            of={[
              { value: '', name: 'Insert …' },
              { value: 'line-break', name: 'Line break', group: 'Break' },
              ...BREAKS.map(({ startIn, name }) => ({ value: `break-${startIn}`, name, group: 'Break' })),
              ...FIELD_NAMES.map((name) => ({ value: `field-${name}`, name: FIELD_WORDS[name], group: 'Field' })),
              { value: 'table', name: 'Table …', group: 'Table' },
              { value: 'characters', name: 'All characters …', group: 'Symbol' },
              ...SYMBOLS.map(({ sign, name }) => ({
                value: `symbol-${name}`,
                name: sign.trim() && !/\p{Cf}/u.test(sign) ? `${sign}  ${name}` : name,
                group: 'Symbol',
              })),
            ]}
            onPick={(id) => commands.get(id)?.run()}
            onDone={onDone}
          />
        )}
        <Pick
          label="More"
          width="w-16"
          value=""
          of={[
            { value: '', name: 'More …' },
            ...CASES.map((each) => ({ ...each, value: `case-${each.value}`, group: 'Case' })),
            { value: 'superscript', name: 'Superscript', group: 'Position' },
            { value: 'subscript', name: 'Subscript', group: 'Position' },
            { value: 'fractions', name: 'Set fractions', group: 'Position' },
            { value: 'ordinals', name: 'Raise the letters of ordinals', group: 'Position' },
            ...[
              { value: '', name: 'The issue’s language' },
              ...LANGUAGES.map((value) => ({ value, name: languageName(value) })),
            ].map((each) => ({ ...each, value: `language-${each.value}`, group: 'Language' })),
            ...STARTS.map(({ value, name }) => ({ value: `start-${value}`, name, group: 'Paragraph starts' })),
            ...(isWriting ? ROWS.map(({ change, name }) => ({ value: `table-${change}`, name, group: 'Table' })) : []),
            { value: 'to-style', name: 'Change the style to what is here', group: 'Style' },
            { value: 'new-style', name: 'New style from what is here …', group: 'Style' },
          ]}
          onPick={(id) => commands.get(id)?.run()}
          onDone={onDone}
        />
        {tool('clear-local', <Eraser size={14} />, now.local ? 'some' : undefined)}
      </StripTools>
    </div>
  );
});

/** No style is called so: what is selected has several. */
const MIXED = '*';

interface Option {
  readonly value: string;
  readonly name: string;
  /** The heading it stands under. */
  readonly group?: string;
}

const named = ({ id, name }: { readonly id: string; readonly name: string }): Option => ({ value: id, name });

interface PickProps {
  readonly label: string;
  readonly width: string;
  readonly value: string;
  readonly of: readonly Option[];
  readonly onPick: (value: string) => void;
  readonly onDone: () => void;
}

/** One of many, in the strip; the hand goes back to the text when it is chosen. */
function Pick({ label, width, value, of, onPick, onDone }: PickProps) {
  const groups = [...new Set(of.map(({ group }) => group))];
  return (
    <select
      aria-label={label}
      title={label}
      className={`hover:bg-base-200 narrow bg-base-100 h-7 shrink-0 px-1 ${width}`}
      value={value}
      onChange={(event) => {
        onPick(event.target.value);
        onDone();
      }}
    >
      {groups.map((group) => {
        const own = of
          .filter((each) => each.group === group)
          .map((each) => (
            <option key={each.value} value={each.value}>
              {each.name}
            </option>
          ));
        return group === undefined ? (
          own
        ) : (
          <optgroup key={group} label={group}>
            {own}
          </optgroup>
        );
      })}
    </select>
  );
}
