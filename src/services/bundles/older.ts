/** What a version of a bundle wrote otherwise than the one after it: how its documents are written now. */
const CHANGES: readonly { readonly before: number; readonly written: (document: unknown) => unknown }[] = [
  // A gradient ran by way of one colour at most.
  { before: 3, written: (document) => replaced(document, 'through', (value) => (isPlain(value) ? [value] : value)) },
];

/** A document of a bundle of an older version as bundles are written now; whether it is right is seen afterwards. */
export const broughtUp = (document: unknown, version: number): unknown =>
  CHANGES.filter(({ before }) => version < before).reduce((now, { written }) => written(now), document);

const isPlain = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Values of gradients, wherever they stand: nothing else has that key. */
function replaced(value: unknown, key: string, change: (value: unknown) => unknown): unknown {
  if (Array.isArray(value)) return value.map((each) => replaced(each, key, change));
  if (!isPlain(value)) return value;
  return Object.fromEntries(
    Object.entries(value).map(([own, each]) => [own, own === key ? change(each) : replaced(each, key, change)]),
  );
}
