/** A PostgreSQL server that was begun for a test or a benchmark. */
export interface Started {
  url(database?: string): string;
  kill(): void;
  begin(): void;
  /** Killed and begun, while whoever asks goes on. */
  restart(): Promise<void>;
  end(): void;
}
export function postgresAt(): string | undefined;
export function ensurePostgres(): string | null;
export function startPostgres(how?: { durable?: boolean }): Promise<Started | null>;
