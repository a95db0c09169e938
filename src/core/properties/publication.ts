import type { Property } from './property';

const words = (label: string, help: string): Property => ({
  label,
  help,
  kind: { type: 'words', most: 2000, lines: 2, none: true },
  wide: true,
});

/** Facts of a publication that are said once and shown by fields anywhere. */
export const FACTS = {
  strapline: words('Strapline', 'One line under the nameplate'),
  publisher: words('Publisher', 'The publisher’s name'),
  address: words('Address', 'Address for letters'),
  contact: words('Contact', 'Telephone, e-mail, web'),
  price: words('Price', 'For one copy, with its currency'),
  staff: words('Staff', 'Editor, layout, pictures'),
};
