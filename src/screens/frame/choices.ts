import { cmykToRgbHex } from '@/core/colour/cmyk';
import { all, type Document } from '@/core/records/document';
import { languageName, LANGUAGES } from '@/core/records/language';
import { FAMILIES, weightsOf } from '@/core/type/catalogue';
import type { Choices } from '@/parts/fields/values';

/** What a document has of each thing that a property can name. */
export function choicesIn(document: Document): Choices {
  return (of, { family, language }) => {
    switch (of) {
      case 'family':
        return FAMILIES.map((name) => ({ value: name, name }));
      case 'weight':
        return weightsOf(String(family)).map((weight) => ({ value: weight, name: String(weight) }));
      case 'language': {
        // Another may have come in with a file.
        const own = typeof language === 'string' && language !== '' ? [language] : [];
        return [...new Set([...LANGUAGES, ...own])].map((tag) => ({ value: tag, name: languageName(tag) }));
      }
      case 'swatch':
        return all(document, of).map(({ id, name, cmyk }) => ({ value: id, name, colour: cmykToRgbHex(cmyk) }));
      case 'characterStyle':
        return all(document, of).map(({ id, name }) => ({ value: id, name }));
      case 'outline':
        // They are the frame's own.
        return [];
    }
  };
}
