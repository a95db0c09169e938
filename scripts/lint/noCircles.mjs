import { existsSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import ts from 'typescript';

/** A lint rule: no file knows itself by way of others, not even by their types. */

const root = process.cwd();

/** What each file that was looked at imports, by path. @type {Map<string, string[]>} */
const known = new Map();

/** The file of ours that an import names; undefined for a package. */
function fileOf(from, name) {
  const bases = name.startsWith('.')
    ? [join(dirname(from), name)]
    : name.startsWith('@/')
      ? [join(root, 'src', name.slice(2)), join(root, name.slice(2))]
      : [];
  for (const base of bases)
    for (const file of [`${base}.ts`, `${base}.tsx`, join(base, 'index.ts'), base])
      if (/\.tsx?$/.test(file) && existsSync(file)) return file;
  return undefined;
}

function importsOf(file) {
  let own = known.get(file);
  if (!own) {
    const { importedFiles } = ts.preProcessFile(readFileSync(file, 'utf8'), true, true);
    own = importedFiles.flatMap(({ fileName }) => fileOf(file, fileName) ?? []);
    known.set(file, own);
  }
  return own;
}

/** The shortest way from one file to another by what they import; undefined where there is none. */
function way(from, to) {
  const before = new Map([[from, undefined]]);
  for (const file of before.keys()) {
    if (file === to) {
      const out = [];
      for (let at = to; at !== undefined; at = before.get(at)) out.unshift(relative(root, at));
      return out;
    }
    for (const next of importsOf(file)) if (!before.has(next)) before.set(next, file);
  }
  return undefined;
}

export const noCircles = {
  meta: { type: 'problem', messages: { circle: 'A circle: {{way}}.' }, schema: [] },
  create(context) {
    const check = (node) => {
      const to = node.source && fileOf(context.filename, String(node.source.value));
      const circle = to && way(to, context.filename);
      if (circle)
        context.report({ node, messageId: 'circle', data: { way: [relative(root, context.filename), ...circle].join(' → ') } });
    };
    return { ImportDeclaration: check, ExportNamedDeclaration: check, ExportAllDeclaration: check };
  },
};
