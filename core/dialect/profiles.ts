import type { Dialect } from './dialect';
import gantry from './profiles/gantry.json' with { type: 'json' };
import heronsmere from './profiles/heronsmere.json' with { type: 'json' };
import marlstone from './profiles/marlstone.json' with { type: 'json' };

/** The dialects that ship, in the order of the databases' list. Their shape is checked by a test. */
export const DIALECTS: readonly Dialect[] = [heronsmere, gantry, marlstone] as unknown as readonly Dialect[];

/** The dialect of a database, by its short name. */
export function findDialect(id: string): Dialect | undefined {
  return DIALECTS.find((dialect) => dialect.id === id);
}
