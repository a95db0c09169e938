'use client';

import type { EditorState } from 'prosemirror-state';
import { useDeferredValue, useEffect, useState } from 'react';
import { Header } from 'react-aria-components/Header';
import { ListBox, ListBoxItem, ListBoxSection } from 'react-aria-components/ListBox';
import { typeWords } from '@/core/editing/typing';
import type { ComposerClient } from '@/client/composerClient';
import { formattingOf, setLetters } from '@/core/editing/formatting';
import type { LetterForm } from '@/core/type/letterForms';
import { chooseFace, FAMILIES } from '@/core/type/catalogue';
import { type CharacterBlock, characterOf, charactersOf, codeWords, type FaceCharacter, meant } from '@/core/type/characters';
import { Dialog } from '@/parts/Dialog';
import type { Formatter } from './formatter';

/** Characters that are kept as lately used, and where. */
const MOST_RECENT = 24;
const RECENT_KEY = 'restless-kite.characters';

function recent(): number[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(RECENT_KEY) ?? '[]');
    return Array.isArray(kept)
      ? kept.filter((code): code is number => Number.isInteger(code) && code > 0 && code < 0x110000)
      : [];
  } catch {
    return [];
  }
}

function remember(code: number): void {
  try {
    const kept = [code, ...recent().filter((each) => each !== code)].slice(0, MOST_RECENT);
    localStorage.setItem(RECENT_KEY, JSON.stringify(kept));
  } catch {
    // A browser that keeps nothing has nothing lately used.
  }
}

interface CharactersDialogProps {
  readonly formatter: Formatter;
  readonly composer: ComposerClient;
  readonly onClose: () => void;
}

/** Letters whose other forms are shown, at most. */
const MOST_SHOWN = 12;

