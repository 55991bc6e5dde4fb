import type { Dialect } from './dialect';
import cardinal from './profiles/cardinal.json' with { type: 'json' };
import cql from './profiles/cql.json' with { type: 'json' };
import fieldAround from './profiles/field-around.json' with { type: 'json' };
import fieldBefore from './profiles/field-before.json' with { type: 'json' };
import fieldBehind from './profiles/field-behind.json' with { type: 'json' };
import gantry from './profiles/gantry.json' with { type: 'json' };
import heronsmere from './profiles/heronsmere.json' with { type: 'json' };
import lucene from './profiles/lucene.json' with { type: 'json' };
import marlstone from './profiles/marlstone.json' with { type: 'json' };
import northern from './profiles/northern.json' with { type: 'json' };
import oneBox from './profiles/one-box.json' with { type: 'json' };
import ownRecords from './profiles/own-records.json' with { type: 'json' };
import plainfinder from './profiles/plainfinder.json' with { type: 'json' };

/** The dialects of the databases that ship, in the order of their list. Their shape is checked by a test. */
export const DIALECTS: readonly Dialect[] = [
  heronsmere,
  gantry,
  cardinal,
  marlstone,
  northern,
  plainfinder,
] as unknown as readonly Dialect[];

/** Dialects to begin one of one's own with: open query languages that many servers take. */
export const OPEN_DIALECTS: readonly Dialect[] = [cql, lucene] as unknown as readonly Dialect[];

/** What collections of one's own records are searched with: Ewer's query text. */
export const OWN_RECORDS = ownRecords as unknown as Dialect;

/** Dialects to begin one of one's own with, by where the field stands. */
export const TEMPLATE_DIALECTS: readonly Dialect[] = [
  fieldBefore,
  fieldBehind,
  fieldAround,
  oneBox,
] as unknown as readonly Dialect[];

/** The dialect of a database that ships, by its short name. */
export function findDialect(id: string): Dialect | undefined {
  return DIALECTS.find((dialect) => dialect.id === id);
}
