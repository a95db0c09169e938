'use client';

import { screenSource } from '@/core/pictures/screen';
import { X } from 'lucide-react';
import type { DeskStore } from '@/client/deskStore';
import type { Misspelt } from '@/core/spelling/reading';
import { storyParts, storyPictures, writerOf } from '@/core/plan/storyParts';
import { all, type Document } from '@/core/records/document';
import type { StoryRecord } from '@/core/records/index';
import type { TextRole } from '@/core/records/text';
import { COPY_WAYS, type CopyWay } from '@/formats/copy/out/ways';
import { WordsField } from '@/parts/WordsField';
import type { Command } from '../frame/commands/command';
import type { Say } from '../frame/useNotices';
import type { TextInHand } from '../text/textInHand';
import { PartField } from './PartField';
import type { CopyActions } from './useCopyActions';

interface StoryEditorProps {
  readonly issue: string;
  readonly store: DeskStore;
  readonly document: Document;
  readonly story: StoryRecord;
  readonly inHand: TextInHand;
  readonly actions: CopyActions;
  readonly misspelt: readonly Misspelt[];
  readonly commands: readonly Command[];
  readonly say: Say;
  readonly onTurn: (how: 'undo' | 'redo') => void;
  readonly onClose: () => void;
}

const LOOKS: Partial<Record<TextRole, string>> = {
  headline: 'text-[1.65rem] leading-tight font-semibold',
  standfirst: 'italic text-lg leading-snug',
};

/** A story in a quiet column, part by part. */
export function StoryEditor({
  issue,
  store,
  document,
  story,
  inHand,
  actions,
  misspelt,
  commands,
  say,
  onTurn,
  onClose,
}: StoryEditorProps) {
  const parts = storyParts(document, story);
  const pictures = storyPictures(document, story);
  const lacking = (['standfirst', 'byline'] as const).filter((role) => !story.parts[role]);
  return (
    <section aria-label={`Editor of ${story.name}`} className="min-w-0 flex-1 overflow-auto bg-base-100 text-base-content">
      <div className="mx-auto max-w-[38rem] px-8 pt-4 pb-24">
        <div className="flex items-center gap-2 pb-3">
          {lacking.map((role) => (
            <button key={role} type="button" className="btn btn-xs" onClick={() => actions.addPart(story.id, role)}>
              Add a {role}
            </button>
          ))}
          <span className="ml-auto" />
          <CopyOut issue={issue} story={story} />
          <button type="button" className="opacity-70 hover:opacity-100" aria-label="Close the story" onClick={onClose}>
            <X size={16} />
          </button>
        </div>
        {parts.map(({ text, called }) => (
          <div key={text.id} className="pb-4">
            <p className="chapter pb-0.5" aria-hidden="true">
              {called}
            </p>
            <PartField
              store={store}
              inHand={inHand}
              text={text.id}
              misspelt={misspelt}
              name={`${called} of ${story.name}`}
              className={LOOKS[text.role] ?? 'text-[1.06rem] leading-relaxed'}
              commands={commands}
              say={say}
              onTurn={onTurn}
            />
          </div>
        ))}
        {pictures.length > 0 && (
          <section aria-label="Pictures" className="pb-4">
            <h3 className="chapter pb-1">Pictures</h3>
            <ul>
              {pictures.map((picture) => (
                <li key={picture.id} className="flex gap-3 border-t border-base-300 py-2">
                  <img src={screenSource(picture, 200)} alt="" className="h-16 w-20 shrink-0 bg-base-200 object-contain" />
                  <div className="min-w-0 flex-1">
                    {all(document, 'text').some((text) => text.role === 'caption' && text.picture === picture.id) ? (
                      <p className="text-2xs opacity-75">Its caption is on the page; it is written above.</p>
                    ) : (
                      <WordsField
                        label={`Caption of ${picture.name}`}
                        value={picture.caption}
                        most={2000}
                        onChange={(caption) => actions.picture(picture.id, { caption })}
                      />
                    )}
                    <WordsField
                      label={`Credit of ${picture.name}`}
                      value={picture.credit}
                      onChange={(credit) => actions.picture(picture.id, { credit })}
                    />
                  </div>
                </li>
              ))}
            </ul>
          </section>
        )}
        <div className="flex gap-4 border-t border-base-300 pt-3">
          <WordsField label="Slug" value={story.name} onChange={(name) => actions.story(story.id, { name })} />
          <WordsField
            label="Writer"
            value={writerOf(document, story)}
            onChange={(writer) => actions.story(story.id, { writer: writer.trim() || undefined })}
          />
        </div>
        <WordsField
          label="Notes to the desk"
          help="They never print."
          value={story.notes ?? ''}
          most={10_000}
          lines={3}
          onChange={(notes) => actions.story(story.id, { notes: notes.trim() || undefined })}
        />
      </div>
    </section>
  );
}

const WAY_WORDS: Readonly<Record<CopyWay, string>> = {
  docx: 'Word processor (DOCX)',
  odt: 'OpenDocument (ODT)',
  md: 'Markdown',
  html: 'Web page (HTML)',
  txt: 'Plain text',
};

/** The story as a file. */
function CopyOut({ issue, story }: { issue: string; story: StoryRecord }) {
  return (
    <select
      aria-label="Copy out as"
      className="field narrow"
      style={{ width: '9rem', color: 'inherit', background: 'transparent' }}
      value=""
      onChange={(event) => {
        const link = window.document.createElement('a');
        link.href = `/api/documents/${issue}/stories/${story.id}?as=${event.target.value}`;
        link.download = '';
        link.click();
      }}
    >
      <option value="">Copy out as …</option>
      {COPY_WAYS.map((way) => (
        <option key={way} value={way}>
          {WAY_WORDS[way]}
        </option>
      ))}
    </select>
  );
}
