/** What the server writes down: faults that nobody planned, by code and stack, since a driver's error holds whole statements. */
import { pino } from 'pino';

const log = pino({ level: process.env.OILWICK_LOG_LEVEL ?? 'info' });

/** Codes of the driver and the system that mean that the database cannot be reached. */
const AWAY = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  'PROTOCOL_CONNECTION_LOST',
  'ER_SERVER_SHUTDOWN',
]);

export function codeOf(thrown: unknown): string {
  return (thrown as { code?: string }).code ?? '';
}

export function isAway(thrown: unknown): boolean {
  return AWAY.has(codeOf(thrown));
}

export function logFault(thrown: unknown, words: string): void {
  const { name = 'unknown', stack = '' } = thrown instanceof Error ? thrown : {};
  log.error({ code: codeOf(thrown), name, at: stack.split('\n').slice(1, 4) }, words);
}
