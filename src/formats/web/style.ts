import type { HouseType } from '../html/houseType';

/**
 * The style of a web edition: the house's type and colours, set on one column for reading and as many for choosing as the screen
 * is wide.
 *
 * @param display the paragraph style of headlines
 */
export function siteStyle(type: HouseType, display: string | undefined): string {
  const headline = type.paragraph(display);
  const family = display === undefined ? type.text : type.label(display);
  return `${type.colours.css()}
*,::before,::after{box-sizing:border-box}
html{font-size:100%;-webkit-text-size-adjust:none;text-size-adjust:none;scroll-behavior:smooth}
body{margin:0;background:var(--paper);color:var(--ink);font-family:${type.text};font-size:1.125rem;line-height:1.5;overflow-wrap:break-word;
 display:flex;flex-direction:column;min-height:100vh}
p,h1,h2,h3,figure,blockquote,ul,ol{margin:0}
img{display:block;width:100%;height:auto}
a{color:inherit;text-decoration-thickness:0.06em;text-underline-offset:0.16em}
a:hover{color:var(--accent)}
:focus-visible{outline:3px solid var(--accent);outline-offset:3px}
.skip{position:absolute;left:1rem;top:-4rem;padding:0.5rem 1rem;background:var(--ink);color:var(--paper);z-index:1}
.skip:focus{top:0.5rem}
h1,h2,h3,.name{font-family:${family};font-weight:${headline.weight};line-height:1.08;text-wrap:balance}
.masthead,.foot,main{width:min(100% - 2*clamp(1rem,4vw,2.5rem),63rem);margin-inline:auto}
.masthead{display:flex;flex-wrap:wrap;align-items:baseline;gap:0.2rem 1.25rem;padding-block:1.1rem 0.7rem;border-bottom:2px solid var(--ink)}
.masthead .name{font-size:1.6rem}
.masthead .name a{text-decoration:none}
.masthead .issue{color:var(--quiet);font-size:0.95rem}
.masthead nav{flex-basis:100%}
.masthead ul{display:flex;flex-wrap:wrap;gap:0.25rem 1.25rem;list-style:none;padding:0;font-size:0.95rem}
.masthead nav a{text-decoration:none;display:inline-block;padding-block:0.2rem;border-bottom:2px solid transparent}
.masthead nav a:hover,.masthead nav a[aria-current]{border-color:var(--accent)}
main{flex:1;padding-block:clamp(1.5rem,4vw,3rem)}
.opening{display:grid;gap:1.5rem clamp(1.5rem,5vw,4rem);align-items:end;margin-bottom:2.5rem}
.opening .cover{max-width:22rem;box-shadow:0 0.1rem 0.9rem rgb(0 0 0/0.28)}
.opening h1{font-size:clamp(2.4rem,8vw,5rem)}
.opening .title p{color:var(--quiet);margin-top:0.5rem}
.opening .title .issue{color:var(--accent);font-size:1.25rem}
.part{border-top:1px solid var(--rule);padding-top:1rem;margin-top:2.5rem}
.part>h2{font-size:1.35rem;margin-bottom:1.2rem;color:var(--accent)}
.part>h2 a,.teaser a{text-decoration:none}
.stories{display:grid;grid-template-columns:repeat(auto-fill,minmax(min(100%,17rem),1fr));gap:2.2rem clamp(1.25rem,3vw,2.25rem)}
.teaser .small{margin-bottom:0.8rem;background:var(--panel)}
.teaser .small img{aspect-ratio:3/2;object-fit:cover;object-position:50% 30%}
.teaser .cut-out img{object-fit:contain;padding:1rem}
.teaser :is(h2,h3){font-size:1.45rem;margin-bottom:0.4rem}
.teaser p{font-size:1rem;line-height:1.45}
.teaser .by{color:var(--quiet);font-size:0.9rem;margin-top:0.5rem}
h1.section{font-size:clamp(2rem,6vw,3.4rem);padding-bottom:1.4rem}
article>.head{max-width:48rem;margin-bottom:1.8rem}
.kicker{font-size:0.95rem;margin-bottom:0.8rem;color:var(--accent)}
.kicker a{text-decoration:none}
.head>*+*{margin-top:0.7rem}
.head>:is(h1,p){margin-inline:0;padding-inline:0;text-align:start}
.head .kicker{border:0}
.lead{margin-bottom:2rem;max-width:60rem}
.lead.upright{max-width:34rem}
.lead.upright img{width:auto;max-width:100%;max-height:85vh}
.text{max-width:38rem}
.text figure,.text .quote,.text table,.text blockquote{margin-block:1.6rem}
.text figure.upright{max-width:24rem}
figcaption{padding-top:0.5rem;color:var(--quiet)}
figcaption p[class],figcaption p{font-size:0.9rem;line-height:1.4;text-align:start;color:inherit;background:none;padding-inline:0}
.text h2,.text h3{margin-top:1.6em;margin-bottom:0.4em}
.text blockquote{padding-inline-start:1.2rem;border-inline-start:3px solid var(--accent)}
.quote{padding-block:0.9rem;border-block:2px solid var(--accent)}
.quote p{margin-block:0;text-indent:0;text-align:start}
ul,ol{padding-inline-start:1.4em}
.text li{margin-block:0.3em}
table{border-collapse:collapse;display:block;overflow-x:auto;max-width:100%}
th,td{text-align:start;vertical-align:top;padding:0.4rem 1.1rem 0.4rem 0;border-bottom:1px solid var(--rule);line-height:1.35}
.in-line{display:inline-block;width:1.3em;vertical-align:middle}
.printed{color:var(--quiet);font-size:0.9rem;margin-top:2rem}
.onward{display:grid;gap:1rem;border-top:1px solid var(--rule);margin-top:2.5rem;padding-top:1.2rem}
.onward a{text-decoration:none;font-family:${family};font-weight:${headline.weight};font-size:1.15rem;line-height:1.2}
.onward span{display:block;font-family:${type.text};font-weight:400;font-size:0.9rem;color:var(--quiet)}
.more{margin-top:3rem;border-top:1px solid var(--rule);padding-top:1rem}
.more>h2{font-size:1.35rem;margin-bottom:1rem}
.box{background:var(--panel);padding:1.2rem 1.4rem;margin-bottom:1.2rem}
.box>:first-child{margin-top:0}
.foot{border-top:2px solid var(--ink);padding-block:1.2rem 2rem;color:var(--quiet);font-size:0.9rem}
.foot a{margin-inline-end:1rem}
@media (min-width:48rem){
 .stories .first{grid-column:span 2}
 .first :is(h2,h3){font-size:2.2rem}
 .first p{font-size:1.125rem}
 .first .small:not(.cut-out) img{aspect-ratio:auto;max-height:24rem}
 .opening{grid-template-columns:minmax(14rem,22rem) 1fr}
 .opening .title:only-child{grid-column:1/-1}
 .onward{grid-template-columns:1fr 1fr}
 .onward .next{grid-column:2;text-align:end}
}
@media (min-width:64rem){
 .text .quote{float:right;width:19rem;margin:0.4rem -17rem 1.4rem 2rem}
}
@media print{.skip,.masthead nav,.onward{display:none}}
@media (prefers-reduced-motion:reduce){html{scroll-behavior:auto}}
${type.css()}
`;
}
