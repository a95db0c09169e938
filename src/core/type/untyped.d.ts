declare module 'hyphen' {
  const createHyphenator: (
    patterns: unknown,
    options?: { hyphenChar?: string; minWordLength?: number; async?: boolean },
  ) => (text: string) => string | Promise<string>;
  export default createHyphenator;
}
declare module 'hyphen/patterns/*' {
  const patterns: unknown;
  export default patterns;
}
declare module 'linebreak' {
  export default class LineBreaker {
    constructor(text: string);
    nextBreak(): { position: number; required: boolean } | null;
  }
}
