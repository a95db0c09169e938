'use client';

import { Check, Crosshair, FlipHorizontal2, Maximize, Minimize, RotateCcw, RotateCw, Scan } from 'lucide-react';
import type { ReactNode } from 'react';
import { effectiveResolution, placedPicture } from '@/core/pictures/placing';
import { formatNumber } from '@/core/length/length';
import { StripTools } from '@/parts/Strip';
import { Resolution } from '../detail/PictureChapter';
import type { Command } from '../../frame/commands/command';
import { CommandButton } from '../../frame/commands/CommandButton';
import { useHand } from '../hand/hand';
import { insideOf } from '../hand/useCropping';
import type { Desk } from '../useDesk';

/** What is done inside a picture, and how fine it is while it grows. */
export function CropBar({ desk, commands }: { desk: Desk; commands: ReadonlyMap<string, Command> }) {
  const now = useHand(desk.hand, (doing) => (doing.doing === 'cropping' ? doing : undefined));
  const inside = now && insideOf(desk.document, now.frame, now.crop);
  if (!inside) return null;
  const { picture, crop, frame } = inside;
  const ppi = effectiveResolution(picture, placedPicture(frame.box, picture, crop).box);
  const tool = (id: string, icon: ReactNode, short?: string) => (
    <CommandButton of={commands.get(id)!} icon={icon} className="" {...(short ? { short } : {})} />
  );
  return (
    <StripTools label="Inside the picture">
      <span className="pr-2.5 font-semibold whitespace-nowrap">Inside the picture</span>
      {tool('crop-fill', <Maximize size={14} />, 'Fill')}
      {tool('crop-all', <Minimize size={14} />, 'Show all')}
      {tool('crop-centre', <Crosshair size={14} />, 'Centre')}
      {tool('crop-good', <Scan size={14} />, '300 ppi')}
      {tool('crop-turn-back', <RotateCcw size={14} />)}
      {tool('crop-turn', <RotateCw size={14} />)}
      {tool('crop-mirror', <FlipHorizontal2 size={14} />)}
      <span className="narrow border-base-300 flex h-7 items-center gap-2 border-l px-2.5 whitespace-nowrap" role="status">
        <span>{formatNumber(100 * crop.zoom, 0)} %</span>
        <Resolution picture={picture} ppi={ppi} />
      </span>
      {tool('crop-done', <Check size={14} />, 'Done')}
    </StripTools>
  );
}
