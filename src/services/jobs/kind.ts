/** A kind of work that takes a while: done once however many servers there are, by one that is free. */
export interface JobKind<Order extends object, Result> {
  readonly name: string;
  /** How many a server does at the same time; what is more waits in line. */
  readonly atOnce: number;
  /**
   * Does it. Where its server stops, another begins anew, so that doing it twice must come to the same.
   *
   * @param signal told when it has been cancelled, or nobody waits for it any more
   * @throws RefusedFileError for what will not become better by being tried again; whatever else it throws is tried again
   */
  run(order: Order, signal: AbortSignal): Promise<Result>;
  /** Told when it could not be done, however often it was tried. */
  gaveUp?(order: Order, why: string): Promise<void>;
}

/** A kind of job, whatever it takes and gives. */
export type AnyJobKind = JobKind<object, unknown>;
