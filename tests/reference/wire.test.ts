import Ajv from 'ajv/dist/2020';
import { describe, expect, it } from 'vitest';
import { readFeed } from '@/formats/wire/ninjs';
import { WIRED } from '../../standIns/wire/items';
import { Wire } from '../../standIns/wire/wire';
import schema from './ninjs-1.3.schema.json';

/** The simulated news wire against IPTC’s ninjs 1.3: its schema as remembered, its rules as JSON Schema has them. */

const feed = async (wire: Wire) => (await wire.answer('GET', '/feed'))!.body as string;

describe('the news wire that ships', () => {
  const validate = new Ajv({ strict: false, validateFormats: false }).compile(schema);

  it('sends what the schema allows, and the reader loses nothing of it', async () => {
    const text = await feed(new Wire());
    const json = JSON.parse(text) as { associations: Record<string, { uri: string; headline: string }> };
    expect(validate(json), JSON.stringify(validate.errors)).toBe(true);
    const read = readFeed('Wire', new TextEncoder().encode(text));
    expect(read.map(({ uri, headline }) => [uri, headline])).toEqual(
      Object.values(json.associations).map(({ uri, headline }) => [uri, headline]),
    );
    expect(read.length).toBe(WIRED.filter(({ ago }) => ago !== undefined).length);
  });

  it('is a schema that refuses what is not ninjs', () => {
    for (const other of [{}, { uri: 7 }, { uri: 'urn:x', pubstatus: 'perhaps' }, { uri: 'urn:x', associations: { 'a-b': {} } }])
      expect(validate(other)).toBe(false);
  });

  it('sends out what it holds when it is asked to, a correction in the place of what it corrects', async () => {
    const wire = new Wire();
    const uris = async () => readFeed('Wire', new TextEncoder().encode(await feed(wire)));
    const before = await uris();
    await wire.answer('POST', '/next');
    expect((await uris()).length).toBe(before.length + 1);
    await wire.answer('POST', '/next');
    const after = await uris();
    expect(after.length).toBe(before.length + 1);
    expect(after.find(({ uri }) => uri.endsWith('second-ferry'))!.version).toBe('2');
  });
});
