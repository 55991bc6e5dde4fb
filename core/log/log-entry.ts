import type { RichText } from '../text';

/** What happened, as the log tells it. `note` and `source` are written by the person, all else by Ewer. */
export type LogKind =
  | 'began'
  | 'question'
  | 'databases'
  | 'changed'
  | 'counted'
  | 'frozen'
  | 'run'
  | 'must-finds'
  | 'judged'
  | 'kept'
  | 'lead'
  | 'request'
  | 'review'
  | 'source'
  | 'note';

/** Where an entry leads back to, as a new draft. */
export type LogPoint =
  { readonly kind: 'variant'; readonly id: string } | { readonly kind: 'state'; readonly id: string };

/** One line of the log. */
export interface LogEntry {
  readonly id: string;
  /** ISO 8601, UTC. */
  readonly moment: string;
  readonly kind: LogKind;
  readonly text: RichText;
  /** It holds more than its sentence. */
  readonly hasDetails: boolean;
  readonly point?: LogPoint;
}
