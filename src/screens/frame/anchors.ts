/** Where a publication stands on the shelf, as a link's end. */
export const anchorOf = (publication: string): string => `shelf-${encodeURIComponent(publication)}`;
