import type { Node } from 'prosemirror-model';

/**
 * What is made of a body or a paragraph, once for each: what nobody changed stays the same object, so that looking over an issue
 * again costs what has changed in it.
 */
export function remembered<T>(make: (node: Node) => T): (node: Node) => T {
  const known = new WeakMap<Node, { readonly made: T }>();
  return (node) => {
    let own = known.get(node);
    if (!own) known.set(node, (own = { made: make(node) }));
    return own.made;
  };
}
