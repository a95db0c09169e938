/** What every record has: an id that never changes and the kind that says what else it holds. */
export interface RecordBase<Kind extends string> {
  readonly id: string;
  readonly kind: Kind;
}
