/** What is under the hand, beside the pointer. */
export function CarriedThing({ at: { x, y }, name }: { at: { readonly x: number; readonly y: number }; name: string }) {
  return (
    <div
      data-carried
      className="bg-secondary text-secondary-content pointer-events-none fixed z-50 max-w-56 truncate px-2 py-1 font-medium"
      style={{ left: x + 12, top: y + 10 }}
    >
      {name}
    </div>
  );
}
