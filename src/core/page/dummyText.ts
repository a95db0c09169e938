import type { SampleText } from './sampleText';

/** Shown while a publication has no story of its own: dummy text, but readable, so that it sets like text. */
export const DUMMY_TEXT: SampleText = {
  headline: 'Wind over the harbour',
  body: [
    'The pen moves all night. It sits in a brass arm under a glass bell on the second floor of the observatory, and it draws on a drum of paper what four copper cups on the roof have to say. When the wind is steady it draws a band, like the edge of a saw seen from a long way off.',
    'Nobody on the bar was astonished. They had been counting the gusts for as long as they could remember, on their fingers, behind their backs, so that the children should not see them do it.',
    'There is a table in the harbour office that says when the ferry goes. It has been right on eleven days this year. The harbour master, who wrote it, points out that the table has never been late; it is the ferry that has, and the ferry is not his.',
    'In spring the nets are carried up to the green and laid out to be mended. Two people to a net, one at each end, and they talk while they work, so that by the time they meet in the middle most things have been said.',
    'A roof here is a conversation with the west. It is built low on that side and held down with stones the size of loaves; where a stone is missing, the wind has been heard to ask for another. Carpenters from the mainland put the stones on afterwards. Ours begin with them.',
    'The market opens at seven, which is to say that at seven the first of the stalls is put up and the second is looked for. By nine there is bread. By ten there are opinions about the bread, and by noon both have gone stale enough to be given to the gulls.',
    'Letters for the outer island go on Thursdays, weather permitting, and the weather has views of its own about Thursdays. It is usual to write the date at the foot of a letter rather than at its head, once it has been answered.',
    'What the lighthouse keeper misses is the noise. The lamp used to turn in a bath of quicksilver with a sound like somebody thinking; since it was changed she sleeps badly, and has taken up the accordion.',
  ],
};
