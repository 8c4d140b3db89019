/** What an open file is asked with. */
export interface Asker {
  prepare(sql: string): { all(): unknown[] };
  close(): void;
}
