import Papa from 'papaparse';

/** The cells of words that were pasted: of a spreadsheet, with tabs between them, or with commas or semicolons. */
export function readCells(words: string): string[][] {
  const { data } = Papa.parse<string[]>(words.replace(/\r\n?/g, '\n').replace(/\n$/, ''), {
    delimiter: words.includes('\t') ? '\t' : '',
    delimitersToGuess: [',', ';', '|'],
    skipEmptyLines: 'greedy',
  });
  return data.map((row) => row.map((cell) => cell.trim().replace(/\s+/g, ' ')));
}

/** Whether words are cells rather than one: several lines of them, or a tab between two. */
export const areCells = (words: string): boolean => words.includes('\t') || /\n./.test(words.trim());