/** Every character of the face in hand, by name, by block and by late use: a press puts it into the text. */
export function CharactersDialog({ formatter, composer, onClose }: CharactersDialogProps) {
  const [typed, setTyped] = useState('');
  const [looked, setLooked] = useState<FaceCharacter>();
  const selected = formatter.selected();
  const now = selected && formattingOf(selected.state, formatter.sheet());
  const asked = now?.letters.family ?? FAMILIES[0]!;
  const family = FAMILIES.includes(asked) ? asked : FAMILIES[0]!;
  const face = chooseFace(family, 400, false)!.face.id;
  const ownFace = chooseFace(family, now?.letters.weight ?? 400, now?.letters.italic ?? false)?.face.id ?? face;
  const letters = selected && !selected.state.selection.empty ? selectedWords(selected.state) : '';
  const [forms, setForms] = useState<readonly LetterForm[]>([]);
  useEffect(() => {
    let isWanted = true;
    if (letters !== '') void composer.letterForms(ownFace, letters).then((found) => isWanted && setForms(found));
    return () => void (isWanted = false);
  }, [composer, ownFace, letters]);
  /** Takes a form for what is selected, or the usual one again. */
  const take = (tag: string, isOn: boolean) => {
    const before = now?.letters.features ?? [];
    const features = isOn ? before.filter((each) => each !== tag) : [...before, tag];
    formatter.run(setLetters({ features }, formatter.sheet()), 'Take another form of letters');
    onClose();
  };
  const [lately] = useState(recent);
  const whole = charactersOf(family);
  const has = new Set(whole.flatMap(({ characters }) => characters.map(({ code }) => code)));
  const own = lately.filter((code) => has.has(code)).map(characterOf);
  const blocks: readonly CharacterBlock[] = own.length > 0 ? [{ name: 'Recently used', characters: own }, ...whole] : whole;
  const shown = useDeferredValue(meant(blocks, typed));
  const put = (character: FaceCharacter) => {
    remember(character.code);
    formatter.run(typeWords(character.sign), `Insert: ${character.name}`);
    onClose();
  };
  return (
    <Dialog title="Characters" size="wide" onClose={onClose}>
      <div className="flex h-[calc(100vh-12rem)] flex-col p-5">
        <div className="flex items-end gap-4 pb-3">
          <h2 className="text-lg font-semibold">Characters of {family}</h2>
          <label className="flex-1">
            <span className="text-2xs block opacity-75">Name, number or the character itself</span>
            <input
              className="field"
              value={typed}
              placeholder="arrow right"
              onChange={(event) => setTyped(event.target.value)}
              onKeyDown={(event) => {
                const first = shown[0]?.characters[0];
                if (event.key === 'Enter' && first) put(first);
              }}
            />
          </label>
        </div>
        {letters !== '' && forms.length > 0 && (
          <section aria-label={`Other forms of “${letters}”`} className="pb-3">
            <h3 className="chapter pb-1">Other forms of “{letters}”</h3>
            <ul className="flex flex-wrap gap-1.5">
              {forms.map(({ tag, name }) => {
                const isOn = now?.letters.features?.includes(tag) === true;
                return (
                  <li key={tag}>
                    <button
                      type="button"
                      aria-pressed={isOn}
                      aria-label={`${name}${isOn ? ', taken' : ''}`}
                      title={`${name} (${tag})`}
                      className={`flex min-w-16 flex-col items-center border px-2 py-1 ${isOn ? 'border-primary' : 'border-base-300 hover:bg-base-content/5'}`}
                      onClick={() => take(tag, isOn)}
                    >
                      <span
                        className="text-2xl leading-8"
                        style={{ fontFamily: `"${ownFace}"`, fontFeatureSettings: `"${tag}"` }}
                      >
                        {letters}
                      </span>
                      <span className="text-2xs narrow opacity-75">{name}</span>
                    </button>
                  </li>
                );
              })}
            </ul>
          </section>
        )}
        {shown.length === 0 && <p className="flex-1 opacity-75">{family} has no such character.</p>}
        <ListBox
          aria-label={`Characters of ${family}`}
          layout="grid"
          className={`min-h-0 flex-1 overflow-auto p-0.5 outline-none ${shown.length === 0 ? 'hidden' : ''}`}
          onAction={(key) => put(characterOf(Number(String(key).split(' ').at(-1))))}
        >
          {shown.map((block) => (
            <ListBoxSection key={block.name} className="grid grid-cols-[repeat(auto-fill,2.5rem)] pb-4">
              <Header className="chapter col-span-full pb-1">{block.name}</Header>
              {block.characters.map((character) => (
                <ListBoxItem
                  key={character.code}
                  id={`${block.name} ${character.code}`}
                  textValue={character.name}
                  aria-label={character.name}
                  className={({ isFocusVisible }) =>
                    `hover:bg-base-content/10 flex h-10 cursor-pointer items-center justify-center text-xl ${isFocusVisible ? 'focus-seen' : 'outline-none'}`
                  }
                  style={{ fontFamily: `"${face}"` }}
                  onHoverStart={() => setLooked(character)}
                  onFocus={() => setLooked(character)}
                >
                  <Sign character={character} />
                </ListBoxItem>
              ))}
            </ListBoxSection>
          ))}
        </ListBox>
        <p className="border-base-300 narrow min-h-8 border-t pt-2">
          {looked ? `${codeWords(looked.code)} ${looked.name}` : 'Choose a character to put it into the text.'}
        </p>
      </div>
    </Dialog>
  );
}

/** The letters that are selected, as many as can be shown. */
const selectedWords = ({ doc, selection: { from, to } }: EditorState): string =>
  [...doc.textBetween(from, to, ' ').trim()].slice(0, MOST_SHOWN).join('');

/** A character as it is seen; what is not seen by itself has its number, and what stands over another a ring to stand on. */
function Sign({ character: { sign, code } }: { character: FaceCharacter }) {
  if (/^\p{M}$/u.test(sign)) return <>{`\u25CC${sign}`}</>;
  if (/^[\p{Z}\p{C}]$/u.test(sign))
    return (
      <span className="text-2xs border-base-300 narrow border border-dashed px-0.5 font-sans">
        {code.toString(16).toUpperCase()}
      </span>
    );
  return <>{sign}</>;
}
