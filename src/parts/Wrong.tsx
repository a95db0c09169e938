/** The sentence why a field will not do, which the field names as its description. */
export function Wrong({ field, wrong }: { field: string; wrong: string | undefined }) {
  return wrong === undefined ? null : (
    <p id={`${field}-wrong`} role="alert" className="text-2xs text-error pt-0.5">
      {wrong}
    </p>
  );
}
