import type { OutlineRow } from '#core/outline/index';
import type { EditHome } from '../query-desk';

/** The rows that a dialog is about, and the text that they stand in. */
export interface RowsDialogData {
  readonly home: EditHome;
  readonly rows: readonly OutlineRow[];
}
