import type { CheckReport } from '@/core/checks/report';
import type { Chosen } from '@/core/handoff/ways';
import { pool } from './pool';

/** How far a file is that went to the print shop, and what that says of it. */
export type SentToShop =
  | { readonly state: 'sending' }
  | { readonly state: 'accepted'; readonly shop: string; readonly job: string; readonly onPress: string }
  | { readonly state: 'refused'; readonly shop: string; readonly problems: readonly ShopProblem[] }
  | { readonly state: 'failed'; readonly message: string };

/** What the shop finds wrong, of a page or of the whole file. */
export interface ShopProblem {
  readonly page?: number;
  readonly words: string;
}

/** What is made, and what was chosen for it. */
export type DeliveryOptions = Chosen & {
  /** It is made although something grave was found. */
  readonly noticed?: boolean;
};

export interface Delivery {
  readonly id: string;
  readonly document: string;
  readonly seq: number;
  readonly options: DeliveryOptions;
  readonly state: 'waiting' | 'working' | 'done' | 'held' | 'failed' | 'cancelled';
  /** Pages done, of all. */
  readonly done: number;
  readonly total: number;
  readonly message: string | null;
  readonly fileName: string;
  readonly blob: string | null;
  readonly at: string;
  /** What was found before it was made. */
  readonly report: CheckReport | null;
  /** What became of it at the print shop; null where it was not sent. */
  readonly sent: SentToShop | null;
  /** The job that makes it; null for those of before there were any. */
  readonly job: string | null;
}

const COLUMNS = `id, document_id as document, seq::int, options, state, done, total, message, file_name as "fileName", blob, job, report, sent,
  to_char(created_at at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as at`;

export async function insertDelivery(
  delivery: Pick<Delivery, 'id' | 'document' | 'seq' | 'options' | 'fileName' | 'job'>,
): Promise<void> {
  await pool().query('insert into delivery (id, document_id, seq, options, file_name, job) values ($1, $2, $3, $4, $5, $6)', [
    delivery.id,
    delivery.document,
    delivery.seq,
    delivery.options,
    delivery.fileName,
    delivery.job,
  ]);
}

export async function findDelivery(id: string): Promise<Delivery | undefined> {
  const { rows } = await pool().query<Delivery>(`select ${COLUMNS} from delivery where id = $1`, [id]);
  return rows[0];
}

/** The last deliveries of a document, the newest first. */
export async function listDeliveries(document: string, limit = 20): Promise<Delivery[]> {
  const { rows } = await pool().query<Delivery>(
    `select ${COLUMNS} from delivery where document_id = $1 order by created_at desc limit $2`,
    [document, limit],
  );
  return rows;
}

/** Notes how far the work is. Gives false when it has been cancelled and is to stop. */
export async function noteProgress(id: string, done: number, total: number): Promise<boolean> {
  const { rowCount } = await pool().query(
    `update delivery set state = 'working', done = $2, total = $3 where id = $1 and state in ('waiting', 'working')`,
    [id, done, total],
  );
  return rowCount === 1;
}

/** Keeps what was found before a delivery is made. */
export async function noteReport(id: string, report: CheckReport): Promise<void> {
  await pool().query('update delivery set report = $2 where id = $1', [id, JSON.stringify(report)]);
}

/** Notes how far a file is that goes to the print shop. */
export async function noteSent(id: string, sent: SentToShop): Promise<void> {
  await pool().query('update delivery set sent = $2 where id = $1', [id, JSON.stringify(sent)]);
}

/** Ends a delivery that is still under way; one that has ended stays as it is. Gives whether this call ended it. */
export async function endDelivery(
  id: string,
  end: { state: 'done'; blob: string } | { state: 'held' | 'failed' | 'cancelled'; message: string },
): Promise<boolean> {
  const { rowCount } = await pool().query(
    `update delivery set state = $2, blob = $3, message = $4, done = case when $2 = 'done' then total else done end
      where id = $1 and state in ('waiting', 'working')`,
    [id, end.state, end.state === 'done' ? end.blob : null, end.state === 'done' ? null : end.message],
  );
  return rowCount === 1;
}
