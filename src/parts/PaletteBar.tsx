import { cmykToRgbHex } from '@/core/colour/cmyk';
import { type Cmyk, type Role, ROLES } from '@/core/records/swatch';

/** The colours of a palette beside one another. */
export function PaletteBar({ colours, low }: { colours: Readonly<Record<Role, Cmyk>>; low?: boolean }) {
  return (
    <span aria-hidden="true" className={`border-base-300 flex border ${low ? 'h-6' : 'h-9'}`}>
      {ROLES.map((role) => (
        <span key={role} className="flex-1" style={{ background: cmykToRgbHex(colours[role]) }} />
      ))}
    </span>
  );
}
