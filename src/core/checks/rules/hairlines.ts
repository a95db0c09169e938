import { formatNumber } from '../../length/length';
import type { Item } from '../../compose/displayList/displayList';
import type { Found } from '../finding';
import type { Mend } from '../mends';
import { boxOf, type PageView, type Rule } from '../rule';

/** Lines that are too thin to print. */
export const HAIRLINES: Rule = {
  name: 'hairlines',
  title: 'Lines too thin to print',
  page: (view) =>
    view.list.items.flatMap((item): Found[] => {
      const { thinnest } = view.limits;
      const weight = thinnestOf(view, item);
      if (weight === undefined || weight <= 0 || weight >= thinnest - 0.001) return [];
      const frame = view.find('frame', item.frame);
      const isOwn = frame?.on === view.list.page && item.type === 'area';
      const mends: Mend[] = isOwn
        ? [{ name: `Make it ${formatNumber(thinnest, 2)} pt`, do: 'thicken', of: { frame: item.frame, weight: thinnest } }]
        : [];
      return [
        {
          grave: 'fault',
          at: { page: view.list.page, frame: item.frame, box: boxOf(item), text: item.type === 'text' ? item.text : undefined },
          words: `A line is ${formatNumber(weight, 2)} pt thick; ${formatNumber(thinnest, 2)} pt is the thinnest that prints.`,
          effect: 'It breaks up or vanishes.',
          mends,
        },
      ];
    }),
};

function thinnestOf(view: PageView, item: Item): number | undefined {
  if (item.type === 'area') {
    const content = view.find('frame', item.frame)?.content;
    if (item.stroke > 0) return item.stroke;
    return item.part === 'fill' && content?.type === 'rule' ? Math.min(item.box.w, item.box.h) : undefined;
  }
  if (item.type !== 'text') return undefined;
  let least: number | undefined;
  for (const { lines } of item.columns)
    for (const { marks } of lines)
      for (const mark of marks ?? []) {
        const own = mark.type === 'area' ? Math.min(mark.box.w, mark.box.h) : Infinity;
        if (own < (least ?? Infinity)) least = own;
      }
  return least;
}
