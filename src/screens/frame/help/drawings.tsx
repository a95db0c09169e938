import type { ReactNode } from 'react';
import type { Drawing } from './entries';

/** Small drawings of what a field does, in the colours of the interface: ink for type, the accent for what the field sets. */

const LINE = 'var(--color-base-content)';
const MARK = 'var(--color-primary)';
const SOFT = 'var(--color-base-300)';

const page = <rect x="34" y="6" width="132" height="78" fill="var(--color-base-100)" stroke={SOFT} />;
const text = (x: number, y: number, w: number, lines: number, step = 7): ReactNode =>
  Array.from({ length: lines }, (_, i) => (
    <rect
      key={`${x}-${y}-${i}`}
      x={x}
      y={y + i * step}
      width={i === lines - 1 ? w * 0.6 : w}
      height={2.4}
      fill={LINE}
      opacity={0.45}
    />
  ));
const area = (x: number, y: number, w: number, h: number): ReactNode => (
  <rect x={x} y={y} width={w} height={h} fill={MARK} opacity={0.4} />
);
const letters = (x: number, y: number, size: number, words: string, spacing = 0): ReactNode => (
  <text x={x} y={y} fontFamily="SourceSerif4-400" fontSize={size} letterSpacing={spacing} fill={LINE}>
    {words}
  </text>
);
const arrow = (x: number, y0: number, y1: number): ReactNode => (
  <path
    d={`M${x} ${y0} V${y1} M${x - 3} ${y0 + 4} L${x} ${y0} L${x + 3} ${y0 + 4} M${x - 3} ${y1 - 4} L${x} ${y1} L${x + 3} ${y1 - 4}`}
    stroke={MARK}
    strokeWidth={1.6}
    fill="none"
  />
);
const across = (x0: number, x1: number, y: number): ReactNode => (
  <path
    d={`M${x0} ${y} H${x1} M${x0 + 4} ${y - 3} L${x0} ${y} L${x0 + 4} ${y + 3} M${x1 - 4} ${y - 3} L${x1} ${y} L${x1 - 4} ${y + 3}`}
    stroke={MARK}
    strokeWidth={1.6}
    fill="none"
  />
);

