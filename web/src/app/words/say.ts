import { translate } from '@jsverse/transloco';
import type { MessageKey, MessageParameters } from './message-key';

/** A message of the catalogue in the language of the page. The catalogue is there before anything is drawn. */
export function say(key: MessageKey, parameters: MessageParameters = {}): string {
  return translate<string>(key, parameters);
}
