import type { HeldPicture, WireItem } from './ninjs';

/** A piece of news as a list shows it. */
export type NewsLine = Omit<WireItem, 'body' | 'pictures'> & {
  /** How many pictures come with it. */
  readonly pictures: number;
  /** When this version of it was first seen, ISO 8601. */
  readonly arrivedAt: string;
};

/** A picture that an agency holds, as it is shown before it is taken. */
export type HeldLine = Omit<HeldPicture, 'original' | 'thumbnail'>;

/** A wire that a publication subscribes to, with what it has sent, the newest first. */
export interface WireLines {
  readonly id: string;
  readonly name: string;
  readonly address: string;
  /** Why it did not answer when it was last asked; empty where it did. */
  readonly trouble: string;
  readonly news: readonly NewsLine[];
}

/** What a publication has of wires, and the one that ships with the application where it runs and is not subscribed to. */
export interface Wires {
  readonly wires: readonly WireLines[];
  readonly offered: { readonly name: string; readonly address: string } | null;
}
