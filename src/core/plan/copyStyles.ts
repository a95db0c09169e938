/** Ids of the house's paragraph styles that copy is given when it comes in, and is known by when it goes out. */
export const COPY_STYLES = {
  first: 'bodyFirst',
  body: 'body',
  heading: 'crosshead',
  list: 'list',
  quotation: 'quotation',
  table: 'tableText',
  tableHead: 'tableHead',
} as const;
