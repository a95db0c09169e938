import { expect, it } from 'vitest';
import { startingHouse } from '../plan/startingHouse';
import { palettePairs } from './pairs';

it('tells what can be read on what: black on white is 21 to 1 (WCAG 2.2, the definition of contrast ratio), and so on', () => {
  const white = [0, 0, 0, 0] as const;
  const black = [1, 1, 1, 1] as const;
  const pairs = palettePairs({ colours: { ink: black, paper: white, accent1: black, accent2: white, tint: white } });
  const of = (letters: string, ground: string) => pairs.find((pair) => pair.letters === letters && pair.ground === ground)!;
  expect(of('ink', 'paper').ratio).toBeGreaterThan(15);
  expect(of('ink', 'paper').reads).toBe('all');
  expect(of('accent2', 'paper')).toMatchObject({ ratio: 1, reads: 'none' });
  expect(of('ink', 'accent1')).toMatchObject({ ratio: 1, reads: 'none' });
});

it('every palette that a house begins with has ink that is read on its paper and on its tint', () => {
  for (const kind of ['magazine', 'newsletter', 'newspaper'] as const)
    for (const record of startingHouse(kind, 'en-GB'))
      if (record.kind === 'palette')
        for (const { letters, ground, reads } of palettePairs(record))
          if (letters === 'ink' && (ground === 'paper' || ground === 'tint'))
            expect(reads, `${kind}, ${record.name}`).toBe('all');
});
