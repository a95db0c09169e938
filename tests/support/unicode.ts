/** Scripts and people that names of characters speak of: written with a capital. */
const CAPITALS =
  /\b(latin|greek|cyrillic|roman|arabic|hebrew|coptic|ohm|kelvin|angstrom|celsius|fahrenheit|euro-currency|hungarian)\b/g;

/** What Unicode calls characters, in plain words, from UnicodeData.txt: those that are letters, signs or spaces. */
export function characterNames(data: string): Map<number, string> {
  const out = new Map<number, string>();
  for (const line of data.split('\n')) {
    const [code, name] = line.split(';');
    if (!code || !name || name.startsWith('<')) continue;
    out.set(
      parseInt(code, 16),
      name.toLowerCase().replace(CAPITALS, (word) => word.charAt(0).toUpperCase() + word.slice(1)),
    );
  }
  return out;
}

/** The blocks of Unicode, from Blocks.txt. */
export const characterBlocks = (data: string): { from: number; to: number; name: string }[] =>
  [...data.matchAll(/^([0-9A-F]+)\.\.([0-9A-F]+); (.+)$/gm)].map((match) => ({
    from: parseInt(match[1]!, 16),
    to: parseInt(match[2]!, 16),
    name: match[3]!,
  }));
