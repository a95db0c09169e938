import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import ts from 'typescript';

/** Words of the interface, and the file that says them. */
export interface Said {
  readonly file: string;
  readonly words: string;
}

/** Attributes whose values nobody reads. */
const UNREAD =
  /^(className|id|role|type|key|d|viewBox|href|src|fill|stroke|style|transform|points|name|value|variant|slot|aria-(live|orientation|haspopup|current|describedby|controls)|data-.*)$/;

/** A sentence or a label, and nothing of a program's own: letters, figures and the signs of prose. */
const PROSE = /^[\p{L}\p{M}\d\s.,:;!?“”‘’'()–—·…%&°×+-]+$/u;

/** One word is a label where it is written like one; several are, where they begin like a sentence or are long enough to be part of one. */
const readsLikeWords = (words: string): boolean =>
  PROSE.test(words) &&
  (words.includes(' ') ? /^[A-Z“]\p{Ll}|^[A-Z] |^\S+ \S+ \S/u.test(words) : /^[A-Z][\p{Ll}’-]+$/u.test(words)) &&
  !NO_WORDS.test(words);

/** Formats of days, classes, SQL, paths of a drawing. */
const NO_WORDS =
  /var\(|MMM|yyyy|(^|\s)(flex|grid|border|btn|text-|bg-|px-|py-|absolute|relative|narrow|opacity-|inset|rounded|hover:|font-)|^(select|insert|update|delete|create|alter|with|listen|notify|order by|where|from|input,) |^M x /u;

/** Everything in the interface's code that reads like words for people: what begins with a capital, or has a space in it. */
export function sentencesOf(folders: readonly string[]): Said[] {
  const files = execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard', ...folders], { encoding: 'utf8' })
    .split('\n')
    .filter((file) => /\.tsx?$/.test(file) && !/\.test\.tsx?$/.test(file));
  return files.flatMap((file) => wordsIn(file, readFileSync(file, 'utf8')));
}

function wordsIn(file: string, source: string): Said[] {
  const tree = ts.createSourceFile(
    file,
    source,
    ts.ScriptTarget.Latest,
    true,
    file.endsWith('x') ? ts.ScriptKind.TSX : undefined,
  );
  const out: Said[] = [];
  const say = (text: string) => {
    const words = text.replace(/\s+/g, ' ').trim();
    if (readsLikeWords(words)) out.push({ file, words });
  };
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node) || ts.isTypeNode(node)) return;
    if (ts.isJsxAttribute(node) && UNREAD.test(node.name.getText())) return;
    if (ts.isJsxText(node)) say(node.text);
    else if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) say(node.text);
    else if (ts.isTemplateExpression(node))
      say([node.head.text, ...node.templateSpans.map(({ literal }) => literal.text)].join(' x '));
    ts.forEachChild(node, visit);
  };
  visit(tree);
  return out;
}