const DRAWINGS: Readonly<Record<Drawing, ReactNode>> = {
  columns: (
    <>
      {page}
      {[0, 1, 2].map((i) => text(42 + i * 41, 14, 34, 9))}
      {area(76, 6, 7, 78)}
      {area(117, 6, 7, 78)}
    </>
  ),
  baselines: (
    <>
      {[24, 44, 64, 84].map((y) => (
        <path key={y} d={`M20 ${y} H180`} stroke={MARK} strokeWidth={1} />
      ))}
      {letters(26, 24, 19, 'the wind wrote')}
      {letters(26, 44, 19, 'to nobody')}
      {letters(26, 64, 19, 'in ink')}
      {arrow(172, 24, 44)}
    </>
  ),
  margins: (
    <>
      <rect x="16" y="6" width="84" height="80" fill="var(--color-base-100)" stroke={SOFT} />
      <rect x="100" y="6" width="84" height="80" fill="var(--color-base-100)" stroke={SOFT} />
      {text(30, 18, 58, 7)}
      {text(110, 18, 58, 7)}
      {area(90, 6, 20, 80)}
      {area(16, 6, 13, 80)}
      {area(170, 6, 14, 80)}
    </>
  ),
  bleed: (
    <>
      <rect x="40" y="4" width="120" height="84" fill={MARK} opacity={0.25} />
      <rect x="50" y="12" width="100" height="68" fill="none" stroke={LINE} />
      <rect x="60" y="22" width="80" height="48" fill="none" stroke={LINE} strokeDasharray="3 3" opacity={0.6} />
      {text(66, 30, 66, 5)}
      {across(40, 50, 46)}
    </>
  ),
  wrap: (
    <>
      {text(20, 12, 60, 10)}
      <circle cx="126" cy="46" r="34" fill={MARK} opacity={0.3} />
      <circle cx="126" cy="46" r="24" fill={LINE} opacity={0.5} />
      {across(92, 102, 46)}
    </>
  ),
  inset: (
    <>
      <rect x="44" y="8" width="112" height="76" fill={MARK} opacity={0.3} />
      <rect x="58" y="22" width="84" height="48" fill="var(--color-base-100)" />
      {text(62, 27, 76, 6)}
      {across(44, 58, 46)}
    </>
  ),
  leading: (
    <>
      {letters(24, 38, 26, 'Kites over')}
      {letters(24, 72, 26, 'the bar')}
      <path d="M20 38 H150 M20 72 H150" stroke={MARK} />
      {arrow(160, 38, 72)}
    </>
  ),
  tracking: (
    <>
      {letters(24, 38, 24, 'Gannet Head')}
      {letters(24, 74, 24, 'Gannet Head', 3)}
      {across(24, 176, 84)}
    </>
  ),
  indent: (
    <>
      {text(40, 14, 120, 3)}
      {text(58, 38, 102, 1)}
      {text(40, 45, 120, 5)}
      {across(40, 58, 39)}
    </>
  ),
  space: (
    <>
      {text(40, 10, 120, 4)}
      {area(40, 38, 120, 14)}
      <rect x="40" y="54" width="56" height="4" fill={LINE} />
      {text(40, 64, 120, 3)}
    </>
  ),
  dropCap: (
    <>
      <text x="38" y="46" fontFamily="SourceSerif4-900" fontSize="50" fill={MARK}>
        T
      </text>
      {text(78, 12, 84, 5)}
      {text(40, 50, 122, 5)}
    </>
  ),
  hyphens: (
    <>
      {letters(40, 28, 16, 'wind over the hill-')}
      {letters(40, 50, 16, 'side, and down')}
      {letters(40, 72, 16, 'to the sea')}
      <rect x="150" y="16" width="14" height="16" fill={MARK} opacity={0.4} />
    </>
  ),
  alignment: (
    <>
      {text(20, 20, 44, 7)}
      {[40, 30, 44, 26, 38, 42, 24].map((w, i) => (
        <rect key={i} x={78} y={20 + i * 7} width={w} height={2.4} fill={LINE} opacity={0.45} />
      ))}
      {[40, 30, 44, 26, 38, 42, 24].map((w, i) => (
        <rect key={i} x={158 - w / 2} y={20 + i * 7} width={w} height={2.4} fill={MARK} />
      ))}
    </>
  ),
  balance: (
    <>
      {page}
      {[0, 1, 2].map((i) => text(42 + i * 41, 14, 34, 6))}
      <path d="M34 58 H166" stroke={MARK} strokeWidth={1.6} />
    </>
  ),
  widow: (
    <>
      {text(40, 14, 52, 10)}
      <rect x="108" y="14" width="30" height="2.4" fill={MARK} />
      {text(108, 28, 52, 8)}
    </>
  ),
  keep: (
    <>
      {text(40, 12, 52, 6)}
      <rect x="40" y="64" width="34" height="4" fill={MARK} />
      <path d="M84 66 C100 66 96 18 106 18" stroke={MARK} fill="none" strokeWidth={1.6} />
      {text(108, 14, 52, 9)}
    </>
  ),
  hanging: (
    <>
      {letters(40, 30, 18, 'over the bar,')}
      {letters(40, 54, 18, 'and the smoke')}
      {letters(40, 78, 18, 'went straight.')}
      <path d="M150 8 V86" stroke={MARK} strokeDasharray="3 3" />
    </>
  ),
  zoom: (
    <>
      <rect x="30" y="4" width="140" height="84" fill={LINE} opacity={0.12} />
      <rect x="62" y="18" width="76" height="56" fill={MARK} opacity={0.35} stroke={LINE} />
      <path d="M40 76 L80 40 L104 60 L130 30 L164 76 Z" fill={LINE} opacity={0.4} />
    </>
  ),
  opacity: (
    <>
      <path d="M20 80 L70 24 L104 58 L136 14 L184 80 Z" fill={LINE} opacity={0.5} />
      <rect x="60" y="34" width="90" height="34" fill={MARK} opacity={0.6} />
    </>
  ),
  ink: (
    <>
      {['#00a0c8', '#d4006a', '#f2d400', '#222'].map((ink, i) => (
        <circle key={ink} cx={70 + i * 20} cy={46} r={28} fill={ink} opacity={0.55} />
      ))}
    </>
  ),
  resolution: (
    <>
      {Array.from({ length: 36 }, (_, i) => (
        <rect
          key={i}
          x={30 + (i % 6) * 10}
          y={16 + Math.floor(i / 6) * 10}
          width={10}
          height={10}
          fill={LINE}
          opacity={((i * 7) % 10) / 14}
        />
      ))}
      <circle cx="140" cy="46" r="30" fill={LINE} opacity={0.45} />
      <path d="M98 46 H106 M102 42 L106 46 L102 50" stroke={MARK} strokeWidth={1.6} fill="none" />
    </>
  ),
};

/** What a field does, drawn. */
export const HelpDrawing = ({ of }: { of: Drawing }) => (
  <svg viewBox="0 0 200 92" className="bg-base-200 block h-auto w-full" aria-hidden="true">
    {DRAWINGS[of]}
  </svg>
);
