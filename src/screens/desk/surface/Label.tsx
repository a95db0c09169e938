import type { SVGProps } from 'react';

interface LabelProps extends SVGProps<SVGTextElement> {
  /** The upper left corner, pixels of the desk. */
  readonly x: number;
  readonly y: number;
  readonly words: string;
}

/** Pixels that a letter takes at most, about the words, and how high they stand. */
const LETTER = 6;
const AROUND = 4;
const HIGH = 16;

/** How wide a label with some words is. */
export const labelWidth = (words: string): number => LETTER * words.length + 2 * AROUND;

/** A few words beside what the hand does, light on dark. */
export function Label({ x, y, words, ...rest }: LabelProps) {
  return (
    <>
      <rect x={x} y={y} width={labelWidth(words)} height={HIGH} fill="var(--hold)" opacity={0.92} />
      <text x={x + AROUND} y={y + HIGH - 4} fill="#fff" fontSize={11} {...rest}>
        {words}
      </text>
    </>
  );
}
