'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { ask, got } from '@/client/ask';
import type { DeskStore } from '@/client/deskStore';
import { SpellingClient } from '@/client/spellingClient';
import type { Misspelt } from '@/core/spelling/reading';

/** A word that is written as it is, whatever a dictionary says. */
export interface OwnWord {
  readonly word: string;
  readonly like: string;
  readonly issueOnly: boolean;
}

/** The spelling of a document, as far as it has been read. */
export interface Spelling {
  readonly misspelt: readonly Misspelt[];
  readonly own: readonly OwnWord[];
  /** Why it cannot be read. */
  readonly trouble: string | undefined;
  suggestions(of: Misspelt): Promise<string[]>;
  /** @throws Error with a sentence where it cannot be kept */
  keep(word: OwnWord): Promise<void>;
  forget(word: string): Promise<void>;
}

const NONE: readonly Misspelt[] = [];
const NO_WORDS: readonly OwnWord[] = [];

/** Milliseconds after which what was changed is read. */
const REST = 250;

/** Reads the spelling of a document while it is on: first all of it, then what changes. */
export function useSpelling(id: string, store: DeskStore, isOn: boolean): Spelling {
  const [misspelt, setMisspelt] = useState(NONE);
  const [own, setOwn] = useState(NO_WORDS);
  const [trouble, setTrouble] = useState<string>();
  const client = useRef<SpellingClient | undefined>(undefined);
  const words = `/api/documents/${id}/words`;
  useEffect(() => {
    if (!isOn) return undefined;
    const leaving = new AbortController();
    got<OwnWord[]>(words, leaving.signal).then(setOwn, (error: Error) => !leaving.signal.aborted && setTrouble(error.message));
    return () => leaving.abort();
  }, [words, isOn]);
  useEffect(() => {
    if (!isOn) return undefined;
    const reader = new SpellingClient();
    client.current = reader;
    return () => {
      client.current = undefined;
      reader.close();
      setMisspelt(NONE);
    };
  }, [isOn]);
  useEffect(() => {
    if (!isOn) return undefined;
    let waiting: ReturnType<typeof setTimeout> | undefined;
    const read = async () => {
      try {
        const found = await client.current?.read(store.document, own);
        if (found) setMisspelt(found);
        setTrouble(undefined);
      } catch (error) {
        setTrouble((error as Error).message);
      }
    };
    const later = () => {
      clearTimeout(waiting);
      waiting = setTimeout(() => void read(), REST);
    };
    void read();
    const stop = store.onDiff(later);
    return () => {
      stop();
      clearTimeout(waiting);
    };
  }, [store, own, isOn]);
  return useMemo(
    () => ({
      misspelt,
      own,
      trouble,
      suggestions: async ({ word, language }) => (await client.current?.suggestions({ word, language })) ?? [],
      keep: async (word) => setOwn(await ask<OwnWord[]>(words, word)),
      forget: async (word) => setOwn(await ask<OwnWord[]>(words, { word, forget: true })),
    }),
    [misspelt, own, trouble, words],
  );
}
