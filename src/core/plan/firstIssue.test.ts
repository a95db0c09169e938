import { describe, expect, it } from 'vitest';
import { baseRecords, document, pictureFrame, pictureRecord, textFrame, textRecord } from '../../../tests/support/documents';
import { plainBody } from '../records/body';
import type { DocumentRecord } from '../records/index';
import { FIRST_STEPS, stepsDone } from './firstIssue';

const NOTHING = { grave: undefined, delivered: false };
const BOX = { x: 60, y: 60, w: 100, h: 100 };

const story = (words: string): DocumentRecord[] => [
  textRecord('h', plainBody('headline', 'Wind'), { role: 'headline', story: 's' }),
  textRecord('b', plainBody('body', words), { story: 's' }),
  { id: 's', kind: 'story', name: 'Wind', section: '', order: 'a0', tint: 0, parts: { headline: 'h', body: 'b' } },
];

/** What is there after each step, upon what was there before. */
const AFTER: Readonly<Record<string, readonly DocumentRecord[]>> = {
  copy: story('Wind over the wall.'),
  placed: [textFrame('f1', 'b', 'p1', BOX)],
  goesOn: [textFrame('f2', 'b', 'p2', BOX, { order: 'a1' })],
  picture: [
    pictureRecord('pic'),
    { ...pictureFrame('pf', 'pic', 'p1', BOX), content: { type: 'picture', picture: 'pic', fit: 'fill' } },
  ],
  caption: [
    textRecord('c', plainBody('caption', 'A wall'), { role: 'caption', picture: 'pic' }),
    textFrame('cf', 'c', 'p1', BOX),
  ],
  quote: [textRecord('q', plainBody('pullQuote', 'Wind'), { role: 'quote', story: 's' }), textFrame('qf', 'q', 'p1', BOX)],
};

describe('the steps to a first issue', () => {
  it('are none of an empty issue, whatever Checks says of it', () => {
    expect([...stepsDone(document(...baseRecords()), { grave: false, delivered: false })]).toEqual([]);
    const empty = document(...baseRecords(), ...story(' '));
    expect([...stepsDone(empty, NOTHING)]).toEqual([]);
  });

  it('are each ticked by what they leave behind, and stay so while others are done', () => {
    const records = [...baseRecords(3)];
    const done: string[] = [];
    for (const [step, more] of Object.entries(AFTER)) {
      records.push(...more);
      done.push(step);
      expect([...stepsDone(document(...records), NOTHING)].sort()).toEqual([...done].sort());
    }
    const whole = document(...records);
    expect(stepsDone(whole, { grave: true, delivered: false }).has('checks')).toBe(false);
    expect([...stepsDone(whole, { grave: false, delivered: true })].sort()).toEqual([...FIRST_STEPS].sort());
  });

  it('may be done in any order: a picture before there is a story', () => {
    const pictured = document(...baseRecords(), ...AFTER['picture']!);
    expect([...stepsDone(pictured, NOTHING)]).toEqual(['picture']);
  });

  it('are not done by what lies on a page that is not there', () => {
    const records = [...baseRecords(2), ...AFTER['copy']!, textFrame('f1', 'b', 'elsewhere', BOX)];
    expect([...stepsDone(document(...records), NOTHING)]).toEqual(['copy']);
  });
});
