/** The mark of the application: a kite with its tail. */
export function KiteMark({ size = 26 }: { size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 32 32" aria-hidden="true">
      <path d="M16 1 26 11 16 26 6 11Z" fill="currentColor" />
      <path d="M16 1 26 11H16Z" fill="var(--color-primary)" />
      <path d="M16 26q3 2 0 5" fill="none" stroke="var(--color-error)" strokeWidth="2" />
    </svg>
  );
}
