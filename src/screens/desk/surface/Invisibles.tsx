'use client';

import { memo, useEffect } from 'react';
import { useSetting } from '../../sheet/useSetting';
import type { Desk } from '../useDesk';

/** Spaces, tabs and the ends of lines and paragraphs on the spread, as signs of their own. */
export const Invisibles = memo(function Invisibles({ desk }: { desk: Pick<Desk, 'composer' | 'spread' | 'view'> }) {
  const { composer, spread, view } = desk;
  useEffect(() => {
    composer.showInvisibles(true);
    return () => composer.showInvisibles(false);
  }, [composer]);
  const signs = useSetting(composer, (setting) => setting.invisibles);
  const { k, tx, ty } = view.view;
  return (
    <g fill="var(--guide-column)" pointerEvents="none" textAnchor="middle" aria-hidden="true" data-invisibles={signs.length}>
      {spread.pages.flatMap(({ page, dx }) =>
        signs.flatMap(({ page: of, sign, at, size }, i) =>
          of === page.id
            ? [
                <text key={`${of} ${i}`} x={(at.x + dx) * k + tx} y={at.y * k + ty} fontSize={size * k}>
                  {sign}
                </text>,
              ]
            : [],
        ),
      )}
    </g>
  );
});
