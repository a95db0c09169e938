/** A piece of news on the wire: its words, and when it went out. */
export interface Wired {
  readonly id: string;
  readonly version: string;
  /** Minutes before the wire was started; what has none is held until it is sent out by hand. */
  readonly ago: number | undefined;
  readonly urgency: number;
  readonly subject: string;
  readonly slug: string;
  readonly headline: string;
  readonly summary: string;
  readonly byline: string;
  readonly html: string;
  readonly note?: string;
  readonly usage?: string;
  readonly status?: 'withheld' | 'canceled';
  readonly pictures?: readonly string[];
}

const paragraphs = (...all: readonly string[]): string => all.map((each) => `<p>${each}</p>`).join('');

const FERRY = paragraphs(
  'The harbour board has bought a second ferry for the Ternhaven crossing, and hopes to have her at work before the spring tides. She is called <em>Linnet</em>, is thirty-one metres long, and comes from the Sound of Arrach, where she has carried sheep and schoolchildren for nineteen years.',
  '“She is no beauty,” said Wenna Strake, who is in charge of the landing. “But she turns in her own length, and that is what our basin asks for.”',
  'The board paid 412,000 for her, a third of it from the fund for the outer islands. Two of her four crew come with her.',
);

/** What the wire has to tell: the news of the coast that Ternhaven lies on. */
export const WIRED: readonly Wired[] = [
  {
    id: 'second-ferry',
    version: '1',
    ago: 26,
    urgency: 3,
    subject: 'Harbour',
    slug: 'ferry-linnet',
    headline: 'A second ferry for the Ternhaven crossing',
    summary: 'The Linnet turns in her own length, and that is what the basin asks for.',
    byline: 'By Perran Oake',
    html: `${FERRY}<h2>What changes</h2>${paragraphs('The timetable stays as it is on weekdays. On Saturdays there will be a boat every fifty minutes, and the last one leaves the mainland at a quarter past ten instead of twenty to nine.')}<ul><li>First boat on Saturdays: 6.40</li><li>Boats a day: 18 instead of 11</li><li>Bicycles: free, as before</li></ul>`,
    note: 'Pictures of the Linnet at her trial. A table of the new times follows on Thursday.',
    usage: 'Free to subscribers. Pictures with this story only.',
    pictures: ['ferry.jpg', 'landing.jpg'],
  },
  {
    id: 'gale-warning',
    version: '2',
    ago: 9,
    urgency: 1,
    subject: 'Weather',
    slug: 'gale-thursday',
    headline: 'Gale expected from Thursday noon',
    summary: 'Force nine by the evening, easterly, with a high tide at twenty past eight.',
    byline: '',
    html: paragraphs(
      'A gale from the east will reach the coast at about noon on Thursday, the observatory on Hollin Head says. By the evening it will blow at force nine, with gusts of 46 knots and more on open ground.',
      'High water at Ternhaven is at 8.20 in the evening, and it will be half a metre higher than the tables say. The harbour board asks that nothing be left on the lower quay, and that moorings be doubled by eleven in the morning.',
      'Schools on the islands close at midday. The ferry will decide at ten.',
    ),
    pictures: ['gale.jpg'],
  },
  {
    id: 'herring',
    version: '1',
    ago: 64,
    urgency: 5,
    subject: 'Fisheries',
    slug: 'herring-early',
    headline: 'The herring are three weeks early',
    summary: 'Boats from four harbours had full nets on the first night.',
    byline: 'By Sefa Brill',
    html: paragraphs(
      'The herring have come to the banks off Hollin Head three weeks before their time. On Monday night boats from four harbours went out, and all of them were back before two in the morning with as much as they could carry.',
      'Nobody is sure why. The water is a degree and a half warmer than it was a year ago, and Ida Corrow of the marine station thinks that the small shrimp they live on have simply risen earlier. “They do not read the calendar,” she said.',
      'On the quay a box of twenty kilos sold for 31 on Tuesday. A week before, when there were none, it would have been 58.',
    ),
  },
  {
    id: 'sailcloth',
    version: '1',
    ago: 131,
    urgency: 6,
    subject: 'Trade',
    slug: 'sailcloth-mill',
    headline: 'Sailcloth mill takes on eleven',
    summary: 'Orders for light cloth have doubled since the summer.',
    byline: 'By Perran Oake',
    html: paragraphs(
      'The mill at Carrow Bridge will take on eleven people in the new year, the first since it was bought by those who work there. Orders for light cloth, the sort that kites and small sails are made of, have doubled since the summer.',
      'Four of the places are for apprentices. They will learn on the narrow looms, which are older than anybody who minds them, and which Bettany Rowe, the foreman, will not hear a word against. “A wide loom makes more,” she said. “A narrow one makes it right.”',
    ),
    usage: 'Free to subscribers.',
  },
  {
    id: 'choir',
    version: '1',
    ago: 188,
    urgency: 8,
    subject: 'Arts',
    slug: 'choirs-advent',
    headline: 'Five choirs, one church, one evening',
    summary: 'St Brannoc’s has room for three hundred. Twice as many want to sing.',
    byline: 'By Lark Tennow',
    html: paragraphs(
      'On the second Sunday in Advent five choirs of the coast will sing together in St Brannoc’s, which has room for three hundred people. The choirs alone have two hundred and eighty.',
      'So the doors will stand open, the programme will be sung twice, and whoever sings in the first half will listen from the churchyard in the second. “We pray for a dry night,” said the organist, “and we shall bring umbrellas.”',
    ),
  },
  {
    id: 'lighthouse-figures',
    version: '1',
    ago: 240,
    urgency: 7,
    subject: 'Harbour',
    slug: 'light-dues',
    headline: 'Light dues: who pays what',
    summary: 'The new scale, from the first of January.',
    byline: '',
    html: `${paragraphs('From the first of January the lights of the coast are paid for by a new scale. It is made by length alone; what a vessel carries is not asked any more.')}<table><tr><th>Length</th><th>A visit</th><th>A year</th></tr><tr><td>under 8 m</td><td>nothing</td><td>nothing</td></tr><tr><td>8 to 15 m</td><td>4.50</td><td>38</td></tr><tr><td>15 to 30 m</td><td>11</td><td>120</td></tr><tr><td>over 30 m</td><td>26</td><td>310</td></tr></table>${paragraphs('Boats of the lifeboat service and of schools pay nothing, whatever their length.')}`,
  },
  {
    id: 'bridge-closed',
    version: '1',
    ago: 302,
    urgency: 2,
    subject: 'Roads',
    slug: 'carrow-bridge',
    headline: 'Carrow Bridge closed to carts',
    summary: 'A crack in the second arch; on foot it can be crossed.',
    byline: '',
    html: paragraphs('The bridge at Carrow is closed to everything on wheels until its second arch has been looked at.'),
    status: 'canceled',
    note: 'Cancelled: the crack is in a picture of the bridge, not in the bridge.',
  },
  {
    id: 'kite-prize',
    version: '1',
    ago: undefined,
    urgency: 4,
    subject: 'Kites',
    slug: 'kite-prize',
    headline: 'The Long Line Prize goes to a boat builder',
    summary: 'Maud Tresk has never sold a kite, and does not mean to begin.',
    byline: 'By Lark Tennow',
    html: paragraphs(
      'The Long Line Prize, which is given every third year to the maker of a kite that stays up, goes to Maud Tresk of Ternhaven. She builds boats. The kite that won was made from what was left of a hull.',
      'It flew for nine hours and eleven minutes, in a wind that three others would not leave the ground in, and came down because its maker wanted her supper.',
    ),
  },
  {
    id: 'second-ferry',
    version: '2',
    ago: undefined,
    urgency: 3,
    subject: 'Harbour',
    slug: 'ferry-linnet',
    headline: 'A second ferry for the Ternhaven crossing',
    summary: 'The Linnet turns in her own length, and that is what the basin asks for.',
    byline: 'By Perran Oake',
    html: `${FERRY.replace('412,000', '398,000')}<h2>What changes</h2>${paragraphs('The timetable stays as it is on weekdays. On Saturdays there will be a boat every forty-five minutes, and the last one leaves the mainland at a quarter past ten instead of twenty to nine.')}<ul><li>First boat on Saturdays: 6.40</li><li>Boats a day: 20 instead of 11</li><li>Bicycles: free, as before</li></ul>`,
    note: 'Corrects the price and the number of boats.',
    usage: 'Free to subscribers. Pictures with this story only.',
    pictures: ['ferry.jpg', 'landing.jpg'],
  },
];
